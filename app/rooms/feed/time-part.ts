import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import { Action } from '../../kit/action';
import { axisTicks } from '../../kit/axis';
import { CheckField } from '../../kit/check-field';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { FieldScope } from '../../kit/half-typed';
import { QuantityField } from '../../kit/quantity-field';
import { TextField } from '../../kit/text-field';
import { curveOf } from '../../../core/rooms/feed';
import { freeNodeId, freshGroup, groupFields, type FeedGroup } from '../../../core/ground/job';
import { formatQuantity } from '../../../core/ground/quantity';
import { Bench } from '../../store/bench';
import { DropButton } from '../../ui/drop-button';
import { TakeAway } from '../../ui/take-away';
import { FeedRehearsal } from './rehearsal';

/** Current out of a source over a course against what it may give, volts at the controller below; and the groups that move together. */
@Component({
  selector: 'gt-time-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, CheckField, ChoiceField, DropButton, FieldScope, MatButton, QuantityField, TextField],
  templateUrl: './time-part.html',
  styles:
    ':host { display: flex; flex-direction: column; gap: 14px; } ' +
    '.thing { border-bottom: 1px solid var(--gt-hairline); padding: 10px 0; display: flex; flex-direction: column; gap: 6px; }',
})
export class TimePart {
  private readonly bench = inject(Bench);
  private readonly feed = inject(FeedRehearsal);
  private readonly taker = inject(TakeAway);
  protected readonly fields = groupFields;
  protected readonly picked = signal('');
  protected readonly from = signal('');
  protected readonly groups = computed(() => this.bench.job().feed.groups);
  protected readonly presses = computed(() => this.bench.job().presses);
  protected readonly courses = computed(() =>
    this.feed
      .rehearsal()
      .courses.filter((c) => c.id !== 'rest')
      .map((c): Choice => [c.id, c.name]),
  );
  protected readonly course = computed(
    () => this.courses().find(([id]) => id === this.picked())?.[0] ?? this.courses()[0]?.[0] ?? '',
  );
  protected readonly sources = computed(() => this.feed.job().feed.sources.map((s): Choice => [s.id, s.name]));
  protected readonly source = computed(
    () => this.sources().find(([id]) => id === this.from())?.[0] ?? this.sources()[0]?.[0] ?? '',
  );
  protected readonly chart = computed(() => {
    const r = this.feed.rehearsal();
    const course = r.courses.findIndex((c) => c.id === this.course());
    const source = r.tree.at.get(this.source()) ?? -1;
    if (course < 0 || source < 0) return null;
    const points = curveOf(r, course, source);
    const last = points.at(-1);
    if (!last) return null;
    const first = this.source() === this.feed.job().feed.sources[0]?.id;
    const findings = this.bench.findings('feed');
    const limit =
      findings.find((f) => f.id === (first ? 'feed.peak' : `feed.peak@${this.source()}`))?.limit?.value ?? null;
    const least = findings.find((f) => f.id === 'feed.least-volts')?.limit?.value ?? null;
    const end = last.at + last.seconds;
    const x = scaleLinear([0, end], [70, 680]);
    const amps = scaleLinear([0, Math.max(limit ?? 0, ...points.map((p) => p.amps)) * 1.1], [178, 22]);
    const all = [...points.map((p) => p.volts), ...(least === null ? [] : [least])].filter((v) => !Number.isNaN(v));
    const volts = scaleLinear([Math.min(...all) * 0.98, Math.max(...all) * 1.02], [266, 196]);
    const steps = [...points, { ...last, at: end, seconds: 0 }];
    const worst = points.reduce((a, b) => (b.amps > a.amps ? b : a));
    return {
      times: axisTicks(x, 's'),
      amps: axisTicks(amps, 'A', 4),
      volts: axisTicks(volts, 'V', 2),
      area:
        area<(typeof steps)[number]>(
          (p) => x(p.at),
          amps(0),
          (p) => amps(p.amps),
        ).curve(curveStepAfter)(steps) ?? '',
      line:
        line<(typeof steps)[number]>(
          (p) => x(p.at),
          (p) => volts(p.volts),
        )
          .defined((p) => !Number.isNaN(p.volts))
          .curve(curveStepAfter)(steps) ?? '',
      limit: limit === null ? null : amps(limit),
      limitWords: limit === null ? '' : `may give ${formatQuantity(limit, 'A')}`,
      least: least === null ? null : volts(least),
      leastWords: least === null ? '' : `controller runs from ${formatQuantity(least, 'V')}`,
      worst: `Most: ${formatQuantity(worst.amps, 'A')}, ${formatQuantity(worst.at, 's')} after it begins.`,
      label:
        `Current out of the supply over ${formatQuantity(end, 's')}: most ${formatQuantity(worst.amps, 'A')} ` +
        `at ${formatQuantity(worst.at, 's')}; volts at the controller: least ` +
        formatQuantity(Math.min(...points.map((p) => p.volts)), 'V'),
    };
  });

  protected set(g: FeedGroup, set: Partial<FeedGroup>): void {
    this.bench.put('feed.groups', { ...g, ...set });
  }
  protected member(g: FeedGroup, press: string, on: boolean): void {
    this.set(g, { presses: on ? [...g.presses, press] : g.presses.filter((p) => p !== press) });
  }
  protected drop(g: FeedGroup): void {
    this.taker.drop(g.name, 'feed.groups', g.id);
  }
  protected add(): void {
    const { feed, presses } = this.bench.job();
    const id = freeNodeId(feed, 'group');
    const name = id === 'group' ? 'together' : `together ${id.slice(6)}`;
    this.bench.put('feed.groups', { ...freshGroup(id, name), presses: presses.map((p) => p.id) }, `group ${name}`);
    this.picked.set(`group.${id}`);
  }
}
