import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import type { Way } from '../../../core/job';
import { compareWays } from '../../../core/thumb';
import { WAY_WORDS, type WayResult } from '../../../core/ways';
import { Bench } from '../../store/bench';

/** Any two ways side by side on this control; the better side of each line is marked. */
@Component({
  selector: 'gt-compare-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="wide"><table class="compare">
      <tr>
        <th scope="col"><span class="sr">what</span></th>
        <th scope="col"><select #x aria-label="One way" [value]="left()" (change)="left.set($any(x.value))">@for (w of ways(); track w.way) { <option [value]="w.way" [selected]="w.way === left()">{{ names[w.way].name }}</option> }</select></th>
        <th scope="col"><select #y aria-label="The other way" [value]="right()" (change)="right.set($any(y.value))">@for (w of ways(); track w.way) { <option [value]="w.way" [selected]="w.way === right()">{{ names[w.way].name }}</option> }</select></th>
      </tr>
      @for (r of rows(); track r.what) {
        <tr>
          <th scope="row">{{ r.what }}</th>
          <td [class.better]="r.better === 'a'">{{ r.a }}@if (r.better === 'a') { <span class="sr"> (better)</span> }</td>
          <td [class.better]="r.better === 'b'">{{ r.b }}@if (r.better === 'b') { <span class="sr"> (better)</span> }</td>
        </tr>
      }
    </table></div>
    <p class="muted">Underlined: the side that has it better. The wishes stand in your own order.</p>
  `,
})
export class ComparePanel {
  private readonly bench = inject(Bench);
  readonly ways = input.required<readonly WayResult[]>();
  readonly first = input.required<Way>();
  protected readonly names = WAY_WORDS;
  protected readonly left = linkedSignal(() => this.first());
  protected readonly right = linkedSignal(() => this.ways().find((w) => w.way !== this.first())?.way ?? this.first());
  private readonly of = (way: Way): WayResult => this.ways().find((w) => w.way === way) ?? this.ways()[0]!;
  protected readonly rows = computed(() => compareWays(this.of(this.left()), this.of(this.right()), this.bench.job().thumb.wishes));
}
