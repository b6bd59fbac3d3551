// The packed MicroPython in the interpreter that its authors ship, as a file among files: a day of each demo job against the plan, what it
// holds of the heap, names that try to break out of it, and programs that part from the plan, go round, or ask for what is not there.
import { Ajv } from 'ajv';
import { describe, expect, it } from 'vitest';
import { heapOf, rehearse, type Rehearsed } from '../core/engines/rehearsal';
import { edited, freshHand, sentenceAt, type Job } from '../core/ground/job';
import { seededRandom, slug } from '../core/ground/quantity';
import { assess } from '../core/house/assess';
import { messagesOf } from '../core/build/program';
import { filesOf, programFor } from '../core/house/deliver';
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
    // What it says on this day is what its document of messages says that it says.
    const { program } = programFor(demoJob(name), assess(demoJob(name)))!;
    const said = messagesOf(program, slug(program.title), slug).filter((m) => m.way === 'tells');
    expect(found.told.length).toBeGreaterThan(0);
    for (const t of found.told) {
      const m = said.find((x) => x.topic === t.topic);
      expect([t.topic, m?.retained]).toEqual([t.topic, t.kept]);
      expect(new Ajv().validate(m!.payload, t.text), `${t.topic}: ${t.text}`).toBe(true);
    }
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
    ['one that says what the bench says', 'raise Exception("the rehearsal is over")\n', 'failed', 1],
    ['a watchdog that nobody feeds', 'import machine, time\nmachine.WDT(timeout=8000)\ntime.sleep(60)\n', 'bitten', 3],
  ] as const)('ends %s, and says where', async (_, text, end, line) => {
    const r = rehearsalFor(demoJob('rice-pot'), text);
    const found = await ran({ ...r, bench: { ...r.bench, calls: 20_000 } });
    expect(found.end).toBe(end);
    expect(found.line).toBe(line);
    expect(found.failure).not.toBe('');
  });

  it('tells a press that is left out, though senses of this day are read seconds late', async () => {
    const r = rehearsalFor(demoJob('proving-cabinet'));
    const found = await ran(r);
    const [lane] = lanesOf(r, found);
    expect(firstParting(r, found)).toBeNull();
    const [, second] = lane!.found;
    const without = {
      ...found,
      written: found.written.filter((w) => w.pin !== lane!.pin || w.at < second![0] || w.at > second![1]),
    };
    expect(firstParting(r, without)).toMatchObject({ planned: true, at: lane!.planned[1]![0] });
  });

  it.each([
    [
      'a motor that is sent the other way',
      'hatch-shutter',
      /^( +write\(pin, )level if on else 1 - level/m,
      '$11 - level if on else level',
    ],
    [
      'a servo that presses the other side',
      'extractor-rocker',
      /SERVOS\[pin\]\[level\]/,
      'SERVOS[pin][(0, 2, 1)[level]]',
    ],
  ] as const)('parts from the plan by %s', async (_, name, what, by) => {
    const base = demoJob(name);
    const [move] = base.act.moves;
    const start = sentenceAt('09:00', { id: 's', move: move!.id, days: [1, 2, 3, 4, 5, 6, 7] });
    const job =
      base.routine.sentences.length > 0 ? base : { ...base, routine: { ...base.routine, sentences: [start] } };
    const right = rehearsalFor(job);
    expect(firstParting(right, await ran(right))).toBeNull();
    expect(lanesOf(right, await ran(right)).some((l) => l.found.length > 0)).toBe(true);
    const text = right.bench.files['main.py']!;
    expect(text).toMatch(what);
    const wrong = rehearsalFor(job, text.replace(what, by));
    expect(firstParting(wrong, await ran(wrong))).not.toBeNull();
  });

  it.each([
    ['nan', 'unknown'],
    ['on', 'unknown'],
    ['unavailable', 'unknown'],
    ['30', 'on'],
    ['-3e1', 'off'],
  ])('takes %j from a meter for %s, whatever it said before', async (text, expected) => {
    const base = demoJob('glass-washer');
    const [sense] = base.senses;
    const limit = { over: 20, under: 10, holdSeconds: 0 };
    const meter = {
      ...sense!,
      kind: 'watts' as const,
      touches: 'own' as const,
      topic: 'meter/w',
      limit,
      closedThen: true,
    };
    const r = rehearsalFor({ ...base, senses: [{ ...meter, debounceSeconds: 0 }, ...base.senses.slice(1)] });
    const before = expected === 'on' ? '5' : '50';
    const events = [before, text].map((t, i) => ({
      at: 20_000 + 60_000 * i,
      what: 'message' as const,
      topic: 'meter/w',
      text: t,
      kept: false,
    }));
    const found = await ran({ ...r, bench: { ...r.bench, events, lasts: 300_000 } });
    const states = found.told.filter((t) => t.topic.includes('/sense/') && t.at >= 20_000);
    expect(states.at(0)?.text).toBe(expected === 'on' ? 'off' : 'on');
    expect(states.at(-1)?.text).toBe(expected);
  });

  it('begins nothing by a command that the broker kept, and does by one that is sent', async () => {
    const base = demoJob('rice-pot');
    const command = {
      ...freshHand('go', 'go'),
      kind: 'command' as const,
      topic: 'kitchen/go',
      begins: [base.act.moves[0]!.id],
    };
    const job = { ...base, hands: [command], routine: { ...base.routine, sentences: [], limits: [] } };
    const r = rehearsalFor(job);
    const said = (kept: boolean): Rehearsal => ({
      ...r,
      bench: {
        ...r.bench,
        lasts: 60_000,
        events: [{ at: 20_000, what: 'message', topic: 'kitchen/go', text: 'x', kept }],
      },
    });
    const pressed = async (kept: boolean): Promise<number> => lanesOf(r, await ran(said(kept)))[0]!.found.length;
    expect(await pressed(true)).toBe(0);
    expect(await pressed(false)).toBe(1);
  });

  it('fires once, an hour later by its clock, where the clock skips its time, and once where an hour comes twice', async () => {
    const base = demoJob('rice-pot');
    const at = async (touchedAt: string, clock: string): Promise<number[]> => {
      const sentence = sentenceAt(clock, { id: 's', days: [7], move: base.act.moves[0]!.id });
      const job = { ...base, touchedAt, hands: [], routine: { ...base.routine, sentences: [sentence] } };
      const r = rehearsalFor(job);
      const found = await ran(r);
      expect(firstParting(r, found)).toBeNull();
      return lanesOf(r, found)[0]!.found.map(([from]) => from / 60_000);
    };
    // London: 01:00 becomes 02:00 on 28 March 2027, 02:00 becomes 01:00 on 31 October 2027.
    expect(await at('2027-03-27T12:00:00Z', '01:30')).toEqual([90]);
    expect(await at('2027-10-30T12:00:00Z', '01:30')).toEqual([90]);
  });

  it('is a file of its own for a machine that is built the other way round', () => {
    const one = demoJob('extractor-rocker');
    const twin = { id: 'twin', name: 'twin', side: 'mirrored' as const, order: 1, differs: '', pins: {} };
    const job = { ...one, bench: { ...one.bench, machines: 2, units: [twin] } };
    const files = filesOf(job, assess(job));
    const text = (name: string): string => files.find((f) => f.name === name)!.text;
    expect(text('main-twin.py')).not.toBe(text('main.py'));
    expect(text('test-sheet-twin.csv')).toContain('main-twin.py or gentle_thumb-twin.c');
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
