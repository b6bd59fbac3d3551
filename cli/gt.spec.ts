import { readdirSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { calledIn, root } from './called';

import { seededRandom } from '../core/ground/quantity';
import { padCapture, PROOFER_PAD } from '../core/engines/standin';

const { folder, gt, json } = calledIn();

beforeAll(() => {
  writeFileSync(join(folder, 'c.json'), gt('new', '--title', 'Pot').out);
  writeFileSync(join(folder, 'broken.json'), '{"format": "gentle-thumb/job", ');
  writeFileSync(join(folder, 'huge.json'), '');
  truncateSync(join(folder, 'huge.json'), 200e6);
});

const LINES = [
  'start A idle 4.98 V',
  'start B idle 0 V',
  'start A pressed 3 mV',
  'start A-B pressed 0.4 ohm',
  'mains plug turns',
  'start A to neutral off >20M',
  'ground to live off 14M',
  'start A to earth on 0.3 VAC',
  'start short 0.5 mA',
  'start look springs back',
  'start A neighbour 4.98 V',
  'supply main 5.02 V always',
  'note: foam behind the board',
];

describe('the command line', () => {
  it('walks from a title to packed files', () => {
    writeFileSync(join(folder, 'a.json'), gt('new', '--title', 'Rice pot').out);
    const noted = gt('note', 'a.json', ...LINES);
    expect(noted.status).toBe(0);
    writeFileSync(join(folder, 'b.json'), noted.out);
    const job = JSON.parse(noted.out) as { readings: unknown[]; controls: { name: string }[]; log: unknown[] };
    expect(job.controls).toMatchObject([{ name: 'start' }]);
    expect(job.readings).toHaveLength(11);
    expect(job.log).toHaveLength(14);

    const findings = json<Record<string, unknown>[]>('assess', 'b.json');
    for (const f of findings)
      expect(Object.keys(f)).toEqual(
        expect.arrayContaining(['id', 'room', 'verdict', 'title', 'value', 'limit', 'steps', 'source', 'remedy']),
      );

    const probe = json<{
      candidates: { kind: string; probability: number; parameters: Record<string, { nominal: number }> }[];
      next: unknown;
      contradictions: unknown[];
      remainder: { probability: number };
    }>('probe', 'b.json', '--control', 'start');
    expect(probe.candidates[0]!.kind).toBe('low-when-pressed');
    expect(probe.candidates[0]!.parameters['supplyVolts']!.nominal).toBeCloseTo(4.98, 1);
    expect(probe.candidates[0]!.probability).toBeGreaterThan(0.95);
    expect(probe.candidates.reduce((s, c) => s + c.probability, probe.remainder.probability)).toBeCloseTo(1, 9);
    expect(probe.contradictions).toEqual([]);

    const packed = json<{ files: string[] }>('pack', join(root, 'demo/rice-pot.json'), 'out');
    expect(readdirSync(join(folder, 'out')).sort()).toEqual([...packed.files].sort());
    expect(readFileSync(join(folder, 'out/rice-pot.job.json'), 'utf8')).toBe(
      readFileSync(join(root, 'demo/rice-pot.json'), 'utf8'),
    );
  });

  it('simulates the same days for the same seed', () => {
    const file = join(root, 'demo/rice-pot.json');
    const once = json<{ starts: number; asBelieved: number }>('days', file, '--seed', '4711', '--days', '365');
    expect(json('days', file, '--seed', '4711', '--days', '365')).toEqual(once);
    const looks = json<{ presses: number; policy: string }>(
      ...(['days', file, '--seed', '4711', '--days', '365', '--policy', 'look-again', '--move', 'cook'] as const),
    );
    expect(looks.policy).toBe('look-again');
    expect(once.starts).toBeGreaterThan(255);
    expect(once.asBelieved).toBeLessThanOrEqual(once.starts);
  });

  it('runs a move with faults, finds the way from here, and searches the stories that break a condition', () => {
    const file = join(root, 'demo/yard-gate.json');
    writeFileSync(join(folder, 'faults.json'), JSON.stringify([{ kind: 'power-cut', atSeconds: 10, seconds: 20 }]));
    const told = json<{ parts: { machine: { word: string }[] }[]; noPower: { from: number }[] }>(
      ...(['run', file, '--move', 'close', '--faults', 'faults.json'] as const),
    );
    // It stops where the power left it; the pin twitches as the controller comes up, and it goes on.
    expect(told.parts[0]!.machine.map((s) => s.word)).toEqual(
      expect.arrayContaining(['closed', 'opening', 'no power', 'stopped', 'closing']),
    );
    expect(told.noPower).toMatchObject([{ from: 10 }]);
    // A hand at the controller is named with its side, and goes before the move: the other way, once the motor rests.
    const hand = { kind: 'hand-moved', atSeconds: 2, seconds: 3, of: 'rocker/down' };
    writeFileSync(join(folder, 'hand.json'), JSON.stringify([hand]));
    const shutter = join(root, 'demo/hatch-shutter.json');
    const led = json<{ outputs: { name: string; spans: { from: number; to: number }[] }[] }>(
      ...(['run', shutter, '--move', 'open', '--faults', 'hand.json'] as const),
    );
    // 30 ms until it is felt, 400 ms of coast, 52 ms from the direction to the power.
    const ms = led.outputs.map((o) => o.spans.map((s) => [s.from, s.to].map((x) => Math.round(1000 * x))));
    expect(ms).toEqual([[[52, 2030]], [[2482, 5030]]]);
    const way = json<{ words: string[] }>('plan', file, '--from', 'open', '--to', 'closed');
    expect(way.words).toEqual(['1. Press gate.', '2. Wait 16 s, until nothing moves.']);
    expect(json<{ found: boolean }>('plan', file, '--to', 'closed').found).toBe(false);
    const found = json<{ broken: { never: string; story: string[]; answers: string[] }[] }>(
      'search',
      file,
      '--faults',
      '1',
    );
    expect(found.broken.map((b) => b.never)).toEqual([
      '“open” for longer than 18 h',
      '“closing” without 3 s of warning before it',
    ]);
    expect(found.broken[1]!.answers).toContain('pins that keep still at power-up');
    for (const [args, words] of [
      [['run', file, '--move', 'fly'], /no move fly; it has: close/],
      [['plan', file, '--to', 'gone'], /--to names gone, and the states are: closed, opening/],
      [['search', file, '--faults', '3'], /--faults wants a whole number from 0 to 2/],
      [['days', file, '--seed', '1', '--days', '9', '--policy', 'look-again'], /needs a sense/],
    ] as const)
      expect(gt(...args)).toMatchObject({ status: 2, err: expect.stringMatching(words) });
  });

  it('decodes a keypad into a map file, and leads along a strip', () => {
    const random = seededRandom(2);
    for (const key of [null, '1', 'start'])
      writeFileSync(join(folder, `${key ?? 'idle'}.vcd`), padCapture(PROOFER_PAD, key, 30, random));
    const map = json<{ keys: { label: string; strobe: string; sense: string }[]; scan: { periodSeconds: number } }>(
      'keypad',
      'idle.vcd',
      '1.vcd',
      'start.vcd',
      '--out',
      'map.json',
    );
    expect(map.keys.map((k) => [k.label, k.strobe, k.sense])).toEqual([
      ['1', 'R1', 'C1'],
      ['start', 'R4', 'C3'],
    ]);
    expect(JSON.parse(readFileSync(join(folder, 'map.json'), 'utf8'))).toEqual(map);
    const [strip] = json<{ name: string; found: { a: number; b: number }; pairs: unknown[] }[]>(
      'terminals',
      join(root, 'demo/yard-gate.json'),
    );
    expect(strip).toMatchObject({ name: 'back', found: { a: 3, b: 4 } });
    expect(strip!.pairs).toHaveLength(15);
  });

  it('ranks the ways of pressing with their parts, wires and what would help', () => {
    interface Ranked {
      way: string;
      verdict: string;
      applies: boolean;
      parts: { quantity: number }[];
      wires: { number: number }[];
      wouldHelp: { say: string; after: string }[];
    }
    const ways = json<Ranked[]>('ways', join(root, 'demo/rice-pot.json'));
    expect(ways).toHaveLength(18);
    expect(ways[0]).toMatchObject({ way: 'solid-state-relay', verdict: 'settled', applies: true, wouldHelp: [] });
    // Three for its driver and sides, four more for the one-shot, four for what times it, two for the pull-down.
    expect(ways[0]!.wires.map((w) => w.number)).toEqual(Array.from({ length: 13 }, (_, i) => i + 1));
    expect(ways.find((w) => w.way === 'relay-contact')!.wouldHelp[0]).toMatchObject({ after: 'settled' });
    expect(ways.filter((w) => !w.applies).every((w) => w.wouldHelp.length === 0)).toBe(true);
    expect(json<Ranked[]>('ways', 'c.json')).toEqual([]);
  });

  it.each<[string, string[], RegExp]>([
    ['a recording that is none', ['trace', 'broken.json'], /No row has a time/],
    ['a recording that is not there', ['trace', 'nowhere.csv'], /cannot be read \(ENOENT\)/],
    ['a tariff that is none', ['trace', 'broken.json', '--tariff', 'much'], /--tariff wants a number/],
    ['too few times', ['travel', '21.4'], /take 3 at least/],
    ['a time that is none', ['travel', '21.4', 'soon', '3'], /"soon" is no number/],
    ['a capture that is none', ['keypad', 'broken.json'], /head and no rows/],
    ['a capture that is not there', ['keypad', 'nowhere.vcd'], /cannot be read \(ENOENT\)/],
    ['no verb', [], /usage/],
    ['an unknown verb', ['fly'], /usage/],
    ['an unknown flag', ['new', '--name', 'x'], /name/],
    ['no title', ['new'], /--title/],
    ['a file that is not there', ['assess', 'nowhere.json'], /cannot be read \(ENOENT\)/],
    [
      'a note with nonsense',
      ['note', 'c.json', 'start A idle 5 V', 'start A idel 5 V'],
      /line 2, character 9: "idel" is no state.*did you mean: start A idle 5 V/,
    ],
    ['no such control', ['probe', 'c.json', '--control', 'stop'], /no control stop/],
    ['days that are none', ['days', 'c.json', '--seed', '1', '--days', '0'], /--days wants a whole number/],
    ['a broken file', ['assess', 'broken.json'], /not complete JSON/],
    ['a huge file', ['assess', 'huge.json'], /200 MB/],
    ['a folder that cannot be made', ['pack', 'c.json', 'c.json/out'], /cannot be written/],
  ])('refuses %s with one line and exit 2', (_name, args, message) => {
    const { status, out, err } = gt(...args);
    expect(status).toBe(2);
    expect(out).toBe('');
    expect(err.split('\n')).toHaveLength(1);
    expect(err).toMatch(/^gt: /);
    expect(err).toMatch(message);
  });

  it('tells the tree of supplies with its worst instants and leads', () => {
    const told = json<{
      nodes: { id: string; peakAmps: number; leastVolts: number }[];
      worst: { source: string; amps: number; when: string }[];
      cuts: { metres: number }[];
      findings: { room: string }[];
    }>('feed', join(root, 'demo/steam-flaps.json'));
    expect(told.nodes.find((n) => n.id === 'flap-8/motor')!.leastVolts).toBeGreaterThan(9.6);
    expect(told.worst).toMatchObject([{ source: 'plug-in supply', when: 'the press script, 4.5 s after it began' }]);
    expect(told.cuts).toMatchObject([{ metres: 3 }]);
    expect(told.findings.every((f) => f.room === 'feed')).toBe(true);
  });

  it('tells every part with every rating, one part, or what stands open; an unknown part is named', () => {
    type Told = {
      part: string;
      verdict: string;
      ratings: { verdict: string; value: unknown }[];
      doesNotApply: unknown[];
    }[];
    const gate = join(root, 'demo/yard-gate.json');
    const all = json<Told>('ledger', gate);
    expect(all.map((p) => p.part)).toContain('base resistor of gate');
    expect(all.map((p) => p.part)).toContain('lead');
    expect(json<Told>('ledger', gate, '--part', 'pin of gate')).toMatchObject([
      { part: 'pin of gate', verdict: 'settled', ratings: [{ verdict: 'settled' }], doesNotApply: [{}, {}, {}] },
    ]);
    expect(json<Told>('ledger', gate, '--open').every((p) => p.verdict !== 'settled')).toBe(true);
    expect(gt('ledger', gate, '--part', 'flux')).toMatchObject({
      status: 2,
      err: expect.stringContaining('no part is called'),
    });
  });

  it('applies edits as data, and refuses one with its number, place and reason', () => {
    const good = [
      { do: 'set', at: 'feed.duty', set: { wakesPerDay: 24, wakeSeconds: 4 } },
      { do: 'put', list: 'act.faults', item: { id: 'f1', kind: 'missed-press', atSeconds: 0, seconds: 0, of: '' } },
    ];
    writeFileSync(join(folder, 'good.json'), JSON.stringify(good));
    const job = json<{ feed: { duty: { wakesPerDay: number } }; act: { faults: unknown[] }; log: { text: string }[] }>(
      'edit',
      'c.json',
      'good.json',
    );
    expect(job.feed.duty.wakesPerDay).toBe(24);
    expect(job.act.faults).toHaveLength(1);
    // The words of the log come from the fields.
    expect(job.log.map((l) => l.text)).toContain('controller: wakes in a day 24, and is awake for 4 s');
    writeFileSync(
      join(folder, 'bad.json'),
      JSON.stringify([...good, { do: 'set', at: 'feed.duty', set: { wakesPerDay: 1e6 } }]),
    );
    expect(gt('edit', 'c.json', 'bad.json')).toEqual({
      status: 2,
      out: '',
      err:
        'gt: edit 3: A part of the job is not as it should be: feed.duty.wakesPerDay: not above 86400. ' +
        '(field "feed.duty.wakesPerDay") Give a value within its bounds. Nothing was changed.',
    });
    writeFileSync(join(folder, 'odd.json'), '[{"do": "drop", "list": "survey.rails", "key": "gone"}, 7]');
    expect(gt('edit', 'c.json', 'odd.json').err).toMatch(/edit 1: The list survey\.rails has no gone/);
    writeFileSync(join(folder, 'half.json'), '[{"do": ');
    expect(gt('edit', 'c.json', 'half.json').err).toMatch(/half\.json: is not complete JSON/);
  });

  it('signs nothing off by an edit before every other step has passed', () => {
    const trial = {
      id: 'signed',
      step: 'sign-off',
      at: '2026-03-02T15:00:00Z',
      outcome: 'as-expected',
      count: 1,
      failed: 0,
      observed: 'as expected',
      on: 'hand',
      by: 'x',
      basis: 'x',
    };
    const edit = { do: 'add-trial', trial, say: 'signed off' };
    for (const [name, content] of Object.entries({
      'sign.json': edit,
      'signs.json': { do: 'several', edits: [edit] },
    })) {
      writeFileSync(join(folder, name), JSON.stringify(content));
      expect(gt('edit', 'c.json', name)).toMatchObject({ status: 2, out: '' });
      expect(gt('edit', 'c.json', name).err).toMatch(/it cannot be signed off yet: /);
    }
  });

  it('tells a year of rules, why one did not act at an instant, and the range of a number', () => {
    const shutter = join(root, 'demo/hatch-shutter.json');
    const year = json('year', shutter, '--from', '2026-12-01') as {
      days: number;
      rules: { rule: number; became: Record<string, number> }[];
    };
    expect(year.days).toBe(366);
    expect(year.rules[2]!.became).toMatchObject({ done: expect.any(Number), 'held-back': expect.any(Number) });
    const why = json('why', shutter, '--at', '2026-12-04T18:30:00Z') as { modesOn: string[]; rules: object[] };
    expect(why.modesOn).toEqual(['away']);
    expect(why.rules.at(-1)).toMatchObject({ rule: 3, became: 'held-back', by: 'rule 5' });
    const regret = json('regret', shutter, '--of', '3.offsetSeconds') as { points: object[]; now: number };
    expect(regret.now).toBe(1200);
    expect(regret.points.length).toBeGreaterThan(20);
    const years = json('year', shutter, '--from', '2026-12-01', '--years', '3') as {
      begins: string[];
      rules: { acts: number[]; lost: number[]; by: string }[];
    };
    expect(years.begins).toEqual(['2026-12-01', '2027-12-01', '2028-12-01']);
    expect(years.rules[2]!.acts).toHaveLength(3);
    expect(years.rules[2]!.by).toBe('held-back');
    for (const [args, words] of [
      [['year', shutter], /--from/],
      [['year', shutter, '--from', '2026-12-01', '--years', '0'], /0 years: a whole number from 1 to 50/],
      [['year', shutter, '--from', '2027-02-29'], /there is no "2027-02-29"/],
      [['year', shutter, '--from', '2026-12-01', '--place', '91,0'], /--place wants latitude/],
      [['why', shutter, '--at', 'noon'], /there is no "noon"/],
      [['regret', shutter, '--of', '9.offsetSeconds'], /--of wants the number of a rule, 1 to 5/],
    ] as const)
      expect(gt(...args)).toMatchObject({ status: 2, out: '', err: expect.stringMatching(words) });
  });

  it('takes no fault at a time that is none', () => {
    writeFileSync(join(folder, 'late.json'), '[{"kind": "power-cut", "atSeconds": 1e999, "seconds": 1}]');
    const gate = join(root, 'demo/yard-gate.json');
    expect(gt('run', gate, '--faults', 'late.json')).toMatchObject({ status: 2, out: '' });
    expect(gt('run', gate, '--faults', 'late.json').err).toMatch(/fault 1 wants atSeconds and seconds from 0 to/);
  });
});
