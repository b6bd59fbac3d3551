import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { clockText } from '../../../core/ground/quantity';
import type { Pressed, RehearsedLane } from '../../../core/house/rehearsed';
import { Action } from '../../kit/action';
import { pickFiles } from '../../kit/pick-files';
import { Bench } from '../../store/bench';
import { Rehearser } from '../../store/rehearser';
import { FindingList } from '../../ui/finding-list';
import { TwoColumns } from '../../ui/two-columns';
import { PackNav } from './pack-nav';
import { RehearsalLanes } from './rehearsal-lanes';

/** A program of the maker's own may be so long, bytes. */
const MOST_BYTES = 200_000;
/** Rows of a list that are shown. */
const MOST_ROWS = 60;

/** A press, as it was planned and as the file made it. */
interface PressRow {
  readonly key: string;
  readonly name: string;
  readonly planned: string;
  readonly found: string;
  readonly apart: boolean;
}

const clock = (ms: number): string => {
  const seconds = (ms / 1000) % 60;
  return `${clockText(Math.floor(ms / 60_000))}:${seconds.toFixed(3).padStart(6, '0')}`;
};
const say = (span: readonly [number, number] | undefined): string =>
  span ? `${clock(span[0])}, ${span[1] < Infinity ? `${(span[1] - span[0]) / 1000} s` : 'and stays'}` : 'none';

function rowsOf(lane: RehearsedLane): PressRow[] {
  const nearest = (spans: Pressed, at: number): readonly [number, number] | undefined =>
    spans.find(([from]) => Math.abs(from - at) < 5000);
  const apart = (a: readonly [number, number] | undefined, b: readonly [number, number] | undefined): boolean =>
    !a || !b || Math.abs(a[0] - b[0]) > 3000;
  return [
    ...lane.planned.map((p) => ({ at: p[0], planned: p, found: nearest(lane.found, p[0]) })),
    ...lane.found.filter((f) => !nearest(lane.planned, f[0])).map((f) => ({ at: f[0], planned: undefined, found: f })),
  ]
    .sort((x, y) => x.at - y.at)
    .map(({ at, planned, found }) => ({
      key: `${lane.name} ${lane.pin} ${at}`,
      name: lane.name,
      planned: say(planned),
      found: say(found),
      apart: apart(planned, found),
    }));
}

/** The packed file itself, run for a day on a bench of virtual time beside the plan; or a program of the maker's own in its place. */
@Component({
  selector: 'gt-rehearsal-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, FindingList, MatButton, MatProgressBar, PackNav, RehearsalLanes, TwoColumns],
  templateUrl: './rehearsal-part.html',
})
export class RehearsalPart {
  protected readonly bench = inject(Bench);
  protected readonly rehearser = inject(Rehearser);
  protected readonly done = computed(() => {
    const done = this.rehearser.done();
    return done?.job.id === this.bench.id() ? done : null;
  });
  protected readonly percent = computed(() => {
    const share = this.rehearser.share();
    return share === null ? null : Math.floor(100 * share);
  });
  protected readonly old = computed(() => this.done() !== null && this.done()?.job !== this.bench.job());
  protected readonly rows = computed(() => this.done()?.result.lanes.flatMap(rowsOf) ?? []);
  protected readonly shown = computed(() => this.rows().slice(0, MOST_ROWS));
  protected readonly told = computed(() => this.done()?.result.ran.told.slice(0, MOST_ROWS) ?? []);
  protected readonly printed = computed(() => this.done()?.result.ran.printed.slice(0, MOST_ROWS) ?? []);
  protected readonly findings = computed(() =>
    this.bench.findings('pack').filter((f) => f.id === 'pack.program' || f.id === 'pack.python'),
  );
  protected readonly clock = clock;
  /** What it comes to, in one sentence. */
  protected readonly verdict = computed((): { readonly good: boolean; readonly words: string } | null => {
    const done = this.done();
    if (!done) return null;
    const { ran, parting } = done.result;
    const file = done.own || 'main.py';
    if (ran.end !== 'time')
      return {
        good: false,
        words: `${file} ended at ${clock(ran.at)}: ${ran.failure}${ran.line === null ? '' : `, line ${ran.line}`}.`,
      };
    if (parting)
      return {
        good: false,
        words:
          `${file} and the plan part at ${clock(parting.at)}: ${parting.name} is to be ` +
          `${parting.planned ? 'pressed' : 'let go'} then${parting.line === null ? '' : `; its pin stands in line ${parting.line}`}.`,
      };
    const presses = done.result.lanes.reduce((n, l) => n + l.found.length, 0);
    const came =
      presses === 0
        ? 'nothing of this day asks for a press and none was made, so that it shows nothing of the moves'
        : presses === 1
          ? 'its one press came when the plan has it'
          : `all ${presses} presses came when the plan has them`;
    return { good: true, words: `${file} ran for a whole day: ${came}.` };
  });
  /** The line that is named, as it stands in the file. */
  protected readonly line = computed(() => {
    const done = this.done();
    const number = done?.result.ran.line ?? done?.result.parting?.line ?? null;
    return number === null ? '' : `${number}  ${done?.text.split('\n')[number - 1] ?? ''}`;
  });

  protected run(): void {
    void this.rehearser.rehearse(this.bench.job(), null);
  }

  protected async pick(): Promise<void> {
    const [file] = await pickFiles('.py,text/x-python,text/plain');
    if (!file) return;
    if (file.size > MOST_BYTES) {
      this.rehearser.problem.set(
        `${file.name} has ${Math.round(file.size / 1000)} kB; a program of at most ${MOST_BYTES / 1000} kB is taken.`,
      );
      return;
    }
    void this.rehearser.rehearse(this.bench.job(), { name: file.name, text: await file.text() });
  }
}
