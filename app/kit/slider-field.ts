import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { fieldText, asQuantity, type Field } from '../../core/ground/field';
import { formatQuantity, type Unit } from '../../core/ground/quantity';
import { QuantityField } from './quantity-field';

/** A number of a field pulled along a scale, or typed beside it; `held` while it moves, `changed` when it is let go. */
@Component({
  selector: 'gt-slider',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatSlider, MatSliderThumb, QuantityField],
  host: { class: 'gt-field' },
  template: `
    <gt-quantity [field]="field()" [label]="label()" [value]="value()" (changed)="changed.emit($event)" />
    <mat-slider [min]="least()" [max]="most()" [step]="step()" [displayWith]="words()">
      <input
        matSliderThumb
        #thumb
        [attr.aria-label]="(label() ?? field().label) + ', slider'"
        [attr.aria-valuetext]="shown()"
        [value]="value()"
        (input)="held.emit(thumb.valueAsNumber)"
        (change)="changed.emit(thumb.valueAsNumber)"
      />
    </mat-slider>
  `,
  styles: 'mat-slider { width: calc(100% - 16px); min-width: 0; margin: -6px 8px -12px; }',
})
export class SliderField {
  readonly field = input.required<Field<number>>();
  readonly label = input<string>();
  readonly value = input.required<number>();
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly step = input.required<number>();
  readonly held = output<number>();
  readonly changed = output<number>();
  private readonly unit = computed((): Unit => asQuantity(this.field()).unit);
  protected readonly shown = computed(() => fieldText(asQuantity(this.field()), this.value()));
  protected readonly words = computed(
    () =>
      (v: number): string =>
        formatQuantity(v, this.unit()),
  );
}
