import { Injectable, signal } from '@angular/core';
import { proofResult, type ProofCase, type ProofResult } from '../../../core/thumb';
import type { WayContext } from '../../../core/ways';
import type { ProofNews } from '../../workers/proof.worker';

/** How long the simulator may take to load and to run one press, ms, before it is given up. */
const LOAD_LIMIT_MS = 60_000;
const RUN_LIMIT_MS = 12_000;

/**
 * Runs proofs in a worker that holds the simulator; it is loaded at the first proof and kept. A worker that hangs is
 * ended and made anew.
 */
@Injectable({ providedIn: 'root' })
export class Prover {
  readonly stage = signal('');
  readonly problem = signal('');
  readonly results = signal<readonly ProofResult[]>([]);
  /** What the results rest on; a changed joint makes them old. */
  readonly provenKey = signal('');
  private worker: Worker | undefined;
  private watchdog: ReturnType<typeof setTimeout> | undefined;

  /** Simulates the cases; `done` hears the results once all are there. */
  prove(
    context: WayContext,
    cases: readonly ProofCase[],
    key: string,
    done: (results: readonly ProofResult[]) => void,
  ): void {
    this.problem.set('');
    this.results.set([]);
    this.stage.set(this.worker ? 'simulating' : 'loading the simulator');
    const found: ProofResult[] = [];
    const worker = (this.worker ??= new Worker(new URL('../../workers/proof.worker', import.meta.url), {
      type: 'module',
    }));
    this.watch(LOAD_LIMIT_MS);
    worker.onmessage = ({ data }: MessageEvent<ProofNews>) => {
      if (data.news === 'loading') this.stage.set(`loading the simulator, ${(data.bytes / 1e6).toFixed(0)} MB, once`);
      else if (data.news === 'running') {
        this.watch(RUN_LIMIT_MS);
        this.stage.set(`simulating, ${found.length + 1} of ${cases.length}`);
      } else if (data.news === 'problem')
        this.fail(`The simulation did not work out: ${data.text}. The closed form above stays.`);
      else if (data.news === 'wave') {
        try {
          found.push(
            proofResult(
              context,
              cases.find((c) => c.id === data.id)!,
              data,
            ),
          );
        } catch (error) {
          this.fail(
            `The simulation did not converge: ${error instanceof Error ? error.message : 'no reason given'}. The closed form above stays.`,
          );
        }
      } else if (this.stage()) {
        this.rest();
        this.results.set(found);
        this.provenKey.set(key);
        done(found);
      }
    };
    worker.onerror = () => this.fail('The simulator could not be started here. The closed form above stays.');
    worker.postMessage({
      base: new URL('.', document.baseURI).href,
      cases: cases.map(({ id, netlist }) => ({ id, netlist })),
    });
  }

  /** Stops a proof that is under way. */
  stop(): void {
    this.end();
    this.problem.set('');
  }

  private watch(ms: number): void {
    clearTimeout(this.watchdog);
    this.watchdog = setTimeout(
      () =>
        this.fail(
          `The simulator did not answer within ${ms / 1000} s and was ended. The closed form above stays; try once more.`,
        ),
      ms,
    );
  }

  private rest(): void {
    clearTimeout(this.watchdog);
    this.stage.set('');
  }

  private end(): void {
    this.rest();
    this.worker?.terminate();
    this.worker = undefined;
  }

  private fail(text: string): void {
    this.end();
    this.problem.set(text);
  }
}
