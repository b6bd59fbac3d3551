import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Action } from '../../kit/action';
import { formatQuantity } from '../../../core/ground/quantity';
import {
  agreementFinding,
  CORNER_WORDS,
  leastMarginFinding,
  proofCases,
  proofFindings,
  proofLevels,
  proofResult,
  proofSpan,
  proofTime,
  sensitivityFindings,
  toleranceFinding,
  type ProofResult,
  type ToleranceResult,
} from '../../../core/rooms/thumb';
import { provable, type Provable } from '../../../core/house/provable';
import type { StudyKind } from '../../../core/ground/finding';
import { wayPhrase } from '../../../core/build/ways';
import { Bench } from '../../store/bench';
import { LongWork } from '../../store/long-work';
import type { StudyRow } from '../../store/database';
import { Simulator } from '../../store/simulator';
import { Studies } from '../../store/studies';
import { Num } from '../../ui/num';
import { UnderWay } from '../../ui/under-way';
import { Draft } from './draft';
import { ProofWave } from './proof-wave';

const DRAWS = 10_000;

/** Proof of the chosen way: one press simulated as a circuit, with power-up, bounce and release, beside the closed form. */
@Component({
  selector: 'gt-proof-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatProgressBar, Num, ProofWave, UnderWay],
  templateUrl: './proof-panel.html',
})
export class ProofPanel {
  private readonly bench = inject(Bench);
  private readonly draft = inject(Draft);
  protected readonly prover = inject(Simulator);
  protected readonly corners = CORNER_WORDS;
  private readonly studies = inject(Studies);
  private readonly work = inject(LongWork);
  protected readonly pressId = computed(() => this.draft.press()?.id ?? '');
  /** The circuit of the press that is open; null where its way is none. */
  private readonly target = computed(() =>
    provable(this.bench.seen().job, this.bench.assessment(), this.draft.press()?.id ?? ''),
  );
  protected readonly context = computed(() => this.target()?.context ?? null);
  protected readonly levels = computed(() => (this.context() ? proofLevels(this.context()!) : null));
  private readonly kept = (kind: StudyKind): StudyRow | undefined =>
    this.studies.of(this.bench.id()).find((s) => s.kind === kind && s.of === this.draft.press()?.id);
  protected readonly proof = computed(() => this.kept('proof'));
  /** The proof is of this very circuit. */
  protected readonly fresh = computed(() => this.proof() !== undefined && this.proof()!.basis === this.target()?.basis);
  protected readonly results = computed(() => (this.proof()?.result ?? []) as readonly ProofResult[]);
  protected readonly agreement = computed(() => agreementFinding(this.results()));
  protected readonly agrees = computed(() => this.agreement().verdict === 'settled');
  protected readonly verdict = computed(() => {
    const bad = this.results().find((r) => r.read.steadyAfter === null || r.read.goneAfter === null);
    return bad
      ? `${CORNER_WORDS[bad.corner].replace('at', 'At')} the machine does not see the press come and go.`
      : 'The press is seen and gone in all three.';
  });

  protected readonly tolerance = computed(() => {
    const scatter = this.kept('scatter');
    return scatter && scatter.basis === this.target()?.basis ? (scatter.result as ToleranceResult) : null;
  });
  protected readonly yieldFinding = computed(() => this.tolerance() && toleranceFinding(this.tolerance()!));
  protected readonly marginFinding = computed(() => this.tolerance() && leastMarginFinding(this.tolerance()!));
  protected readonly rows = computed(() =>
    this.results().map((r) => ({
      ...r,
      findings: proofFindings(this.context()!, r),
      times: [
        proofTime(r, 'seenAfter'),
        proofSpan(r, 'pressEdge'),
        proofSpan(r, 'chatter'),
        proofTime(r, 'goneAfter'),
        proofSpan(r, 'releaseEdge'),
      ],
    })),
  );
  protected readonly movers = computed(() =>
    sensitivityFindings(this.tolerance()!)
      .filter((f) => f.value!.value > 0.5)
      .slice(0, 5),
  );

  constructor() {
    const { prover } = this;
    this.work.whenLeft('proof', (open) => prover.left(open));
  }

  protected prove(): void {
    const { context, way, basis } = this.target()!;
    const [job, of] = [this.bench.id(), this.draft.press()!.id];
    this.prover.prove([job, of], proofCases(context, way, this.bench.newId()), (traces) => {
      const results = traces.map(([c, trace]) => proofResult(context, c, trace));
      const findings = [agreementFinding(results), ...results.flatMap((r) => Object.values(proofFindings(context, r)))];
      this.studies.keep(job, { kind: 'proof', of, basis, at: this.bench.now(), findings }, results);
      void this.scatter(job, of, { context, way, basis });
      const worst = results.find((r) => r.corner === 'worst')!;
      const idle = results.find((r) => r.corner === 'idle')!;
      this.bench.editOf(job, {
        do: 'note',
        text:
          `proof of ${wayPhrase(way.way)}: pressed ${formatQuantity(worst.read.pressedVolts, 'V')} and ` +
          `idle ${formatQuantity(idle.read.idleVolts, 'V')} at their worst corners, ` +
          `${(100 * Math.max(...results.map((r) => r.apart))).toFixed(2)} % of supply from the closed ` +
          'form',
      });
    });
  }

  /** Joints from scattered parts; the seed belongs to the circuit, so that the same one gives the same draws. */
  private async scatter(job: string, of: string, { context, way, basis }: Provable): Promise<void> {
    const seed = parseInt(basis.slice(0, 7), 16);
    const found = await this.work.do(job, { do: 'scatter', context, way, draws: DRAWS, seed }, of);
    // Stopped, or no worker: the proof stands without it.
    if (!found) return;
    const findings = [toleranceFinding(found)];
    this.studies.keep(job, { kind: 'scatter', of, basis, at: this.bench.now(), findings }, found);
  }
}
