import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answerFor } from '../../core/answer';
import { applyEdit, type Job } from '../../core/job';
import { demoJob } from '../../core/testing/jobs';
import { Assessor } from './assessor';

/** A worker that answers when it is told to, so that the order of things can be tested. */
class SlowWorker {
  static all: SlowWorker[] = [];
  asked: { id: number; job: Job; skip: Record<string, string[]>; plan?: boolean }[] = [];
  private heard: Record<string, (e: unknown) => void> = {};
  constructor() {
    SlowWorker.all.push(this);
  }
  addEventListener(kind: string, f: (e: unknown) => void): void {
    this.heard[kind] = f;
  }
  postMessage(question: SlowWorker['asked'][number]): void {
    this.asked.push(question);
  }
  terminate = vi.fn();
  /** Answers question `i` and waits until the assessor has it. */
  async answer(a: Assessor, i: number): Promise<void> {
    await vi.waitFor(() => expect(this.asked.length).toBeGreaterThan(i), { timeout: 20_000 });
    const { id, job, skip } = this.asked[i]!;
    this.heard['message']!({ data: { id, answer: answerFor(job, skip) } });
    await vi.waitFor(() => expect(a.results()[job.id]?.job).toBe(job), { timeout: 20_000 });
  }
  fail(): void {
    this.heard['error']!({});
  }
}

const pot = demoJob('rice-pot');
const touched = (job: Job, text: string): Job => applyEdit(job, { do: 'note', text }, '2026-03-02T15:00:00Z');

describe('the assessor', () => {
  beforeEach(() => {
    SlowWorker.all = [];
    vi.stubGlobal('Worker', SlowWorker);
  });
  afterEach(() => vi.unstubAllGlobals());
  const make = (): Assessor => new Assessor();

  it('answers in a worker, and keeps the thread beside the answer', async () => {
    const a = make();
    a.request(pot);
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

  it('goes on by itself where the worker breaks, and where there is none', async () => {
    const a = make();
    a.request(pot);
    SlowWorker.all[0]!.fail();
    await vi.waitFor(() => expect(a.results()[pot.id]?.job).toBe(pot), { timeout: 20_000 });
    expect(SlowWorker.all[0]!.terminate).toHaveBeenCalled();
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
    await vi.waitFor(() => expect(b.results()[pot.id]?.job).toBe(pot), { timeout: 20_000 });
    expect((await b.plan(demoJob('dough-proofer'))).length).toBeGreaterThanOrEqual(0);
  });

  it('passes on what the maker will not read now', async () => {
    const a = make();
    a.request(pot, { 'control-start': ['x'] });
    expect(SlowWorker.all[0]!.asked[0]!.skip).toEqual({ 'control-start': ['x'] });
    await SlowWorker.all[0]!.answer(a, 0);
  });
});
