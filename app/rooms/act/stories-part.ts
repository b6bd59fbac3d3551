import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { StoryAnswer } from '../../../core/house/answers';
import type { TriedAnswers } from '../../../core/house/tried-answers';
import { searchedWords, searchOf, storyFindings, type BrokenStory, type Stories } from '../../../core/house/stories';
import { WorldProblem } from '../../../core/engines/world';
import { Action } from '../../kit/action';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import { Studies } from '../../store/studies';
import { UnderWay } from '../../ui/under-way';

/** Stories searched: every way in which one or two things go wrong, held against what must never happen; answers one press away. */
@Component({
  selector: 'gt-stories-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, UnderWay],
  templateUrl: './stories-part.html',
})
export class StoriesPart {
  private readonly bench = inject(Bench);
  private readonly studies = inject(Studies);
  private readonly work = inject(LongWork);
  protected readonly busy = computed(() => this.work.share(this.bench.id(), 'stories') !== null);
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'stories'));
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
  protected readonly found = computed(
    () => (this.kept()?.result ?? null) as (Stories & { readonly answers?: readonly TriedAnswers[] }) | null,
  );
  protected readonly count = computed(() => this.found()?.stories.toLocaleString('en') ?? '');
  /** What answers each story, as it was tried with the search. */
  protected readonly answers = computed(() => (this.fresh() ? (this.found()?.answers ?? []) : []));

  protected async go(most: number): Promise<void> {
    const search = this.search();
    if (!search) return;
    const job = this.bench.id();
    const found = await this.work.do(job, { do: 'stories', job: this.bench.seen().job, search, most });
    if (!found) return;
    this.studies.keep(
      job,
      {
        kind: 'stories',
        of: '',
        basis: search.basis,
        at: this.bench.now(),
        findings: storyFindings(found, found.answers),
      },
      found,
    );
    this.bench.editOf(job, { do: 'note', text: searchedWords(found) });
  }

  protected unanswered(tried: TriedAnswers): string {
    const many =
      tried.leave === 1 ? 'one change was tried and leaves it' : `${tried.leave} changes were tried and leave it`;
    const rest = tried.untried ? `; ${tried.untried} were not tried` : '';
    return tried.leave + tried.untried === 0
      ? 'No ready change answers it.'
      : `No ready change answers it: ${many}${rest}.`;
  }

  /** A story as faults on the lanes, in place of those that lie there. */
  protected pin(b: BrokenStory): void {
    this.bench.set('act', { faults: [...b.faults] }, `pinned: ${b.sentences[0]}`);
  }

  /** Takes an answer, and searches again as soon as the job is judged with it. */
  protected take(answer: StoryAnswer): void {
    this.bench.edit({ do: 'several', say: `answer: ${answer.words}`, edits: [answer.edit] });
  }
}
