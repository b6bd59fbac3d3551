import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Pair, StripState } from '../../../core/rooms/probe';
import { formatQuantity } from '../../../core/ground/quantity';

/**
 * The pair table of a strip: volts from the row's terminal to the column's; what follows by difference is slanted, what
 * is barred is muted.
 */
@Component({
  selector: 'gt-pair-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './pair-table.html',
})
export class PairTable {
  readonly state = input.required<StripState>();
  protected readonly columns = computed(() =>
    this.state()
      .strip.wires.slice(1)
      .map((_, i) => i + 2),
  );
  protected readonly rows = computed(() => {
    const { strip, pairs, next, found } = this.state();
    return strip.wires.slice(0, -1).map((wire, i) => {
      const a = i + 1;
      return {
        a,
        wire,
        cells: this.columns().map((b) => {
          const p = pairs.find((x) => x.a === a && x.b === b);
          return {
            key: b,
            text: p ? this.say(p) : '',
            next: next?.a === a && next.b === b,
            found: found !== null && found.a === a && found.b === b,
            barred: p !== undefined && p.barred !== '' && p.barred !== 'volts not known',
            derived: p !== undefined && !p.direct && p.dcVolts !== null,
            title: p?.barred ?? '',
          };
        }),
      };
    });
  });

  private say(p: Pair): string {
    const dc = p.dcVolts ?? 0;
    const main =
      p.acVolts !== null && p.acVolts > Math.abs(dc)
        ? `${formatQuantity(p.acVolts, 'V')}~`
        : p.dcVolts === null
          ? '·'
          : formatQuantity(dc, 'V');
    return p.jumper === 'moves' ? `${main} moves` : p.jumper === 'untried' ? main : `${main} no`;
  }
}
