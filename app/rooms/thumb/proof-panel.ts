import { MatButton } from '@angular/material/button';
import { MatProgressBar } from '@angular/material/progress-bar';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Action } from '../../kit/action';
import { formatQuantity, seededRandom } from '../../../core/quantity';
import {
  agreementFinding,
  CORNER_WORDS,
  chosenWay,
  leastMarginFinding,
  proofCases,
  proofFindings,
  proofLevels,
  proofSpan,
  proofTime,
  sensitivityFindings,
  toleranceFinding,
  toleranceOf,
  wayContext,
  type ProofResult,
  type ToleranceResult,
} from '../../../core/thumb';
import { isJointWay } from '../../../core/job';
import { presser, wayPhrase } from '../../../core/ways';
import { Bench } from '../../store/bench';
import { Num } from '../../ui/num';
import { ProofWave } from './proof-wave';
import { Prover } from './prover';

const DRAWS = 10_000;

/** Proof of the chosen way: one press simulated as a circuit, with power-up, bounce and release, beside the closed form. */
@Component({
  selector: 'gt-proof-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatProgressBar, Num, ProofWave],
  templateUrl: './proof-panel.html',
})
export class ProofPanel {
  private readonly bench = inject(Bench);
  protected readonly prover = inject(Prover);
  protected readonly corners = CORNER_WORDS;
  /** What presses: the chosen way, or the one that it borrows. */
  private readonly target = computed(() => {
    const chosen = chosenWay(this.bench.seen().job, this.bench.assessment().ways);
    const c = wayContext(this.bench.seen().job, this.bench.assessment().facts);
    return chosen && c ? presser(c, chosen) : null;
  });
  private readonly way = computed(() => this.target()?.way ?? null);
  protected readonly context = computed(() => {
    const c = this.target()?.context;
    return c?.line && this.way()?.applies && isJointWay(this.way()!.way) ? c : null;
  });
  protected readonly levels = computed(() => (this.context() ? proofLevels(this.context()!) : null));
  /** The joint as text: a proof holds for this very one. */
  private readonly key = computed(() =>
    this.context()
      ? proofCases(this.context()!, this.way()!, 'key')
          .map((c) => c.netlist)
          .join('\n')
      : '',
  );
  protected readonly fresh = computed(() => this.prover.results().length > 0 && this.prover.provenKey() === this.key());
  protected readonly agreement = computed(() => agreementFinding(this.prover.results()));
  protected readonly agrees = computed(() => this.agreement().verdict === 'settled');
  protected readonly verdict = computed(() => {
    const bad = this.prover.results().find((r) => r.read.steadyAfter === null || r.read.goneAfter === null);
    return bad
      ? `${CORNER_WORDS[bad.corner].replace('at', 'At')} the machine does not see the press come and go.`
      : 'The press is seen and gone in all three.';
  });

  private readonly scatter = signal<ToleranceResult | null>(null);
  protected readonly tolerance = computed(() => (this.fresh() ? this.scatter() : null));
  protected readonly yieldFinding = computed(() => this.tolerance() && toleranceFinding(this.tolerance()!));
  protected readonly marginFinding = computed(() => this.tolerance() && leastMarginFinding(this.tolerance()!));
  protected readonly rows = computed(() =>
    this.prover.results().map((r) => ({
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

  protected prove(): void {
    const context = this.context()!;
    const way = this.way()!;
    this.prover.prove(
      context,
      proofCases(context, way, this.bench.newId()),
      this.key(),
      (results: readonly ProofResult[]) => {
        // The seed belongs to the joint, so that the same joint gives the same draws.
        this.scatter.set(toleranceOf(context, way, DRAWS, seededRandom(this.key().length)));
        const worst = results.find((r) => r.corner === 'worst')!;
        const idle = results.find((r) => r.corner === 'idle')!;
        this.bench.edit({
          do: 'note',
          text:
            `proof of ${wayPhrase(way.way)}: pressed ${formatQuantity(worst.read.pressedVolts, 'V')} and ` +
            `idle ${formatQuantity(idle.read.idleVolts, 'V')} at their worst corners, ` +
            `${(100 * Math.max(...results.map((r) => r.apart))).toFixed(2)} % of supply from the closed ` +
            'form',
        });
      },
    );
  }
}
