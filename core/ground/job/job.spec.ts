import { readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';
import {
  edited,
  editsJsonSchema,
  freshJob,
  jobJsonSchema,
  jobText,
  JOB_TEXT_LIMIT,
  loadJob,
  machineOf,
  migrate,
  returnTo,
  scriptOf,
  tooLarge,
  WAY_WISHES,
  type Job,
} from '.';
import { problemOfGroup, type AnyFields } from '../field';
import { jobFields } from './document/fields';
import { jobSchema } from './document/schema';

const NOW = '2026-03-02T14:05:00Z';
const job = (): Job => freshJob({ title: 'Rice pot' }, 'j1', NOW);
const file = (path: string): string => readFileSync(new URL(`../../../${path}`, import.meta.url), 'utf8');
const DEMOS = [
  'rice-pot',
  'yard-gate',
  'larder-dehumidifier',
  'dough-proofer',
  'cold-room-alarm',
  'hatch-shutter',
  'extractor-rocker',
  'hood-fan',
];

describe('edits', () => {
  it('leaves the given job as it was and writes one line into the log', () => {
    const before = job();
    const frozen = JSON.stringify(before);
    const after = edited(
      before,
      { do: 'set', at: 'wish', set: { when: 'noon' }, say: 'when: noon' },
      '2026-03-02T15:00:00Z',
    );
    expect(JSON.stringify(before)).toBe(frozen);
    expect(after.wish.when).toBe('noon');
    expect(after.touchedAt).toBe('2026-03-02T15:00:00Z');
    expect(after.log.at(-1)).toEqual({ at: '2026-03-02T15:00:00Z', room: 'wish', text: 'when: noon' });
  });

  it('makes the first control the one to press, and knows it by its id afterwards', () => {
    let j = edited(job(), { do: 'add-control', id: 'a', name: 'start' }, NOW);
    j = edited(j, { do: 'add-control', id: 'b', name: 'stop' }, NOW);
    j = edited(j, { do: 'add-control', id: 'a', name: 'start' }, NOW);
    expect(j.controls.map((c) => c.id)).toEqual(['a', 'b']);
    expect(j.presses[0]!.control).toBe('a');
  });

  it('ticks with a date, and takes the tick back', () => {
    const on = edited(job(), { do: 'tick', step: 'x', title: 'X', on: true }, NOW);
    expect(on.guard.ticks).toEqual({ x: NOW });
    expect(edited(on, { do: 'tick', step: 'x', title: 'X', on: false }, NOW).guard.ticks).toEqual({});
  });

  it('refuses to strike what is not there', () => {
    expect(() => edited(job(), { do: 'strike-reading', id: 'no', struck: true }, NOW)).toThrow(RangeError);
    expect(() => edited(job(), { do: 'change-control', id: 'no', set: {}, say: '' }, NOW)).toThrow(RangeError);
  });

  it('goes back without losing a line of the log', () => {
    const first = job();
    const second = edited(first, { do: 'title', title: 'Pot', place: '' }, NOW);
    const back = returnTo(second, first, NOW, 'undone: called Pot');
    expect(back.title).toBe('Rice pot');
    expect(back.log.map((e) => e.text)).toEqual(['job begun: Rice pot', 'called Pot', 'undone: called Pot']);
  });
});

describe('job files', () => {
  it.each(DEMOS)('reads the demo job %s, and writes it back the same', (name) => {
    const text = file(`demo/${name}.json`);
    const loaded = loadJob(text);
    expect(loaded.ok).toBe(true);
    if (loaded.ok) expect(jobText(loaded.job)).toBe(text);
  });

  /** Fields that a later version took away on purpose, with the version that did. */
  const GONE = [
    'version',
    'thumb.relayContact',
    'thumb.motor.contactAmps',
    'board.activeHigh',
    'guard.contactAmps',
    'guard.loadKind',
    'thumb.wishes',
    // The first press of a script says which press it is now.
    'version',
  ];
  /** Where this version keeps what earlier ones said elsewhere, as a document of the old shape. */
  const asBefore = (job: Job): unknown => {
    const [press] = job.presses;
    const pin = (line: string | undefined): number | null => job.board.pins.find((p) => p.line === line)?.gpio ?? null;
    const [sense] = job.senses;
    const [supply] = job.feed.sources;
    const lead = job.feed.links.find((l) => l.kind === 'lead');
    return {
      ...job,
      feed: {
        ...supply,
        supply: supply?.name ?? '',
        volts: supply?.volts ?? null,
        amps: supply?.amps ?? null,
        leadMetres: lead?.metres ?? null,
        leadSquareMetres: lead?.squareMetres ?? null,
      },
      thumb: { ...job.bench, ...press },
      board: {
        ...job.board,
        pressPin: pin(press?.id),
        armPin: pin(job.hands[0]?.id),
        sensorPin: pin(sense?.id),
        pullDown: press?.pullDown ?? false,
      },
      sense: { contact: sense?.tells ?? 'none', restsClosed: sense?.closedThen ?? true },
      act: { ...job.act, machine: machineOf(job), script: scriptOf(job) },
    };
  };
  /** Paths at which a new document no longer holds what an old one said. */
  const lost = (old: unknown, now: unknown, path = ''): string[] => {
    if (typeof old !== 'object' || old === null) return old === now || GONE.includes(path) ? [] : [path];
    return Object.entries(old).flatMap(([k, v]) => {
      const at = path ? `${path}.${k}` : k;
      return GONE.includes(at) ? [] : lost(v, (now as Record<string, unknown> | null)?.[k], at);
    });
  };

  it.each([1, 2, 3])('still reads version %i as it was frozen, and loses nothing that it said', (n) => {
    const text = file(`core/ground/job/versions/v${n}.json`);
    const old = loadJob(text);
    expect(old).toMatchObject({
      ok: true,
      job: {
        version: 18,
        survey: { mains: { feed: 'unknown' } },
        bench: { picks: {} },
        presses: [{ given: [] }],
        guard: { place: 'unknown', cutOff: 'none' },
      },
    });
    if (!old.ok) return;
    expect(lost(JSON.parse(text), asBefore(old.job))).toEqual([]);
    expect([...old.job.bench.wishes].sort()).toEqual([...WAY_WISHES].sort());
    // Which joint a trial of before was made on is not known: it stands in the record and counts for nothing.
    expect(old.job.trials.every((t) => t.basis === '' && t.by === '')).toBe(true);
  });

  // The outputs were frozen with the steps: whatever today's fields begin with, yesterday's step gives what it gave.
  it.each([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17])(
    'takes a document of version %i one step on, to what was frozen',
    (n) => {
      const from = JSON.parse(file(`core/ground/job/versions/v${n}.json`)) as Record<string, unknown>;
      const to = JSON.parse(file(`core/ground/job/versions/v${n}-as-${n + 1}.json`)) as unknown;
      expect(migrate(from, undefined, n + 1)).toEqual(to);
    },
  );

  it('makes a gold contact of version 2 the part that is picked, and keeps the order of its wishes', () => {
    const text = file('core/ground/job/versions/v2.json');
    const gold = loadJob(text.replace('"relayContact": "power"', '"relayContact": "signal"'));
    expect(gold.ok && gold.job.bench.picks).toEqual({ relay: 'relay-signal' });
    expect(gold.ok && gold.job.bench.wishes.slice(0, 9)).toEqual(
      (JSON.parse(text) as { thumb: { wishes: string[] } }).thumb.wishes,
    );
  });

  it(
    'takes a machine of version 3 that nobody described for unknown, values that differ ' +
      'from the beginning for given, and own parts without new ratings for poor ones',
    () => {
      const d = JSON.parse(file('core/ground/job/versions/v3.json')) as Record<string, Record<string, unknown>>;
      d['act'] = {
        ...d['act'],
        script: [],
        machine: {
          kind: 'starts-and-stops-itself',
          shortestPressSeconds: 0.04,
          runSeconds: 1500,
          afterPowerCut: 'off',
        },
      };
      d['thumb'] = {
        ...d['thumb'],
        finger: { ...(d['thumb']!['finger'] as object), hornMetres: 0.03 },
        parts: [{ id: 'mine', kind: 'relay', name: 'mine', values: { contactAmps: [5, 5, 5] } }],
      };
      const r = loadJob(JSON.stringify(d));
      expect(r).toMatchObject({
        ok: true,
        job: {
          act: { parts: [], moves: [] },
          presses: [{ given: ['finger.hornMetres'] }],
          bench: {
            parts: [{ values: { contactAmps: [5, 5, 5], inrushAmps: [5, 5, 5], isolationVolts: [100, 100, 100] } }],
          },
        },
      });
    },
  );

  const spoil = (change: (d: Record<string, unknown>) => void): string => {
    const d = JSON.parse(file('demo/rice-pot.json')) as Record<string, unknown>;
    change(d);
    return JSON.stringify(d);
  };

  it.each<[string, string, RegExp, RegExp]>([
    ['an empty file', '', /not complete JSON/, /empty/],
    ['a file cut off', file('demo/rice-pot.json').slice(0, 900), /not complete JSON/, /end|line \d+/],
    ['a slip of the pen', '{"format": oops}', /not complete JSON/, /line 1, column \d+|end/],
    ['something else', '{"name":"x"}', /not a Gentle Thumb job/, /format/],
    ['a list', '[1,2]', /not a Gentle Thumb job/, /format/],
    ['a newer one', spoil((d) => (d['version'] = 19)), /version 19/, /version/],
    ['no version', spoil((d) => delete d['version']), /which version/, /version/],
    [
      'a wrong type',
      spoil((d) => ((d['presses'] as Record<string, unknown>[])[0]!['resistorOhms'] = 'many')),
      /presses\[0\]\.resistorOhms/,
      /presses\[0\]\.resistorOhms/,
    ],
    ['an unknown field', spoil((d) => (d['extra'] = 1)), /extra/, /field/],
    ['a bad time', spoil((d) => (d['createdAt'] = 'yesterday')), /createdAt: must be a time/, /createdAt/],
    [
      'a reading off the map',
      spoil((d) => ((d['readings'] as Record<string, unknown>[])[0]!['state'] = 'perhaps')),
      /readings\[0\]\.state/,
      /readings\[0\]\.state/,
    ],
  ])('refuses %s, saying what and where', (_name, text, what, where) => {
    const loaded = loadJob(text);
    expect(loaded.ok).toBe(false);
    if (loaded.ok) return;
    expect(loaded.problem.what).toMatch(what);
    expect(loaded.problem.where).toMatch(where);
    expect(loaded.problem.todo.length).toBeGreaterThan(10);
  });

  it('refuses what is too large before reading it', () => {
    expect(tooLarge(200e6)).toMatchObject({ ok: false, problem: { what: expect.stringContaining('200 MB') } });
    expect(loadJob(' '.repeat(JOB_TEXT_LIMIT + 1))).toMatchObject({ ok: false });
  });
});

describe('migrations', () => {
  it('goes one version at a time, and says where a step is missing', () => {
    const steps = { 1: (d: object) => ({ ...d, b: 1 }), 2: (d: object) => ({ ...d, c: 2 }) };
    expect(migrate({ version: 1, a: 0 }, steps, 3)).toEqual({ version: 3, a: 0, b: 1, c: 2 });
    expect(() => migrate({ version: 1 }, { 2: steps[2] }, 3)).toThrow(/from version 1 to 2/);
    expect(migrate({ version: 18, a: 0 })).toEqual({ version: 18, a: 0 });
  });
});

describe('three readers of one description', () => {
  const shipped = JSON.parse(file('docs/job.schema.json')) as Record<string, unknown>;
  const validate = new Ajv({ strict: false }).compile(shipped);

  it('ships the JSON Schemas that the fields make', () => {
    expect(shipped).toEqual(jobJsonSchema());
    expect(JSON.parse(file('docs/edits.schema.json'))).toEqual(editsJsonSchema());
  });

  it.each(DEMOS)('accepts the demo job %s', (name) => {
    validate(JSON.parse(file(`demo/${name}.json`)));
    expect(validate.errors).toBeNull();
  });

  // Every leaf of a full job is spoiled in several ways; two independent validators must agree with our own walk each time.
  it('agree on every spoiled field: our walk, Yup and Ajv', () => {
    const full = JSON.parse(file('demo/rice-pot.json')) as Job;
    // Two demo jobs together have every part: keypads and rails from the one, sizes and strips from others.
    const part = (name: string): Job['survey'] => (JSON.parse(file(`demo/${name}.json`)) as Job).survey;
    const pad = part('dough-proofer');
    full.survey = {
      ...pad,
      pieces: part('hatch-shutter').pieces,
      strips: part('yard-gate').strips,
      photos: [{ id: 'p', name: 'board', width: 640, height: 480, pins: [{ x: 0.5, y: 0.25, label: 'start A' }] }],
    };
    full.feed = (JSON.parse(file('demo/steam-flaps.json')) as Job).feed;
    const whole = full as unknown;
    const paths: (string | number)[][] = [];
    const walk = (x: unknown, path: (string | number)[]): void => {
      paths.push(path);
      if (Array.isArray(x)) x.slice(0, 1).forEach((y, i) => walk(y, [...path, i]));
      else if (x && typeof x === 'object') Object.entries(x).forEach(([k, y]) => walk(y, [...path, k]));
    };
    walk(whole, []);
    let refused = 0;
    for (const path of paths.filter((p) => p.length > 0))
      for (const bad of [undefined, null, 'zzz', -1.5, 1e12, true, [], {}, ['x'], { x: 1 }]) {
        const copy = structuredClone(whole);
        const owner = path.slice(0, -1).reduce((o, k) => (o as Record<string | number, unknown>)[k], copy) as Record<
          string | number,
          unknown
        >;
        const key = path[path.length - 1]!;
        if (bad === undefined) {
          if (Array.isArray(owner)) continue;
          Reflect.deleteProperty(owner, key);
        } else owner[key] = bad;
        const ours = problemOfGroup(jobFields as unknown as AnyFields, copy, '') === null;
        if (!ours) refused++;
        const where = { path: path.join('.'), bad };
        expect({ ...where, ajv: validate(copy), yup: jobSchema.isValidSync(copy, { strict: true }) }).toEqual({
          ...where,
          ajv: ours,
          yup: ours,
        });
      }
    expect(refused).toBeGreaterThan(600);
  });
});
