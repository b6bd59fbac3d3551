import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Cell, Table } from '../../kit/table';
import { ChoiceField } from '../../kit/choice-field';
import type { Wire } from '../../../core/ways';
import type { Choice } from '../../kit/choice-field';
import type { Column } from '../../kit/table';
import { Bench } from '../../store/bench';

/** Every wire of the joint with its ends and the colour that the maker has at hand, of those that its function allows. */
@Component({
  selector: 'gt-wire-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Cell, ChoiceField, Table],
  templateUrl: './wire-table.html',
})
export class WireTable {
  private readonly bench = inject(Bench);
  readonly wires = input.required<readonly Wire[]>();
  protected readonly numberOf = (w: Wire): number => w.number;
  protected readonly columns: readonly Column<Wire>[] = [
    { key: 'wire', head: 'wire', number: true, text: (w) => String(w.number) },
    { key: 'from', head: 'from', text: (w) => w.from },
    { key: 'to', head: 'to', text: (w) => `${w.to}${w.crosses ? ' (crosses)' : ''}` },
    { key: 'colour', head: 'colour' },
  ];
  /** A mains conductor has its colours by function; the one it has stands among them in any case. */
  protected readonly coloursOf = (w: Wire): readonly Choice[] =>
    (w.colours.includes(w.colour) ? w.colours : [w.colour, ...w.colours]).map((c): Choice => [c, c]);

  protected colour(number: number, name: string): void {
    this.bench.set(
      'thumb',
      { colours: { ...this.bench.job().thumb.colours, [number]: name } },
      `wire ${number} is ${name}`,
    );
  }
}
