import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PRESS_TIMES } from '../../core/engines/circuit';
import { chosenIn, contextIn, demoJob, pressed } from '../../core/testing/jobs';
import { proofCases, proofResult } from '../../core/rooms/thumb';
import type { ProofNews, ProofOrder, ProofTrace } from '../workers/proof.worker';
import type { Asked } from '../workers/serve';
import { Simulator } from './simulator';

class FakeWorker {
  static made: FakeWorker[] = [];
  posted: Asked<ProofOrder>[] = [];
  terminate = vi.fn();
  private heard: Record<string, (e: unknown) => void> = {};
  constructor() {
    FakeWorker.made.push(this);
  }
  addEventListener(kind: string, f: (e: unknown) => void): void {
    this.heard[kind] = f;
  }
  postMessage(order: Asked<ProofOrder>): void {
    this.posted.push(order);
  }
  async tell(reply: object): Promise<void> {
    this.heard['message']!({ data: { id: this.posted.at(-1)!.id, ...reply } });
    await vi.advanceTimersByTimeAsync(0);
  }
  async break(): Promise<void> {
    this.heard['error']!({});
    await vi.advanceTimersByTimeAsync(0);
  }
}
const news = (n: ProofNews) => ({ is: 'news', news: n });
const answer = (traces: readonly ProofTrace[]) => ({ is: 'answer', answer: traces });

const job = pressed(demoJob('rice-pot'), { way: 'solid-state-relay' });
const context = contextIn(job);
const cases = proofCases(context, chosenIn(job), 'id');
/** A press that comes and goes as it should, or one that the simulator left half-way. */
function wave(whole = true): { seconds: number[]; line: number[]; pin: number[] } {
  const seconds: number[] = [];
  const line: number[] = [];
  for (let t = 0; t <= (whole ? PRESS_TIMES.end : 0.007) + 1e-9; t += 1e-5) {
    seconds.push(t);
    line.push(t > PRESS_TIMES.press && t < PRESS_TIMES.release ? 0.01 : 5);
  }
  return { seconds, line, pin: line };
}

describe('the simulator', () => {
  beforeEach(() => {
    FakeWorker.made = [];
    vi.stubGlobal('Worker', FakeWorker);
    vi.stubGlobal('document', { baseURI: 'http://127.0.0.1/job/x/thumb' });
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const begin = (p = new Simulator()): { p: Simulator; done: ReturnType<typeof vi.fn>; worker: FakeWorker } => {
    const done = vi.fn();
    void p.prove(['job', 'press'], cases, (traces) => done(traces.map(([c, trace]) => proofResult(context, c, trace))));
    return { p, done, worker: FakeWorker.made.at(-1)! };
  };

  it('tells what it is about, and hands on all results at the end', async () => {
    const { p, done, worker } = begin();
    expect(p.stage()).toBe('loading the simulator');
    await worker.tell(news({ loading: 10_129_109 }));
    expect(p.stage()).toContain('10 MB, once');
    for (const [i, c] of cases.entries()) {
      await worker.tell(news({ running: c.id }));
      expect(p.stage()).toBe(`simulating, ${i + 1} of ${cases.length}`);
    }
    expect(done).not.toHaveBeenCalled();
    await worker.tell(answer(cases.map((c) => ({ id: c.id, ...wave() }))));
    expect((done.mock.calls[0]![0] as { corner: string }[]).map((r) => r.corner)).toEqual(['nominal', 'worst', 'idle']);
    expect(p.stage()).toBe('');
    expect(done).toHaveBeenCalledOnce();
    // The worker with the simulator stays for the next proof.
    begin(p);
    expect(FakeWorker.made).toHaveLength(1);
  });

  it('ends a simulator that hangs after its time limit, and makes a new one for the next try', async () => {
    const { p, done, worker } = begin();
    await worker.tell(news({ running: cases[0]!.id }));
    await vi.advanceTimersByTimeAsync(11_000);
    expect(p.problem()).toBe('');
    await vi.advanceTimersByTimeAsync(2_000);
    expect(worker.terminate).toHaveBeenCalled();
    expect(p.problem()).toMatch(/was ended: No answer came within 12 s.*closed form above stays/);
    expect(done).not.toHaveBeenCalled();
    begin(p);
    expect(FakeWorker.made).toHaveLength(2);
    expect(p.problem()).toBe('');
  });

  it('gives loading more time than running, and gives it up as well', async () => {
    const { p } = begin();
    await vi.advanceTimersByTimeAsync(59_000);
    expect(p.problem()).toBe('');
    await vi.advanceTimersByTimeAsync(2_000);
    expect(p.problem()).toMatch(/within 60 s/);
  });

  it('says so where the simulation does not converge, does not take the netlist, or cannot start', async () => {
    const cut = begin();
    await cut.worker.tell(answer([{ id: cases[0]!.id, ...wave(false) }]));
    expect(cut.p.problem()).toMatch(/did not converge: the simulation ended after 7\.0 ms of 26/);
    expect(cut.done).not.toHaveBeenCalled();
    const refused = begin();
    await refused.worker.tell({ is: 'problem', problem: 'the simulator did not take the netlist' });
    expect(refused.p.problem()).toMatch(/did not take the netlist.*closed form/);
    const broken = begin();
    await broken.worker.break();
    expect(broken.p.problem()).toMatch(/could not be started here/);
  });

  it('stops when it is told to, without a complaint', async () => {
    const { p, worker } = begin();
    p.stop();
    expect(worker.terminate).toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(100_000);
    expect([p.stage(), p.problem()]).toEqual(['', '']);
  });
});
