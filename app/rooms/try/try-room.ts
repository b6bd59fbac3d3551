import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { FormControl } from '@angular/forms';
import { Icon } from '../../kit/icon';
import { Table, type Column } from '../../kit/table';
import { ChoiceField, type Choice } from '../../kit/choice-field';
import { TextField } from '../../kit/text-field';
import { Action, Row } from '../../kit/action';
import { notRehearsed, runOnStandin } from '../../../core/house/standin-run';
import { sheetFields, type Trial, sayTime } from '../../../core/ground/job';
import { seededRandom } from '../../../core/ground/quantity';
import {
  basisOf,
  progressOf,
  SIGN_OFF,
  signOffBlocked,
  stillCounts,
  testSheet,
  type StepProgress,
} from '../../../core/rooms/try';
import { Bench } from '../../store/bench';
import { isFree } from '../../ui/free-key';
import { HandsBusy } from '../../store/hands-busy';
import { FindingList } from '../../ui/finding-list';
import { Glyph } from '../../ui/glyph';
import { Settle } from '../../ui/settle';
import { TwoColumns } from '../../ui/two-columns';
import { PaperSheet } from './paper-sheet';
import { Voice } from '../../ui/voice';

const VERDICT = { passed: 'settled', rehearsed: 'tight', failed: 'stop', open: 'unknown' } as const;
const LEVELS = [0.9, 0.95, 0.99, 0.999].map((x): Choice<number> => [x, `${100 * x} %`]);

/** Try: the test sheet, one step large, the rest small; a stopwatch on the space bar. */
@Component({
  selector: 'gt-try-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Action,
    ChoiceField,
    FindingList,
    Glyph,
    Icon,
    MatButton,
    PaperSheet,
    Row,
    Settle,
    Table,
    TextField,
    TwoColumns,
  ],
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './try-room.html',
})
export class TryRoom {
  protected readonly bench = inject(Bench);
  protected readonly verdict = VERDICT;
  protected readonly levels = LEVELS;
  /** Whether the sheet on paper is blank. */
  protected readonly blank = signal(false);
  protected readonly idOf = (t: { readonly id: string }): string => t.id;
  protected readonly columns: readonly Column<ReturnType<typeof this.results>[number]>[] = [
    { key: 'when', head: 'when', text: (t) => t.when },
    { key: 'title', head: 'check', text: (t) => t.title },
    { key: 'observed', head: 'observed', text: (t) => `${t.observed}${t.void ? ' (void since a change)' : ''}` },
    { key: 'on', head: 'on, by', text: (t) => t.on },
  ];
  protected readonly picked = signal('');
  protected readonly running = signal(false);
  protected readonly seconds = signal(0);
  protected readonly fields = sheetFields;
  protected readonly seen = new FormControl('', { nonNullable: true });
  private timer: ReturnType<typeof setInterval> | undefined;
  protected readonly findings = computed(() => this.bench.findings('try'));
  protected readonly summary = computed(() =>
    this.findings().filter((f) => f.id === 'try.sheet' || f.id === 'try.success-run' || f.verdict === 'stop'),
  );
  protected readonly progress = computed(() =>
    progressOf(this.bench.job(), testSheet(this.bench.seen().job, this.bench.assessment().proveDead)),
  );
  protected readonly index = computed(() => {
    const list = this.progress();
    const chosen = list.findIndex((p) => p.step.id === this.picked());
    return chosen >= 0 ? chosen : list.findIndex((p) => p.state !== 'passed');
  });
  protected readonly now = computed(() => this.progress()[this.index()]);
  protected readonly notRehearsed = computed(() => notRehearsed(this.bench.seen().job, this.bench.assessment()));
  protected readonly standin = computed(() => this.bench.job().standin.model !== 'none');
  protected readonly watch = computed(() => `${this.seconds().toFixed(1)} s`);
  protected readonly results = computed(() =>
    [...this.bench.job().trials]
      .reverse()
      .slice(0, 100)
      .map((t) => ({
        void: !stillCounts(this.bench.job(), t),
        id: t.id,
        when: sayTime(t.at, this.bench.job().region.timeZone).slice(5),
        title: this.progress().find((p) => p.step.id === t.step)?.step.title ?? t.step,
        observed: t.observed,
        on: `${t.on === 'standin' ? 'on the stand-in' : 'on the machine'}${t.by ? `, ${t.by}` : ''}`,
      })),
  );
  private readonly basis = computed(() => basisOf(this.bench.job()));
  protected readonly sheet = computed(() => this.bench.findings('try').find((f) => f.id === 'try.sheet'));
  /** Why nobody may sign off now; empty where somebody may. */
  protected readonly blocked = computed(() =>
    signOffBlocked(this.bench.job(), this.bench.assessment().proveDead, this.bench.assessment().findings),
  );

  private readonly busy = inject(HandsBusy);

  constructor() {
    const voice = inject(Voice);
    effect(() => {
      const p = this.now();
      if (this.busy.on() && p) voice.say(`${p.step.title}. ${p.step.how} Expected: ${p.step.expected}`);
      else voice.hush();
    });
    inject(DestroyRef).onDestroy(() => clearInterval(this.timer));
  }

  protected readonly last = (p: StepProgress): string => p.trials[p.trials.length - 1]?.observed ?? '';

  private keep(p: StepProgress, trial: Pick<Trial, 'count' | 'failed' | 'observed' | 'on'>): void {
    const outcome = trial.failed === 0 ? 'as-expected' : 'not-as-expected';
    const full: Trial = {
      id: this.bench.newId(),
      step: p.step.id,
      at: this.bench.now(),
      outcome,
      by: this.bench.job().sheet.by,
      basis: this.basis(),
      ...trial,
    };
    this.bench.edit({
      do: 'add-trial',
      trial: full,
      say: `${p.step.title}: ${trial.observed}${trial.on === 'standin' ? ', on the stand-in' : ''}`,
    });
    if (outcome === 'as-expected' && p.done + trial.count >= p.step.wanted) this.picked.set('');
    this.seconds.set(0);
  }

  protected answer(p: StepProgress, good: boolean, count: number): void {
    if (good && p.step.id === SIGN_OFF && this.blocked()) return;
    const words = this.seen.value.trim();
    const timed = this.seconds() > 0 ? `, ${this.watch()} by stopwatch` : '';
    this.keep(p, {
      count,
      failed: good ? 0 : count,
      on: 'hand',
      observed: `${words || (good ? 'as expected' : 'not as expected')}${timed}`,
    });
    this.seen.setValue('');
  }

  protected run(p: StepProgress): void {
    const { seed } = this.bench.job().standin;
    const out = runOnStandin(
      this.bench.seen().job,
      this.bench.assessment(),
      p.step.id,
      Math.max(1, p.step.wanted - p.done),
      seededRandom(seed * 104729 + this.bench.job().trials.length),
    );
    this.keep(p, { ...out, on: 'standin' });
    // A rehearsal goes on with what can still be rehearsed; then the sheet begins anew, on the machine.
    if (out.failed === 0)
      this.picked.set(
        this.progress().find(
          (x) => x.step.onStandin && x.step.id !== p.step.id && x.state !== 'passed' && x.state !== 'rehearsed',
        )?.step.id ?? '',
      );
  }

  /** The sheet alone goes on paper, without the room around it. */
  protected print(blank: boolean): void {
    this.blank.set(blank);
    document.body.classList.add('sheet-alone');
    addEventListener('afterprint', () => document.body.classList.remove('sheet-alone'), { once: true });
    // The sheet is drawn before the printer looks.
    setTimeout(() => window.print());
  }

  protected level(key: 'reliability' | 'confidence', value: number): void {
    this.bench.set('sheet', { [key]: value }, `${key} to show: ${100 * value} %`);
  }

  protected toggleWatch(): void {
    clearInterval(this.timer);
    if (this.running()) return this.running.set(false);
    this.running.set(true);
    const began = performance.now() - 1000 * this.seconds();
    this.timer = setInterval(() => this.seconds.set((performance.now() - began) / 1000), 50);
  }

  protected key(event: KeyboardEvent): void {
    if (!isFree(event.target)) return;
    const p = this.now();
    if (event.key === ' ') this.toggleWatch();
    else if (this.busy.on() && p && (event.key === 'PageDown' || event.key === 'Enter')) this.answer(p, true, 1);
    else return;
    event.preventDefault();
  }
}
