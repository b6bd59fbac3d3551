import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { StudyKind } from '../../../core/ground/finding';
import { formatQuantity } from '../../../core/ground/quantity';
import {
  pinLevels,
  tapBasis,
  tapCases,
  tapProofFindings,
  tapResult,
  tapYield,
  type TapResult,
  type TapScatter,
} from '../../../core/rooms/sense';
import type { Sense } from '../../../core/ground/job';
import { Action } from '../../kit/action';
import { Bench } from '../../store/bench';
import type { StudyRow } from '../../store/database';
import { LongWork } from '../../store/long-work';
import { Simulator } from '../../store/simulator';
import { Studies } from '../../store/studies';
import { Num } from '../../ui/num';
import { UnderWay } from '../../ui/under-way';
import { TapWave } from './tap-wave';

const DRAWS = 10_000;
const CORNERS = { nominal: 'usual parts', slowest: 'those that tell it last' } as const;

/** Proof of a tap: its signal comes and goes in a circuit simulation beside the closed form; ten thousand taps from scattered parts. */
@Component({
  selector: 'gt-tap-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatProgressBar, Num, TapWave, UnderWay],
  templateUrl: './tap-panel.html',
})
export class TapPanel {
  readonly sense = input.required<Sense>();
  private readonly bench = inject(Bench);
  private readonly studies = inject(Studies);
  private readonly work = inject(LongWork);
  protected readonly simulator = inject(Simulator);
  protected readonly corners = CORNERS;
  private readonly drive = computed(() => this.bench.assessment().facts.drive);
  /** Key of the circuit as it stands; undefined where nothing can be simulated. */
  protected readonly basis = computed(() => this.drive() && tapBasis(this.sense(), this.drive()!));
  protected readonly levels = computed(() => pinLevels(this.drive()!));
  private readonly kept = (kind: StudyKind): StudyRow | undefined =>
    this.studies.of(this.bench.id()).find((s) => s.kind === kind && s.of === this.sense().id);
  protected readonly proof = computed(() => this.kept('tap'));
  protected readonly fresh = computed(() => this.proof() !== undefined && this.proof()!.basis === this.basis());
  protected readonly results = computed(() => (this.proof()?.result ?? []) as readonly TapResult[]);
  protected readonly agreement = computed(() => this.proof()?.findings[0]);
  protected readonly yieldOf = computed(() => {
    const kept = this.kept('tap-scatter');
    return kept && kept.basis === this.basis() ? tapYield(this.sense(), kept.result as TapScatter) : null;
  });
  /** The simulator is busy with this very tap. */
  protected readonly busy = computed(() => this.simulator.of() === this.sense().id);
  protected readonly rows = computed(() =>
    this.results().map((r) => ({
      corner: CORNERS[r.corner],
      values: [
        [r.read.on, r.form.on],
        [r.read.off, r.form.off],
      ].map(([read, form]) => `${formatQuantity(read!, 'V')} (${formatQuantity(form!, 'V')})`),
      times: [
        [r.read.seen, r.form.seen],
        [r.read.gone, r.form.gone],
      ].map(([read, form]) => `${said(read!)} (${said(form!)})`),
    })),
  );

  constructor() {
    const { simulator } = this;
    this.work.whenLeft('tap', (open) => simulator.left(open));
  }

  protected prove(): void {
    const [job, sense, drive, basis] = [this.bench.id(), this.sense(), this.drive()!, this.basis()!];
    void this.simulator.prove([job, sense.id], tapCases(sense, drive, this.bench.newId()), (traces) => {
      const results = traces.map(([c, trace]) => tapResult(c, drive, trace));
      const findings = tapProofFindings(sense, drive, results);
      this.studies.keep(job, { kind: 'tap', of: sense.id, basis, at: this.bench.now(), findings }, results);
      this.bench.editOf(job, {
        do: 'note',
        text: `proof of the tap of ${sense.name}: ${findings.map((f) => f.title).join('; ')}`,
      });
      void this.scatter(job, sense, basis);
    });
  }

  /** Taps from scattered parts; the seed belongs to the circuit, so that the same one gives the same draws. */
  private async scatter(job: string, sense: Sense, basis: string): Promise<void> {
    const drive = this.drive()!;
    const found = await this.work.do(
      job,
      { do: 'tap-scatter', sense, drive, draws: DRAWS, seed: parseInt(basis.slice(0, 7), 16) },
      sense.id,
    );
    // Stopped, or no worker: the proof stands without it.
    if (!found) return;
    const findings = [tapYield(sense, found)];
    this.studies.keep(job, { kind: 'tap-scatter', of: sense.id, basis, at: this.bench.now(), findings }, found);
  }
}

const said = (s: number | null): string => (s === null || !Number.isFinite(s) ? 'never' : formatQuantity(s, 's'));
