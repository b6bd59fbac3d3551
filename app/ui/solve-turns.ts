import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import type { Finding, Verdict } from '../../core/ground/finding';
import type { JobEdit } from '../../core/ground/job';
import { formatQuantity } from '../../core/ground/quantity';
import type { Turns } from '../../core/house/turns/turns';
import { Action } from '../kit/action';
import { Bench } from '../store/bench';
import { LongWork } from '../store/long-work';
import { UnderWay } from './under-way';

const MAKES: Record<Verdict, string> = {
  settled: 'settles it',
  tight: 'makes it tight',
  stop: 'stops it',
  unknown: 'leaves it unknown',
};

/** What comes beside, as a part of a sentence; empty where nothing does. */
const told = (what: string, captions: readonly string[]): string =>
  captions.length === 0 ? '' : `; ${what}: ${captions.join(', ')}`;

/** What would turn a rating of the whole circuit, worked out when it is asked for. */
@Component({
  selector: 'gt-solve-turns',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, UnderWay],
  templateUrl: './solve-turns.html',
})
export class SolveTurns {
  private readonly bench = inject(Bench);
  private readonly work = inject(LongWork);
  readonly finding = input.required<Finding>();
  /** Another part was taken: what is shown is old. */
  readonly taken = output();
  private readonly result = signal<Turns | null>(null);
  protected readonly busy = computed(() => this.work.share(this.bench.id(), 'turns', this.finding().id) !== null);
  protected readonly problem = computed(() => this.work.problem(this.bench.id(), 'turns', this.finding().id));
  protected readonly turns = computed(() => {
    const t = this.result();
    return (
      t && {
        lines: t.values.map((v) => ({
          ...v,
          to: formatQuantity(v.to, v.unit),
          now: formatQuantity(v.now, v.unit),
          makes: MAKES[v.verdict],
          more: told('before that breaks', v.first) + told('it moves as well', v.moves),
        })),
        parts: t.parts.map((p) => ({ ...p, more: told('it moves as well', p.moves) })),
        none: `None of the ${t.looked} numbers around it turns it, whether it is a thousand times less or more.`,
        rest: t.all ? '' : `It was ended after ${t.looked} numbers; the others were not looked at.`,
      }
    );
  });

  constructor() {
    // Nobody waits for it once the sheet is closed.
    inject(DestroyRef).onDestroy(() => this.work.stop(this.bench.id(), 'turns', this.finding().id));
  }

  protected async ask(): Promise<void> {
    const id = this.finding().id;
    this.result.set(await this.work.do(this.bench.id(), { do: 'turns', job: this.bench.job(), id }, id));
  }

  protected take(edit: JobEdit): void {
    this.bench.edit(edit);
    this.taken.emit();
  }
}
