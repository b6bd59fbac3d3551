import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { QuantityField } from '../kit/quantity-field';
import { stockFields, type StockLine } from '../../core/ground/job';

type Counted = Pick<StockLine, 'name' | 'have' | 'price'>;

/** How many of a thing are at hand, or what one costs, as the cell of a table. */
@Component({
  selector: 'gt-stock',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  template: `
    @if (what() === 'have') {
      <gt-quantity
        bare
        [field]="fields.have"
        [label]="label()"
        [value]="of().have"
        (changed)="changed.emit({ have: $event })"
      />
    } @else {
      <gt-quantity
        bare
        [field]="fields.price"
        [label]="label()"
        [value]="of().price"
        (changed)="changed.emit({ price: $event })"
      />
    }
  `,
  styles: ':host { display: block; width: 120px; }',
})
export class StockCell {
  readonly what = input.required<'have' | 'price'>();
  readonly of = input.required<Counted>();
  readonly changed = output<Partial<Pick<StockLine, 'have' | 'price'>>>();
  protected readonly fields = stockFields;
  protected readonly label = computed(
    () => `${this.what() === 'have' ? 'How many at hand' : 'Price of one'}: ${this.of().name}`,
  );
}
