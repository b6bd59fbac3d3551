import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CaptureTiming } from '../../core/engines/capture';
import type { CaptureOrder } from '../workers/capture.worker';
import type { Asked } from '../workers/serve';
import { Captures } from './captures';

class FakeWorker {
  static last: FakeWorker;
  orders: Asked<CaptureOrder>[] = [];
  terminate = vi.fn();
  private heard: Record<string, (e: unknown) => void> = {};
  constructor() {
    FakeWorker.last = this;
  }
  addEventListener(kind: string, f: (e: unknown) => void): void {
    this.heard[kind] = f;
  }
  postMessage(order: Asked<CaptureOrder>): void {
    this.orders.push(order);
  }
  private reply(rest: object): void {
    this.heard['message']!({ data: { id: this.orders.at(-1)!.id, ...rest } });
  }
  progress(bytes: number): void {
    this.reply({ is: 'news', news: bytes });
  }
  async done(...answer: unknown[]): Promise<void> {
    this.reply({ is: 'answer', answer });
    await settle();
  }
  async problem(problem: string): Promise<void> {
    this.reply({ is: 'problem', problem });
    await settle();
  }
  async fail(): Promise<void> {
    this.heard['error']!({});
    await settle();
  }
}
const settle = (): Promise<void> => new Promise((done) => setTimeout(done));

const timing = {
  lines: [],
  seconds: 1,
  events: 0,
  together: new Map(),
  nextFall: [],
  nextRise: [],
  excerpt: [],
} as unknown as CaptureTiming;
const file = (name: string, size = 1000): File => ({ name, size }) as File;
const got = (label: string, cutOff = false) => ({ label, timing, cutOff });

describe('reading captures', () => {
  beforeEach(() => vi.stubGlobal('Worker', FakeWorker));
  afterEach(() => vi.unstubAllGlobals());

  it('names each after its file, tells how far it is, and lets a later one of a key take its place', async () => {
    const c = new Captures();
    c.read([file('idle.vcd'), file('start.CSV')]);
    expect(FakeWorker.last.orders.map((o) => o.question)).toMatchObject([
      { files: [{ label: 'idle' }, { label: 'start' }] },
    ]);
    expect(c.progress()).toBe(0);
    FakeWorker.last.progress(1500);
    expect(c.progress()).toBe(75);
    await FakeWorker.last.done(got('idle'), got('start'));
    expect(c.progress()).toBeNull();
    c.read([file('start.vcd')]);
    await FakeWorker.last.done(got('start', true));
    expect(c.list().map((x) => [x.label, x.cutOff])).toEqual([
      ['idle', false],
      ['start', true],
    ]);
    c.rename('start', 'stop');
    c.drop('idle');
    expect(c.list().map((x) => x.label)).toEqual(['stop']);
  });

  it('keeps what was read before when a file is bad, when the worker breaks, and when it is stopped', async () => {
    const c = new Captures();
    c.read([file('idle.vcd')]);
    await FakeWorker.last.done(got('idle'));
    c.read([file('bad.vcd')]);
    await FakeWorker.last.problem('bad.vcd: Time runs backwards here: 3 after 5. (line 9) Record again.');
    expect(c.problem()).toBe(
      'bad.vcd: Time runs backwards here: 3 after 5. (line 9) Record again. Nothing of what was read before is lost.',
    );
    c.read([file('more.vcd')]);
    expect(c.problem()).toBe('');
    await FakeWorker.last.fail();
    expect(c.problem()).toMatch(/broke off/);
    c.read([file('more.vcd')]);
    const running = FakeWorker.last;
    c.stop();
    expect(running.terminate).toHaveBeenCalled();
    expect(c.progress()).toBeNull();
    expect(c.list().map((x) => x.label)).toEqual(['idle']);
  });

  it('belong to the job they were opened in', async () => {
    const c = new Captures();
    c.belongTo('pot');
    c.read([file('idle.vcd')]);
    await FakeWorker.last.done(got('idle'));
    c.belongTo('gate');
    expect(c.list()).toEqual([]);
    c.belongTo('pot');
    expect(c.list().map((x) => x.label)).toEqual(['idle']);
  });

  it('refuses a file that is too large before a worker sees it', () => {
    const c = new Captures();
    c.read([file('idle.vcd'), file('huge.vcd', 300e6)]);
    expect(c.problem()).toMatch(/huge\.vcd is 300 MB; a capture is at most 200 MB/);
    expect(c.progress()).toBeNull();
  });
});
