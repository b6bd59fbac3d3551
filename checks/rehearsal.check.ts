// The packed MicroPython in the interpreter that its authors ship, as a file among files: a day of each demo job against the plan, what it
// holds of the heap, names that try to break out of it, and programs that part from the plan, go round, or ask for what is not there.
import { describe, expect, it } from 'vitest';
import { heapOf, rehearse, type Rehearsed } from '../core/engines/rehearsal';
import { edited, type Job } from '../core/ground/job';
import { seededRandom } from '../core/ground/quantity';
import { assess } from '../core/house/assess';
import { rehearsalOf } from '../core/house/rehearsal';
import { firstParting, lanesOf, type Rehearsal } from '../core/house/rehearsed';
import { demoJob } from '../core/testing/jobs';
import { freshInterpreter } from './interpreter';

const NAMES = [
  ...['dough-proofer', 'extractor-rocker', 'glass-washer', 'hatch-shutter', 'ice-bath-valve', 'larder-dehumidifier'],
  ...['proving-cabinet', 'rice-pot', 'steam-flaps', 'yard-gate'],
] as Parameters<typeof demoJob>[0][];
const KILOBYTE = 1000;

const rehearsalFor = (job: Job, own: string | null = null): Rehearsal => {
  const r = rehearsalOf(job, assess(job), own);
  if (!r) throw new Error('no program');
  return r;
};
const ran = async (r: Rehearsal): Promise<Rehearsed> => rehearse(await freshInterpreter(), r.bench);

describe('the packed MicroPython, rehearsed', () => {
  it.each(NAMES)('makes a day of its plan, on less than 100 kB: %s', async (name) => {
    const r = rehearsalFor(demoJob(name));
    const found = await ran(r);
    expect([found.end, found.failure]).toEqual(['time', '']);
    expect(firstParting(r, found)).toBeNull();
    for (const lane of lanesOf(r, found)) expect(lane.found.length).toBe(lane.planned.length);
    const heap = heapOf(await freshInterpreter(), r.bench);
    console.log(`${name}: ${heap} bytes of the heap`);
    expect(heap).toBeGreaterThan(KILOBYTE);
    expect(heap).toBeLessThan(100 * KILOBYTE);
  });

  it('is parted from where a file presses too late, and the line of the pin is named', async () => {
    const job = demoJob('rice-pot');
    const text = rehearsalFor(job).bench.files['main.py']!;
    const late = text.replace('fire(rule)', 'fire(rule) if me.now % 2 else None');
    expect(late).not.toBe(text);
    const r = rehearsalFor(job, late);
    const parting = firstParting(r, await ran(r));
    expect(parting).toMatchObject({ planned: true, at: 38_400_000 });
    expect(text.split('\n')[parting!.line! - 1]).toContain(`(${r.lanes[0]!.pin}, `);
  });

  it.each([
    ['one that never rests', 'import machine\np = machine.Pin(4)\nwhile True:\n    p.value()\n', 'restless', 4],
    ['a module that is not there', 'import time\nimport wonder\n', 'failed', 2],
    ['a fault of its own', 'x = 1\ny = x / 0\n', 'failed', 2],
    ['one that ends', 'x = 1\n', 'failed', null],
  ] as const)('ends %s, and says where', async (_, text, end, line) => {
    const r = rehearsalFor(demoJob('rice-pot'), text);
    const found = await ran({ ...r, bench: { ...r.bench, calls: 20_000 } });
    expect(found.end).toBe(end);
    expect(found.line).toBe(line);
    expect(found.failure).not.toBe('');
  });

  it('sleeps and reads as a plain loop of somebody’s own does', async () => {
    const text = [
      'import time',
      'from machine import Pin',
      'led = Pin(2, Pin.OUT)',
      'for _ in range(3):',
      '    led.value(1)',
      '    time.sleep_ms(250)',
      '    led.value(0)',
      '    time.sleep(0.75)',
      'while True:',
      '    time.sleep(3600)',
    ].join('\n');
    const found = await ran(rehearsalFor(demoJob('rice-pot'), text));
    expect(found.end).toBe('time');
    expect(found.written.map((w) => [w.at, w.level])).toEqual([
      ...[0, 1000, 2000].flatMap((t) => [
        [t, 1],
        [t + 250, 0],
      ]),
    ]);
  });

  it('holds names of any script, line ends and quotes within their comment or their text', async () => {
    const random = seededRandom(2027);
    const pieces = [
      '"""',
      "'",
      '\\',
      '\n',
      '\r',
      '\u2028',
      '#',
      'import os',
      '{x}',
      '%s',
      '\ud800',
      '粥',
      '🍚',
      '\u202e',
      '\u0000',
      '"',
    ];
    const base = demoJob('rice-pot');
    // Half a minute is enough to read the whole file and to set up what it stands on.
    const short = (r: Rehearsal): Rehearsal => ({ ...r, bench: { ...r.bench, lasts: 30_000 } });
    const plain = await ran(short(rehearsalFor(base)));
    for (let n = 0; n < 200; n++) {
      const name = Array.from(
        { length: 1 + Math.floor(random.next() * 12) },
        () => pieces[Math.floor(random.next() * pieces.length)],
      ).join('');
      // Past the border, which would refuse some of them: the writer must hold by itself.
      const job: Job = {
        ...base,
        title: name,
        wish: { ...base.wish, outcome: name, never: name, heldBy: name },
        presses: base.presses.map((p) => ({ ...p, name })),
        senses: base.senses.map((s) => ({ ...s, name })),
        hands: base.hands.map((h) => ({ ...h, name })),
        act: { ...base.act, moves: base.act.moves.map((m) => ({ ...m, name })) },
      };
      const found = await ran(short(rehearsalFor(job)));
      expect([found.end, found.failure], JSON.stringify(name)).toEqual(['time', '']);
      expect(found.written).toEqual(plain.written);
    }
  });

  it('goes on without its network, and says what it knows once that is there', async () => {
    const job = edited(demoJob('rice-pot'), { do: 'set', at: 'wish', set: { outcome: 'x' } }, '2026-11-16T15:00:00Z');
    const r = rehearsalFor(job);
    const without = await ran({ ...r, bench: { ...r.bench, network: false } });
    expect(firstParting(r, without)).toBeNull();
    expect(without.told).toEqual([]);
    const late = await ran({
      ...r,
      bench: {
        ...r.bench,
        network: false,
        events: [...r.bench.events, { at: 3_600_000, what: 'network' as const, is: true }].sort((a, b) => a.at - b.at),
      },
    });
    expect(firstParting(r, late)).toBeNull();
    const [first] = late.told;
    expect(first).toMatchObject({ topic: 'rice-pot/online', text: 'yes', kept: true });
    // It tries anew after five minutes at the latest.
    expect(first!.at).toBeLessThan(3_600_000 + 330_000);
  });
});
