import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import type { Way } from '../../../core/ground/job';
import { compareWays } from '../../../core/rooms/thumb';
import { WAY_WORDS, type WayResult } from '../../../core/build/ways';
import { Bench } from '../../store/bench';

/** Any two ways side by side on this control; the better side of each line is marked. */
@Component({
  selector: 'gt-compare-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField],
  templateUrl: './compare-panel.html',
})
export class ComparePanel {
  private readonly bench = inject(Bench);
  readonly ways = input.required<readonly WayResult[]>();
  readonly first = input.required<Way>();
  protected readonly choices = computed(() => this.ways().map((w): Choice<Way> => [w.way, WAY_WORDS[w.way].name]));
  protected readonly left = linkedSignal(() => this.first());
  protected readonly right = linkedSignal(() => this.ways().find((w) => w.way !== this.first())?.way ?? this.first());
  private readonly of = (way: Way): WayResult => this.ways().find((w) => w.way === way) ?? this.ways()[0]!;
  protected readonly rows = computed(() =>
    compareWays(this.of(this.left()), this.of(this.right()), this.bench.job().bench.wishes),
  );
}
