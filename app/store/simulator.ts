import { Injectable, signal } from '@angular/core';
import { Unanswered, WorkerClient } from './worker-client';
import type { ProofNews, ProofOrder, ProofTrace } from '../workers/proof.worker';

/** How long the simulator may take to load and to run one netlist, ms, before it is given up. */
const LOAD_LIMIT_MS = 60_000;
const RUN_LIMIT_MS = 12_000;

const STAYS = 'The closed form above stays';

/**
 * Runs netlists in a worker that holds the circuit simulator; it is loaded at the first proof and kept. A worker that hangs is
 * ended and made anew.
 */
@Injectable({ providedIn: 'root' })
export class Simulator {
  readonly stage = signal('');
  readonly problem = signal('');
  private readonly client = new WorkerClient<ProofOrder, readonly ProofTrace[], ProofNews>(
    () => new Worker(new URL('../workers/proof.worker', import.meta.url), { type: 'module' }),
  );

  /** The job whose proof is under way. */
  private job = '';
  /** What is proven: a press or a sense, by id; empty while nothing is. */
  readonly of = signal('');

  /**
   * Simulates the cases of a press or a sense of a job; `read` hears each case with its trace once all are there, and what it throws is
   * told.
   */
  async prove<C extends { readonly id: string; readonly netlist: string }>(
    [job, of]: readonly [job: string, of: string],
    cases: readonly C[],
    read: (traces: readonly (readonly [C, ProofTrace])[]) => void,
  ): Promise<void> {
    if (this.client.busy) this.client.stop();
    this.job = job;
    this.of.set(of);
    this.problem.set('');
    this.stage.set(this.client.running ? 'simulating' : 'loading the simulator');
    let begun = 0;
    const onNews = (news: ProofNews): void => {
      if ('loading' in news)
        return this.stage.set(`loading the simulator, ${(news.loading / 1e6).toFixed(0)} MB, once`);
      this.client.allow(RUN_LIMIT_MS);
      this.stage.set(`simulating, ${++begun} of ${cases.length}`);
    };
    const order = {
      base: new URL('.', document.baseURI).href,
      cases: cases.map(({ id, netlist }) => ({ id, netlist })),
    };
    try {
      const traces = await this.client.ask(order, { limitMs: LOAD_LIMIT_MS, onNews });
      this.stage.set('');
      read(traces.map((t) => [cases.find((c) => c.id === t.id)!, t]));
    } catch (error) {
      this.fail(error);
    }
  }

  private fail(error: unknown): void {
    const because = error instanceof Unanswered ? error.because : '';
    if (because === 'stopped') return;
    this.stage.set('');
    const words = error instanceof Error ? error.message : 'no reason given';
    this.problem.set(
      because === 'late'
        ? `The simulator was ended: ${words} ${STAYS}; try once more.`
        : because === 'broken'
          ? `The simulator could not be started here. ${STAYS}.`
          : because === 'refused'
            ? `The simulation did not work out: ${words}. ${STAYS}.`
            : `The simulation did not converge: ${words}. ${STAYS}.`,
    );
  }

  /** Another job is open, or none: nobody waits for the proof of one that was left. */
  left(open: string): void {
    if (this.client.busy && open !== this.job) this.stop();
  }

  /** Stops a proof that is under way. */
  stop(): void {
    this.client.stop();
    this.stage.set('');
    this.problem.set('');
  }
}
