import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Timing } from '../../../core/capture';
import { Captures } from './captures';

class FakeWorker {
  static last: FakeWorker;
  orders: unknown[] = [];
  terminate = vi.fn();
  private heard: Record<string, (e: unknown) => void> = {};
  constructor() {
    FakeWorker.last = this;
  }
  addEventListener(kind: string, f: (e: unknown) => void): void {
    this.heard[kind] = f;
  }
  postMessage(order: unknown): void {
    this.orders.push(order);
  }
  tell(data: unknown): void {
    this.heard['message']!({ data });
  }
  fail(): void {
    this.heard['error']!({});
  }
}

const timing = {
  lines: [],
  seconds: 1,
  events: 0,
  together: new Map(),
  nextFall: [],
  nextRise: [],
  excerpt: [],
} as unknown as Timing;
const file = (name: string, size = 1000): File => ({ name, size }) as File;
const got = (label: string, cutOff = false) => ({ label, timing, cutOff });

describe('reading captures', () => {
  beforeEach(() => vi.stubGlobal('Worker', FakeWorker));
  afterEach(() => vi.unstubAllGlobals());

  it('names each after its file, tells how far it is, and lets a later one of a key take its place', () => {
    const c = new Captures();
    c.read([file('idle.vcd'), file('start.CSV')]);
    expect(FakeWorker.last.orders).toMatchObject([{ files: [{ label: 'idle' }, { label: 'start' }] }]);
    expect(c.progress()).toBe(0);
    FakeWorker.last.tell({ news: 'progress', bytes: 1500 });
    expect(c.progress()).toBe(75);
    FakeWorker.last.tell({ news: 'done', captures: [got('idle'), got('start')] });
    expect(c.progress()).toBeNull();
    c.read([file('start.vcd')]);
    FakeWorker.last.tell({ news: 'done', captures: [got('start', true)] });
    expect(c.list().map((x) => [x.label, x.cutOff])).toEqual([
      ['idle', false],
      ['start', true],
    ]);
    c.rename('start', 'stop');
    c.drop('idle');
    expect(c.list().map((x) => x.label)).toEqual(['stop']);
  });

  it('keeps what was read before when a file is bad, when the worker breaks, and when it is stopped', () => {
    const c = new Captures();
    c.read([file('idle.vcd')]);
    FakeWorker.last.tell({ news: 'done', captures: [got('idle')] });
    c.read([file('bad.vcd')]);
    FakeWorker.last.tell({
      news: 'problem',
      file: 'bad.vcd',
      what: 'Time runs backwards here: 3 after 5.',
      where: 'line 9',
      todo: 'Record again.',
    });
    expect(c.problem()).toBe(
      'bad.vcd: Time runs backwards here: 3 after 5. (line 9) Record again. Nothing of what was read before is lost.',
    );
    c.read([file('more.vcd')]);
    expect(c.problem()).toBe('');
    FakeWorker.last.fail();
    expect(c.problem()).toMatch(/broke off/);
    c.read([file('more.vcd')]);
    const running = FakeWorker.last;
    c.stop();
    expect(running.terminate).toHaveBeenCalled();
    expect(c.progress()).toBeNull();
    expect(c.list().map((x) => x.label)).toEqual(['idle']);
  });

  it('refuses a file that is too large before a worker sees it', () => {
    const c = new Captures();
    c.read([file('idle.vcd'), file('huge.vcd', 300e6)]);
    expect(c.problem()).toMatch(/huge\.vcd is 300 MB; a capture is at most 200 MB/);
    expect(c.progress()).toBeNull();
  });
});
