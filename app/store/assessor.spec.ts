import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answered, type Question } from '../../core/house/answer';
import { edited, type Job } from '../../core/ground/job';
import { demoJob } from '../../core/testing/jobs';
import type { Asked } from '../workers/serve';
import { Assessor } from './assessor';
import { HANGS_MS } from '../../core/testing/pace';

/** A worker that answers when it is told to, so that the order of things can be tested. */
class SlowWorker {
  static all: SlowWorker[] = [];
  asked: Question[] = [];
  private ids: number[] = [];
  private heard: Record<string, (e: unknown) => void> = {};
  constructor() {
    SlowWorker.all.push(this);
  }
  addEventListener(kind: string, f: (e: unknown) => void): void {
    this.heard[kind] = f;
  }
  postMessage({ id, question }: Asked<Question>): void {
    this.ids.push(id);
    this.asked.push(question);
  }
  terminate = vi.fn();
  /** Answers question `i` and waits until the assessor has it. */
  async answer(a: Assessor, i: number): Promise<void> {
    await vi.waitFor(() => expect(this.asked.length).toBeGreaterThan(i), { timeout: HANGS_MS });
    const { job } = this.asked[i]!;
    this.heard['message']!({ data: { id: this.ids[i], is: 'answer', answer: answered(this.asked[i]!) } });
    await vi.waitFor(() => expect(a.rows()[job.id]?.job).toBe(job), { timeout: HANGS_MS });
  }
  /** Says that question `i` cannot be answered. */
  async refuse(i: number, problem: string): Promise<void> {
    await vi.waitFor(() => expect(this.asked.length).toBeGreaterThan(i), { timeout: HANGS_MS });
    this.heard['message']!({ data: { id: this.ids[i], is: 'problem', problem } });
  }
  fail(): void {
    this.heard['error']!({});
  }
}

const pot = demoJob('rice-pot');
const touched = (job: Job, text: string): Job => edited(job, { do: 'note', text }, '2026-03-02T15:00:00Z');

describe('the assessor', () => {
  beforeEach(() => {
    SlowWorker.all = [];
    vi.stubGlobal('Worker', SlowWorker);
  });
  afterEach(() => vi.unstubAllGlobals());
  const make = (): Assessor => new Assessor();

  it('answers in a worker, and keeps the thread beside the answer', async () => {
    const a = make();
    a.request(pot, {}, [], ['control-start']);
    await SlowWorker.all[0]!.answer(a, 0);
    const result = a.results()[pot.id]!;
    expect(result.job).toBe(pot);
    expect(result.thread).toHaveLength(11);
    expect(result.answer.next['control-start']).toBeDefined();
  });

  it('computes only the newest of several versions of one job', async () => {
    const a = make();
    const [second, third] = [touched(pot, 'two'), touched(pot, 'three')];
    a.request(pot);
    a.request(second);
    a.request(third);
    const worker = SlowWorker.all[0]!;
    await worker.answer(a, 0);
    await worker.answer(a, 1);
    expect(worker.asked.map((q) => q.job)).toEqual([pot, third]);
    expect(a.results()[pot.id]!.job).toBe(third);
  });

  it('lets the answer before stand until the next is there', async () => {
    const a = make();
    a.request(pot);
    const worker = SlowWorker.all[0]!;
    await worker.answer(a, 0);
    const later = touched(pot, 'later');
    a.request(later);
    expect(a.results()[pot.id]!.job).toBe(pot);
    await worker.answer(a, 1);
    expect(a.results()[pot.id]!.job).toBe(later);
  });

  it('makes a worker that breaks anew once, and then says so: nothing is worked out on the page', async () => {
    const a = make();
    a.request(pot);
    SlowWorker.all[0]!.fail();
    await vi.waitFor(() => expect(SlowWorker.all).toHaveLength(2));
    expect(SlowWorker.all[0]!.terminate).toHaveBeenCalled();
    await SlowWorker.all[1]!.answer(a, 0);
    expect(a.results()[pot.id]!.job).toBe(pot);
    vi.stubGlobal(
      'Worker',
      class {
        constructor() {
          throw new Error('forbidden');
        }
      },
    );
    const b = make();
    b.request(pot);
    await vi.waitFor(() => expect(b.failures()[pot.id]?.why).toMatch(/could not be started, or broke off twice/));
    expect(b.results()).toEqual({});
    await expect(b.plan(pot)).rejects.toThrow(/could not be started/);
  });

  it('leaves rows that were not begun where the shelf is left, and works them out when it is back', async () => {
    const a = make();
    const [gate, proofer] = [demoJob('yard-gate'), demoJob('dough-proofer')];
    for (const job of [pot, gate, proofer]) a.requestRow(job);
    a.restRows();
    const worker = SlowWorker.all[0]!;
    await worker.answer(a, 0);
    expect(worker.asked.map((q) => q.job)).toEqual([pot]);
    a.requestRow(proofer);
    await worker.answer(a, 1);
    expect(worker.asked.map((q) => q.job)).toEqual([pot, proofer]);
  });

  it('works out rows beside the job that is open, and puts one that takes long behind the others', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const a = make();
    const [gate, proofer] = [demoJob('yard-gate'), demoJob('dough-proofer')];
    a.requestRow(pot);
    a.requestRow(gate);
    a.request(proofer);
    // The row that is under way is waited for a moment, since its worker is warm; it takes too long.
    expect(SlowWorker.all).toHaveLength(1);
    vi.advanceTimersByTime(2_100);
    expect(SlowWorker.all).toHaveLength(2);
    expect(SlowWorker.all[1]!.asked[0]!.job).toBe(proofer);
    vi.advanceTimersByTime(5_000);
    vi.useRealTimers();
    await vi.waitFor(() => expect(SlowWorker.all).toHaveLength(3));
    // The others come first; it is asked about again with all the time that there is.
    await SlowWorker.all[2]!.answer(a, 0);
    expect(a.failures()).toEqual({});
    await SlowWorker.all[2]!.answer(a, 1);
    expect(SlowWorker.all[2]!.asked.map((q) => q.job)).toEqual([gate, pot]);
  });

  it('shows what was worked out before until it is worked out anew', async () => {
    const a = make();
    const b = make();
    b.request(pot);
    await SlowWorker.all[0]!.answer(b, 0);
    a.recall(pot.id, b.results()[pot.id]!);
    expect(a.results()[pot.id]).toMatchObject({ recalled: true });
    a.request(pot);
    await SlowWorker.all[1]!.answer(a, 0);
    expect(a.results()[pot.id]!.recalled).toBeUndefined();
    a.recall(pot.id, b.results()[pot.id]!);
    expect(a.results()[pot.id]!.recalled).toBeUndefined();
  });

  it('gives a row its beads alone, and keeps the whole answers of the last jobs that were looked at', async () => {
    const a = make();
    const names = ['yard-gate', 'hood-fan', 'cold-room-alarm', 'hatch-shutter'] as const;
    const jobs = names.map((n) => demoJob(n));
    a.requestRow(pot);
    for (const job of jobs) a.request(job);
    const worker = SlowWorker.all[0]!;
    await worker.answer(a, 0);
    for (let i = 1; i <= jobs.length; i++) await worker.answer(a, i);
    expect(worker.asked.map((q) => q.of)).toEqual(['row', 'job', 'job', 'job', 'job']);
    expect(SlowWorker.all).toHaveLength(1);
    expect(a.rows()[pot.id]!.beads).toHaveLength(11);
    expect(a.rows()[pot.id]!.beads[0]).not.toHaveProperty('finding');
    expect(Object.keys(a.results())).toEqual(jobs.slice(1).map((j) => j.id));
    expect(Object.keys(a.rows())).toHaveLength(5);
  });

  it('says which job cannot be worked out, and the others go on', async () => {
    const a = make();
    const [gate, proofer] = [demoJob('yard-gate'), demoJob('dough-proofer')];
    for (const job of [pot, gate, proofer]) a.request(job);
    const worker = SlowWorker.all[0]!;
    await worker.refuse(0, 'supplyVolts is no number');
    await worker.answer(a, 1);
    await worker.answer(a, 2);
    expect(a.failures()[pot.id]).toEqual({ job: pot, why: 'supplyVolts is no number' });
    expect(Object.keys(a.results()).sort()).toEqual([gate.id, proofer.id].sort());
    // A version that can be worked out clears it.
    const mended = touched(pot, 'mended');
    a.request(mended);
    await worker.answer(a, 3);
    expect(a.failures()[pot.id]).toBeUndefined();
  });

  it('ends a worker that does not come to an end with one job, and goes on with a new one', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const a = make();
    const gate = demoJob('yard-gate');
    a.request(pot);
    a.request(gate);
    vi.advanceTimersByTime(21_000);
    vi.useRealTimers();
    await vi.waitFor(() => expect(a.failures()[pot.id]?.why).toMatch(/within 20 s/));
    expect(SlowWorker.all[0]!.terminate).toHaveBeenCalled();
    await vi.waitFor(() => expect(SlowWorker.all).toHaveLength(2));
    await SlowWorker.all[1]!.answer(a, 0);
    expect(a.results()[gate.id]!.job).toBe(gate);
  });

  it('takes the open job before all that wait', async () => {
    const a = make();
    const open = demoJob('hood-fan');
    a.request(pot);
    a.request(demoJob('yard-gate'));
    a.request(open);
    a.first(open.id);
    const worker = SlowWorker.all[0]!;
    await worker.answer(a, 0);
    await worker.answer(a, 1);
    expect(worker.asked.map((q) => q.job.id).slice(0, 2)).toEqual([pot.id, open.id]);
  });

  it('passes on what the maker will not read now', async () => {
    const a = make();
    a.request(pot, { 'control-start': ['x'] });
    expect(SlowWorker.all[0]!.asked[0]!.skip).toEqual({ 'control-start': ['x'] });
    await SlowWorker.all[0]!.answer(a, 0);
  });
});
