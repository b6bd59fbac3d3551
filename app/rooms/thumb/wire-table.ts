import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Wire } from '../../../core/ways';
import { Bench } from '../../store/bench';

/** Every wire of the joint with its ends and the colour that the maker has at hand, of those that its function allows. */
@Component({
  selector: 'gt-wire-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './wire-table.html',
})
export class WireTable {
  private readonly bench = inject(Bench);
  readonly wires = input.required<readonly Wire[]>();
  /** A mains conductor has its colours by function; the one it has stands among them in any case. */
  protected readonly coloursOf = (w: Wire): readonly string[] =>
    w.colours.includes(w.colour) ? w.colours : [w.colour, ...w.colours];

  protected colour(number: number, name: string): void {
    this.bench.set(
      'thumb',
      { colours: { ...this.bench.job().thumb.colours, [number]: name } },
      `wire ${number} is ${name}`,
    );
  }
}
