import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { answersTo, type Answer } from '../../../core/answers';
import { searchOf, storyFindings, type BrokenStory, type Stories } from '../../../core/stories';
import { WorldProblem } from '../../../core/world';
import { Action } from '../../kit/action';
import { Bench } from '../../store/bench';
import { Studies } from '../../store/studies';
import { Unanswered, WorkerClient } from '../../store/worker-client';
import type { StoryNews, StoryOrder } from '../../workers/story.worker';

/** The longest silence of a search before it is given up, ms. */
const LIMIT_MS = 60_000;

/** Stories searched: every way in which one or two things go wrong, held against what must never happen; answers one press away. */
@Component({
  selector: 'gt-stories-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatProgressBar],
  templateUrl: './stories-part.html',
})
export class StoriesPart {
  private readonly bench = inject(Bench);
  private readonly studies = inject(Studies);
  protected readonly share = signal<number | null>(null);
  protected readonly problem = signal('');
  private readonly client = new WorkerClient<StoryOrder, Stories, StoryNews>(
    () => new Worker(new URL('../../workers/story.worker', import.meta.url), { type: 'module' }),
  );
  private readonly target = computed(() => {
    try {
      return { search: searchOf(this.bench.seen().job, this.bench.assessment()), problem: '' };
    } catch (error) {
      if (!(error instanceof WorldProblem)) throw error;
      return { search: null, problem: `This cannot be run: ${error.message}.` };
    }
  });
  protected readonly search = computed(() => this.target().search);
  protected readonly cannot = computed(() => this.target().problem);
  protected readonly nevers = computed(() => this.search()?.scene.nevers ?? []);
  private readonly kept = computed(() => this.studies.of(this.bench.id()).find((s) => s.kind === 'stories'));
  protected readonly fresh = computed(() => this.kept() !== undefined && this.kept()!.basis === this.search()?.basis);
  protected readonly old = computed(() => this.kept() !== undefined && !this.fresh());
  protected readonly found = computed(() => (this.kept()?.result ?? null) as Stories | null);
  protected readonly count = computed(() => this.found()?.stories.toLocaleString('en') ?? '');
  protected readonly answers = computed((): readonly (readonly Answer[])[] =>
    this.fresh() ? this.found()!.broken.map((b) => answersTo(this.bench.seen().job, this.bench.assessment(), b)) : [],
  );

  protected async go(most: number): Promise<void> {
    const search = this.search();
    if (!search) return;
    const job = this.bench.id();
    this.problem.set('');
    this.share.set(0);
    try {
      const found = await this.client.ask(
        { search, most },
        { limitMs: LIMIT_MS, onNews: (n) => this.share.set(n.share) },
      );
      this.studies.keep(
        job,
        { kind: 'stories', of: '', basis: search.basis, at: this.bench.now(), findings: storyFindings(found) },
        found,
      );
      this.bench.edit({
        do: 'note',
        text: `searched ${found.stories} stories with up to ${most === 1 ? 'one thing' : 'two things'} going wrong: ${
          found.broken.length > 0
            ? found.broken.map((b) => `never ${b.never.words}, broken`).join('; ')
            : 'none breaks a condition'
        }`,
      });
    } catch (error) {
      if (!(error instanceof Unanswered && error.because === 'stopped'))
        this.problem.set(
          `The search came to no end: ${error instanceof Error ? error.message : 'no reason given'}. Try once more.`,
        );
    } finally {
      this.share.set(null);
    }
  }

  protected stop(): void {
    this.client.stop();
    this.share.set(null);
  }

  /** A story as faults on the lanes, in place of those that lie there. */
  protected pin(b: BrokenStory): void {
    this.bench.set('act', { faults: [...b.faults] }, `pinned: ${b.sentences[0]}`);
  }

  /** Takes an answer, and searches again as soon as the job is judged with it. */
  protected take(answer: Answer): void {
    this.bench.edit({ do: 'several', say: `answer: ${answer.words}`, edits: [answer.edit] });
  }
}
