import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { assess } from '../../../core/assess';
import { PRESS_TIMES } from '../../../core/circuit';
import { changed, demoJob } from '../../../core/testing/jobs';
import { chosenWay, proofCases, wayContext } from '../../../core/thumb';
import { Prover } from './prover';

class FakeWorker {
  static made: FakeWorker[] = [];
  onmessage: ((e: unknown) => void) | null = null;
  onerror: (() => void) | null = null;
  posted: { cases: { id: string }[] }[] = [];
  terminate = vi.fn();
  constructor() {
    FakeWorker.made.push(this);
  }
  postMessage(order: FakeWorker['posted'][number]): void {
    this.posted.push(order);
  }
  tell(data: unknown): void {
    this.onmessage!({ data });
  }
}

const job = changed(demoJob('rice-pot'), 'thumb', { way: 'solid-state-relay' });
const a = assess(job);
const context = wayContext(job, a.facts)!;
const cases = proofCases(context, chosenWay(job, a.ways)!, 'id');
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

describe('the prover', () => {
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
  const begin = (p = new Prover()): { p: Prover; done: ReturnType<typeof vi.fn>; worker: FakeWorker } => {
    const done = vi.fn();
    p.prove(context, cases, 'key', done);
    return { p, done, worker: FakeWorker.made.at(-1)! };
  };

  it('tells what it is about, and hands on all results at the end', () => {
    const { p, done, worker } = begin();
    expect(p.stage()).toBe('loading the simulator');
    worker.tell({ news: 'loading', bytes: 10_129_109 });
    expect(p.stage()).toContain('10 MB, once');
    for (const c of cases) {
      worker.tell({ news: 'running', id: c.id });
      worker.tell({ news: 'wave', id: c.id, ...wave() });
    }
    expect(done).not.toHaveBeenCalled();
    worker.tell({ news: 'done' });
    expect(p.results().map((r) => r.corner)).toEqual(['nominal', 'worst', 'idle']);
    expect(p.provenKey()).toBe('key');
    expect(p.stage()).toBe('');
    expect(done).toHaveBeenCalledOnce();
    // The worker with the simulator stays for the next proof.
    begin(p);
    expect(FakeWorker.made).toHaveLength(1);
    expect(p.results()).toEqual([]);
  });

  it('ends a simulator that hangs after its time limit, and makes a new one for the next try', () => {
    const { p, done, worker } = begin();
    worker.tell({ news: 'running', id: cases[0]!.id });
    vi.advanceTimersByTime(11_000);
    expect(p.problem()).toBe('');
    vi.advanceTimersByTime(2_000);
    expect(worker.terminate).toHaveBeenCalled();
    expect(p.problem()).toMatch(/did not answer within 12 s.*closed form above stays/);
    expect(done).not.toHaveBeenCalled();
    begin(p);
    expect(FakeWorker.made).toHaveLength(2);
    expect(p.problem()).toBe('');
  });

  it('gives loading more time than running, and gives it up as well', () => {
    const { p } = begin();
    vi.advanceTimersByTime(59_000);
    expect(p.problem()).toBe('');
    vi.advanceTimersByTime(2_000);
    expect(p.problem()).toMatch(/did not answer within 60 s/);
  });

  it('says so where the simulation does not converge, does not take the netlist, or cannot start', () => {
    const cut = begin();
    cut.worker.tell({ news: 'running', id: cases[0]!.id });
    cut.worker.tell({ news: 'wave', id: cases[0]!.id, ...wave(false) });
    expect(cut.p.problem()).toMatch(/did not converge: the simulation ended after 7\.0 ms of 26/);
    cut.worker.tell({ news: 'done' });
    expect(cut.done).not.toHaveBeenCalled();
    const refused = begin();
    refused.worker.tell({ news: 'problem', text: 'the simulator did not take the netlist' });
    expect(refused.p.problem()).toMatch(/did not take the netlist.*closed form/);
    const broken = begin();
    broken.worker.onerror!();
    expect(broken.p.problem()).toMatch(/could not be started here/);
  });

  it('stops when it is told to, without a complaint', () => {
    const { p, worker } = begin();
    p.stop();
    expect(worker.terminate).toHaveBeenCalled();
    expect([p.stage(), p.problem()]).toEqual(['', '']);
    vi.advanceTimersByTime(100_000);
    expect(p.problem()).toBe('');
  });
});
