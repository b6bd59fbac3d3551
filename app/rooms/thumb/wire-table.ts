import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Cell, Table, type Column } from '../../kit/table';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import type { JobWire, Wiring } from '../../../core/build/wiring';
import { Bench } from '../../store/bench';

/** Every wire of the job with its ends and the colour that the maker has at hand, of those that its function allows. */
@Component({
  selector: 'gt-wire-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Cell, ChoiceField, Table],
  templateUrl: './wire-table.html',
})
export class WireTable {
  private readonly bench = inject(Bench);
  readonly wiring = input.required<Wiring>();
  /** Name of the press that is open; its wires stand in full ink. */
  readonly here = input('');
  protected readonly wires = computed(() => this.wiring().wires);
  private readonly several = computed(() => new Set(this.wires().map((w) => w.of)).size > 1);
  protected readonly numberOf = (w: JobWire): number => w.number;
  protected readonly columns = computed((): readonly Column<JobWire>[] => [
    { key: 'wire', head: 'wire', number: true, text: (w) => String(w.number) },
    ...(this.several() ? [{ key: 'of', head: 'of', text: (w: JobWire) => w.of }] : []),
    { key: 'from', head: 'from', text: (w) => w.from },
    { key: 'to', head: 'to', text: (w) => `${w.to}${w.crosses ? ' (crosses)' : ''}${w.jumper ? ' (jumper)' : ''}` },
    { key: 'colour', head: 'colour' },
  ]);
  /** A mains conductor has its colours by function; the one it has stands among them in any case. */
  protected readonly coloursOf = (w: JobWire): readonly Choice[] =>
    (w.colours.includes(w.colour) ? w.colours : [w.colour, ...w.colours]).map((c): Choice => [c, c]);

  protected colour(w: JobWire, name: string): void {
    this.bench.set(
      'bench',
      { colours: { ...this.bench.job().bench.colours, [w.key]: name } },
      `wire ${w.number} is ${name}`,
    );
  }
}
