import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { ChoiceField } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { QuantityField } from '../../kit/quantity-field';
import { loadsOf } from '../../../core/feed';
import { type FeedPlan, feedFields } from '../../../core/job';
import { formatQuantity } from '../../../core/quantity';
import { Bench } from '../../store/bench';
import { FindingList } from '../../ui/finding-list';
import type { Choice } from '../../kit/choice-field';
import { MarginRulers } from '../../ui/margin-rulers';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';

/** Feed: from one source to its loads, as bands whose width is current. */
@Component({
  selector: 'gt-feed-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceField, FindingList, MarginRulers, QuantityField, Settle, TextField, TwoColumns],
  templateUrl: './feed-room.html',
})
export class FeedRoom {
  protected readonly fields = feedFields;
  protected readonly bench = inject(Bench);
  protected readonly feed = computed(() => this.bench.job().feed);
  protected readonly isolation: readonly Choice<FeedPlan['isolated']>[] = [
    ['unknown', 'not said yet'],
    ['yes', 'yes, by its marks'],
    ['no', 'no'],
  ];
  protected readonly rails = computed((): Choice[] => [
    ['', 'a supply of its own'],
    ...this.bench.job().survey.rails.map((r): Choice => [r.id, `the machine’s rail ${r.name}`]),
  ]);
  protected readonly findings = computed(() => this.bench.findings('feed'));
  private readonly loads = computed(() => loadsOf(this.bench.seen().job, this.bench.assessment().facts));
  protected readonly say = (amps: number): string => formatQuantity(amps, 'A');
  protected readonly bands = computed(() => {
    const loads = this.loads();
    const thick = scaleLinear([0, Math.max(...loads.map((l) => l.peakAmps), this.feed().amps ?? 0, 0.01)], [1.5, 52]);
    let from = 52;
    return loads.map((l, i) => {
      const y = 62 + i * 62;
      const [peak, mean] = [thick(l.peakAmps), thick(l.meanAmps)];
      const flow = (w: number, source: number): string =>
        `M0 ${source}C180 ${source} 200 ${y - w / 2} 400 ${y - w / 2}V${y + w / 2}C200 ${y + w / 2} 180 ${source + w} 0 ${source + w}Z`;
      const band = {
        name: l.name,
        mean: this.say(l.meanAmps),
        peak: this.say(l.peakAmps),
        y: y - 2,
        path: flow(peak, from),
        meanPath: flow(mean, from + (peak - mean) / 2),
      };
      from += peak + 4;
      return band;
    });
  });
  protected readonly label = computed(() =>
    this.bands()
      .map((b) => `${b.name}: mean ${b.mean}, peak ${b.peak}`)
      .join('; '),
  );

  protected set(set: Partial<FeedPlan>, say?: string): void {
    this.bench.set('feed', set, say);
  }
}
