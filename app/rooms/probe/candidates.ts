import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { sayPlace, sayValue, type Job, type Reading } from '../../../core/ground/job';
import {
  againstLeader,
  assumptions,
  chanceWords,
  contactView,
  KIND_WORDS,
  kindNames,
  misfitWords,
  parameterUnit,
  PARAMETER_WORDS,
  STILL_COUNTS,
  STRANGER_CALLED,
  strongestReading,
  type SeenSurvey,
} from '../../../core/rooms/probe';
import { STRANGER_KINDS } from '../../../core/engines/circuit';
import type { Finding } from '../../../core/ground/finding';
import { formatQuantity } from '../../../core/ground/quantity';
import { Prose } from '../../ui/prose';
import { Num } from '../../ui/num';

const MOST_BARS = 5;
const MOST_STRUCK = 5;

/** The candidates as bars with their evidence; the excluded ones struck through with the reading that spoke against them. */
@Component({
  selector: 'gt-candidates',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Num, Prose],
  styles:
    'p { margin: 0.6rem 0; } ul.remainder { display: flex; flex-direction: column; } ul.remainder ' +
    '.leads { order: -1; } em { display: block; font-style: normal; font-size: 0.85em; }',
  templateUrl: './candidates.html',
})
export class Candidates {
  readonly survey = input.required<SeenSurvey>();
  readonly readings = input.required<readonly Reading[]>();
  readonly findings = input.required<readonly Finding[]>();
  readonly job = input.required<Job>();

  /** The remainder stands beside the kinds once it counts. */
  protected readonly other = computed(() => {
    const { probability } = this.survey().remainder;
    return probability < STILL_COUNTS
      ? null
      : {
          percent: 100 * probability,
          text: `${Math.max(1, Math.round(100 * probability))} %`,
          finding: this.survey().remainder.leads ? this.finding('kind') : undefined,
          evidence: this.noneWords(),
        };
  });
  /** What speaks for none of the kinds, or what it would be then. */
  private noneWords(): string {
    const survey = this.survey();
    const { as, leads } = survey.remainder;
    if (as) return `goes together as ${STRANGER_CALLED[as]}: ${KIND_WORDS[as].means}`;
    const misfits = leads ? misfitWords(this.job(), survey) : [];
    if (misfits.length > 0) return `fits nothing: ${misfits.join('; ')}`;
    const likely = STRANGER_KINDS.filter((k) => survey.posterior.kinds[k] >= STILL_COUNTS)
      .sort((a, b) => survey.posterior.kinds[b] - survey.posterior.kinds[a])
      .map((k) => `${KIND_WORDS[k].name} ${Math.max(1, Math.round(100 * survey.posterior.kinds[k]))} %`);
    return likely.length > 0 ? likely.join(', ') : 'or built in a way not foreseen';
  }
  protected readonly assumed = computed(() => assumptions(this.job(), this.survey()));
  protected readonly against = computed(() => {
    const a = this.readings().length > 1 ? againstLeader(this.job(), this.survey()) : null;
    return a && `${sayPlace(a.reading)}, ${sayValue(a.reading)} fits ${KIND_WORDS[a.for].name} better`;
  });
  /** Whether a bare contact would do, although the kind is open. */
  protected readonly contact = computed(() => {
    const v = contactView(this.job(), this.survey());
    if (v.suits && !v.apart)
      return `A bare contact would press every kind still possible: ${kindNames(v.kinds)}. Isolation from mains comes first.`;
    if (v.suits)
      return `A bare contact works for every kind still possible: ${kindNames(v.kinds)}. It is worth going on with one, any way round.`;
    if (v.notFor.length === 0)
      return 'A bare contact would work for every kind that is left, once it is surer that it is one of them.';
    return `A bare contact would not do if it is ${kindNames(v.notFor)}.`;
  });

  private finding(key: string): Finding | undefined {
    return this.findings().find((f) => f.id === `probe.${this.survey().control}.${key}`);
  }

  /** A handful of bars; the rest of what is possible in one line. */
  private readonly shown = computed(() =>
    this.survey().candidates.filter((c, i) => c.probability >= STILL_COUNTS && i < MOST_BARS),
  );
  protected readonly lesser = computed(() =>
    this.survey()
      .candidates.slice(MOST_BARS)
      .filter((c) => c.probability >= STILL_COUNTS)
      .map((c) => `${KIND_WORDS[c.kind].name} ${Math.max(1, Math.round(100 * c.probability))} %`)
      .join(', '),
  );
  protected readonly bars = computed(() =>
    this.shown().map((c, i) => {
      const r = strongestReading(this.survey(), this.readings(), c.kind, i > 0 ? 'against' : 'for');
      return {
        kind: c.kind,
        name: KIND_WORDS[c.kind].name,
        finding: i === 0 && !this.survey().remainder.leads ? this.finding('kind') : undefined,
        percent: 100 * c.probability,
        text: `${c.probability > 0.995 ? '> 99' : Math.round(100 * c.probability)} %`,
        words: chanceWords(c.probability),
        evidence: r
          ? `${sayPlace(r)}, ${sayValue(r)} ${i > 0 ? 'speaks against' : 'speaks for'}`
          : KIND_WORDS[c.kind].means,
      };
    }),
  );
  private readonly excluded = computed(() => this.survey().candidates.filter((c) => c.probability < STILL_COUNTS));
  protected readonly moreStruck = computed(() => Math.max(0, this.excluded().length - MOST_STRUCK));
  protected readonly struck = computed(() =>
    this.excluded()
      .slice(0, MOST_STRUCK)
      .map((c) => {
        const r = strongestReading(this.survey(), this.readings(), c.kind, 'against');
        return { name: KIND_WORDS[c.kind].name, against: r ? `${sayPlace(r)}, ${sayValue(r)}` : '' };
      }),
  );
  protected readonly values = computed(() =>
    Object.entries(this.survey().candidates[0]!.estimates).map(([key, e]) => ({
      name: PARAMETER_WORDS[key] ?? key,
      finding: this.finding(key),
      range: `${formatQuantity(e.value.low, parameterUnit(key))} to ${formatQuantity(e.value.high, parameterUnit(key))}`,
    })),
  );
}
