import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { chanceFinding, howOften } from '../../../core/house/drill/chance';
import { POWER_WORDS } from '../../../core/house/drill/drill';
import { drillRecord } from '../../../core/house/drill/drill-findings';
import type { DrillResult } from '../../../core/house/drill/drill-job';
import { text } from '../../../core/ground/field';
import { studyId } from '../../../core/ground/finding';
import { HARM_WORDS, sayTime } from '../../../core/ground/job';
import { Action } from '../../kit/action';
import { FieldScope } from '../../kit/half-typed';
import { TextField } from '../../kit/text-field';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { Studies } from '../../store/studies';
import { Explain } from '../../ui/explain';
import { UnderWay } from '../../ui/under-way';

type Row = DrillResult['rows'][number];

/** The failure drill: what comes of each failure, in four states of power, what answers it, and who answers for the rest. */
@Component({
  selector: 'gt-drill-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, FieldScope, MatButton, TextField, UnderWay],
  templateUrl: './drill-part.html',
  styles:
    ':host { display: flex; flex-direction: column; gap: 14px; } ' +
    'article { border-bottom: 1px solid var(--gt-hairline); padding-bottom: 8px; }',
})
export class DrillPart {
  private readonly bench = inject(Bench);
  private readonly studies = inject(Studies);
  private readonly work = inject(LongWork);
  private readonly explain = inject(Explain);
  protected readonly by = signal('');
  protected readonly because = signal('');
  protected readonly byField = text('Who accepts it, by name', { most: 200 });
  protected readonly whyField = text('Because', { most: 400 });
  protected readonly busy = computed(() => this.work.share(this.bench.id(), 'drill') !== null);
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'drill'));
  protected readonly nevers = computed(() => this.bench.job().wish.nevers.length);
  protected readonly moves = computed(() => this.bench.job().act.moves.length);
  private readonly kept = computed(() => this.studies.of(this.bench.id()).find((s) => s.kind === 'drill'));
  protected readonly found = computed(() => (this.kept()?.result ?? null) as DrillResult | null);
  /** Whether what stands here is of the plan as it is now. */
  protected readonly fresh = computed(
    () => this.kept() !== undefined && this.bench.answer().fresh[studyId('drill', '')] !== false,
  );
  protected readonly empty = signal(false);

  protected async go(most: number): Promise<void> {
    const job = this.bench.id();
    const found = await this.work.do(job, { do: 'drill', job: this.bench.seen().job, most });
    this.empty.set(found === null && this.problem() === '');
    if (!found) return;
    this.studies.keep(
      job,
      { kind: 'drill', of: '', basis: found.basis, at: this.bench.now(), findings: found.findings },
      found,
    );
    const { told, stories } = found.found;
    this.bench.editOf(job, {
      do: 'set',
      at: 'guard',
      set: { drills: [drillRecord(found.found, found.findings, found.basis, this.bench.now())] },
      say: `failure drill: ${told} stories in four states of power, ${stories.length || 'none'} of them broken`,
    });
  }

  protected readonly accepted = (row: Row): string => {
    const job = this.bench.job();
    const a = job.guard.accepted.find((x) => x.id === row.id && x.basis === this.found()?.basis);
    return a ? `${a.by}, ${sayTime(a.at, job.region.timeZone)}${a.why ? `: ${a.why}` : ''}` : '';
  };
  protected readonly power = (row: Row): string =>
    row.story.power === 'both' ? '' : `It begins with ${POWER_WORDS[row.story.power]}.`;
  protected readonly chance = (row: Row): string => howOften(row.chance);
  protected readonly harm = (row: Row): string => {
    const { harm, whom } = row.story.story.never.never;
    return harm === 'unsaid' ? 'nobody said whom: taken for somebody' : whom || HARM_WORDS[harm];
  };
  protected readonly many = (n: number): string => n.toLocaleString('en');

  /** Opens how often a story may come about, with its arithmetic. */
  protected why(row: Row): void {
    if (row.chance) void this.explain.open(chanceFinding(row.id, row.chance));
  }

  /** Takes every answer of the smallest set as one edit. */
  protected takeAll(): void {
    const answers = this.found()?.set.answers ?? [];
    const say = `answers of the drill: ${answers.map((a) => a.words).join('; ')}`;
    this.bench.edit({ do: 'several', say, edits: answers.map((a) => a.edit) });
  }

  protected accept(row: Row): void {
    const { never } = row.story.story;
    this.bench.edit({
      do: 'accept',
      never: never.never.id,
      story: row.story.key,
      words: `never ${never.words}, ${row.story.story.sentences[0] ?? ''}`,
      by: this.by().trim(),
      why: this.because().trim(),
      basis: this.found()?.basis ?? '',
    });
  }

  protected notAfterAll(row: Row): void {
    this.bench.edit({ do: 'no-longer-accept', id: row.id, words: `never ${row.story.story.never.words}` });
  }

  /** A story as faults on the lanes, in place of those that lie there. */
  protected pin(row: Row): void {
    const { faults, sentences } = row.story.story;
    this.bench.set('act', { faults: [...faults] }, `pinned: ${sentences[0]}`);
  }
}
