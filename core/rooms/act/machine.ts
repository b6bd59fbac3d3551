import { firstItem, itemAt } from '../../ground/lists';
import {
  freshPart,
  type Heed,
  type HeedRole,
  type MachineAsk,
  type MachineKind,
  type MachineModel,
  type MachinePart,
} from '../../ground/job';
import type { MachineTable, TableState } from '../../engines/world';
import { withBehaviours, type Row } from './behaviours';
import { down, long, NOBODY, OBSTACLE, GETS_POWER, LOSES_POWER, up, type PartEvent } from './events';

/** The roles in which presses reach each kind; a part that is stepped through in turn takes its presses one after the other. */
export const ROLES_OF: Readonly<Record<MachineKind, readonly HeedRole[]>> = {
  'starts-and-stops-itself': ['press'],
  flips: ['press'],
  'open-stop-close-stop': ['press'],
  steps: ['press'],
  'on-and-off': ['on', 'off'],
  'opens-and-closes': ['open', 'close', 'stop'],
  'while-held': ['press'],
  'travels-while-held': ['open', 'close'],
  'in-turn': ['press', 'off'],
};

/** What lets go is told to these kinds alone. */
export const HELD_KINDS: readonly MachineKind[] = ['while-held', 'travels-while-held'];

/** A way is never gone in no time at all, s. */
const LEAST_SECONDS = 1e-6;
const DEFAULT_MODES = ['off', 'low', 'high'];

const row = (r: Partial<Row> & { key: string; word: string }): Row => ({
  speed: 0,
  after: null,
  atEnd: null,
  on: {},
  rests: false,
  ...r,
});

/** A part of which enough is known to run it: its kind, the shortest press, and how long it runs or travels where it does. */
export function lacksOfPart(p: MachinePart): string {
  const needs: string[] = [];
  if (p.kind === 'unknown') return 'what a press does';
  if (p.shortestPressSeconds === null) needs.push('the shortest press that it obeys');
  if (RUNS.includes(p.kind) && p.runSeconds === null)
    needs.push(TRAVELS.includes(p.kind) ? 'how long it travels' : 'how long it runs');
  if (p.kind === 'in-turn')
    needs.push(...p.asks.filter((a) => a.seconds === null).map((a) => `how long “${a.word}” takes`));
  if (p.firstPressWakes && p.awakeSeconds === null) needs.push('after how long it sleeps again');
  return needs.join(' and ');
}

/** Kinds that run or travel for a time of their own. */
export const RUNS: readonly MachineKind[] = [
  'starts-and-stops-itself',
  'open-stop-close-stop',
  'opens-and-closes',
  'travels-while-held',
];
/** Kinds with a way between two ends. */
export const TRAVELS: readonly MachineKind[] = ['open-stop-close-stop', 'opens-and-closes', 'travels-while-held'];

/** The rows of a kind, before its other behaviours. */
// eslint-disable-next-line max-lines-per-function -- a table for each kind of machine, read beside each other
function rowsOf(p: MachinePart, turns: number): { start: string; rows: Row[] } {
  const run = p.runSeconds ?? 0;
  const opens = 1 / Math.max(LEAST_SECONDS, run);
  const closes = -1 / Math.max(LEAST_SECONDS, p.backSeconds ?? run);
  const moves = (word: 'opening' | 'closing', on: Row['on'], key: string = word): Row =>
    row({
      key,
      word,
      role: word,
      speed: word === 'opening' ? opens : closes,
      atEnd: word === 'opening' ? 'open' : 'closed',
      on,
    });
  switch (p.kind) {
    case 'starts-and-stops-itself':
      return {
        start: 'at rest',
        rows: [
          row({ key: 'at rest', word: 'at rest', role: 'rest', rests: true, on: { press: 'running' } }),
          row({ key: 'running', word: 'running', role: 'running', after: { seconds: run, then: 'at rest' } }),
        ],
      };
    case 'flips':
      return {
        start: 'off',
        rows: [
          row({ key: 'off', word: 'off', role: 'rest', rests: true, on: { press: 'on' } }),
          row({ key: 'on', word: 'on', role: 'on', on: { press: 'off' } }),
        ],
      };
    case 'steps': {
      const modes = p.modes.length > 1 ? p.modes : DEFAULT_MODES;
      return {
        start: firstItem(modes),
        rows: modes.map((m, i) =>
          row({
            key: m,
            word: m,
            role: i === 0 ? 'rest' : 'on',
            rests: i === 0,
            on: { press: itemAt(modes, (i + 1) % modes.length) },
          }),
        ),
      };
    }
    case 'on-and-off':
      return {
        start: 'off',
        rows: [
          row({ key: 'off', word: 'off', role: 'rest', rests: true, on: { on: 'on' } }),
          row({ key: 'on', word: 'on', role: 'on', on: { off: 'off' } }),
        ],
      };
    case 'while-held':
      return {
        start: 'off',
        rows: [
          row({ key: 'off', word: 'off', role: 'rest', rests: true, on: { press: 'on' } }),
          row({ key: 'on', word: 'on', role: 'on', on: { [up('press').key]: 'off' } }),
        ],
      };
    case 'open-stop-close-stop':
      return {
        start: 'closed',
        rows: [
          row({ key: 'closed', word: 'closed', role: 'rest', rests: true, on: { press: 'opening' } }),
          moves('opening', { press: 'stopped on its way up' }),
          row({ key: 'open', word: 'open', role: 'open', on: { press: 'closing' } }),
          moves('closing', { press: 'stopped on its way down' }),
          // A stop goes on the other way.
          row({ key: 'stopped on its way up', word: 'stopped', role: 'stopped-up', on: { press: 'closing' } }),
          row({ key: 'stopped on its way down', word: 'stopped', role: 'stopped-down', on: { press: 'opening' } }),
        ],
      };
    case 'opens-and-closes':
      return {
        start: 'closed',
        rows: [
          row({ key: 'closed', word: 'closed', role: 'rest', rests: true, on: { open: 'opening' } }),
          moves('opening', { close: 'closing', stop: 'stopped' }),
          row({ key: 'open', word: 'open', role: 'open', on: { close: 'closing' } }),
          moves('closing', { open: 'opening', stop: 'stopped' }),
          row({ key: 'stopped', word: 'stopped', role: 'stopped', on: { open: 'opening', close: 'closing' } }),
        ],
      };
    case 'travels-while-held':
      return {
        start: 'closed',
        rows: [
          row({ key: 'closed', word: 'closed', role: 'rest', rests: true, on: { open: 'opening' } }),
          moves('opening', { [up('open').key]: 'stopped', close: 'closing' }),
          row({ key: 'open', word: 'open', role: 'open', on: { close: 'closing' } }),
          moves('closing', { [up('close').key]: 'stopped', open: 'opening' }),
          row({ key: 'stopped', word: 'stopped', role: 'stopped', on: { open: 'opening', close: 'closing' } }),
        ],
      };
    case 'in-turn': {
      const last = 'ready';
      const keys = ['at rest', ...Array.from({ length: Math.max(0, turns - 1) }, (_, i) => `after ${i + 1}`), last];
      const asks = keys.map((key, i) => askRows(p.asks, i, turns, key));
      // What a press leads to: what is asked for then, else where it waits for the next one.
      const first = (i: number): string => itemAt(asks, i)[0]?.key ?? itemAt(keys, i);
      return {
        start: 'at rest',
        rows: keys.flatMap((key, i) => [
          ...itemAt(asks, i),
          row({
            key,
            word: key,
            role: i === 0 ? 'rest' : key === last ? 'ready' : 'turn',
            rests: i === 0,
            after: key === last && run > 0 ? { seconds: run, then: 'at rest' } : null,
            on: {
              ...(i < keys.length - 1 ? { [turnEvent(p.heeds, i)]: first(i + 1) } : {}),
              ...(i > 0 ? { off: 'at rest' } : {}),
            },
          }),
        ]),
      };
    }
    case 'unknown':
      throw new RangeError(`what a press does to ${p.name} is not known`);
  }
}

/**
 * States between a press and where its turn ends: what the machine does by itself, or what somebody does at it, who may not come. Presses
 * are overlooked meanwhile, apart from the one that cancels.
 */
function askRows(asks: readonly MachineAsk[], turn: number, turns: number, end: string): Row[] {
  const own = asks.filter((a) => Math.min(a.after, turns) === turn);
  const keyOf = (i: number): string => (i < own.length ? `${turn}-${i + 1} ${itemAt(own, i).word}` : end);
  return own.flatMap((a, i): Row[] => {
    const after = { seconds: a.seconds ?? 0, then: keyOf(i + 1) };
    const off = { off: 'at rest' };
    if (a.by === 'itself') return [row({ key: keyOf(i), word: a.word, role: 'asks', after, on: off })];
    const word = `asks for ${a.word}`;
    const left = `${keyOf(i)}, left alone`;
    return [
      row({ key: keyOf(i), word, role: 'asks', after, on: { ...off, [NOBODY.key]: left } }),
      row({ key: left, word, role: 'asks', on: off }),
    ];
  });
}

/** What a part that asks in turn meets at its n-th press: a key that comes again meets what it met before. */
export function turnEvent(heeds: readonly Heed[], turn: number): string {
  const keys = heeds.filter((h) => h.as === 'press');
  const key = keys[turn];
  const first = key ? keys.findIndex((h) => h.press === key.press && h.other === key.other) : turn;
  return `press ${first + 1}`;
}

/** The events that a part can meet, in the order of its columns. */
function eventsOf(p: MachinePart, kind: MachineKind, turns: number): PartEvent[] {
  const roles =
    kind === 'in-turn' ? [...Array.from({ length: turns }, (_, i) => `press ${i + 1}`), 'off'] : ROLES_OF[kind];
  return [
    ...roles.map(down),
    ...(HELD_KINDS.includes(kind) ? roles.map(up) : []),
    ...(p.longPress === 'same' ? [] : roles.map(long)),
    ...(p.whenBlocked === 'goes-on' ? [] : [OBSTACLE]),
    ...(kind === 'in-turn' && p.asks.some((a) => a.by === 'hand') ? [NOBODY] : []),
    LOSES_POWER,
    GETS_POWER,
  ];
}

/** How many presses a part that asks in turn takes. */
const turnsOf = (p: MachinePart): number => Math.max(1, p.heeds.filter((h) => h.as === 'press').length);

/**
 * The state table of a part whose kind is known: what its kind does, then its other behaviours, then the cells that the maker set.
 * Throws RangeError for a part of unknown kind.
 */
export function tableOf(p: MachinePart): MachineTable {
  if (p.kind === 'unknown') throw new RangeError(`what a press does to ${p.name} is not known`);
  const turns = turnsOf(p);
  const { start, rows } = rowsOf(p, turns);
  const met = eventsOf(p, p.kind, turns);
  const done = withBehaviours(p, start, rows, met);
  const events = met.map((e) => e.key);
  const states = done.rows.map(({ rests: _rests, ...s }): TableState => {
    const own = p.cells.filter((c) => c.state === s.key && events.includes(c.event));
    const others = Object.entries(s.on).filter(([event]) => !own.some((c) => c.event === event));
    const on = [...others, ...own.flatMap((c) => (c.to === '' ? [] : [[c.event, c.to] as const]))];
    return { ...s, on: Object.fromEntries(on) };
  });
  return { start: done.start, events, states };
}

/** A stand-in's machine as a part. */
export const partOfModel = (m: MachineModel): MachinePart => ({
  ...freshPart('machine', 'machine'),
  ...m,
});

/**
 * States in which a part rests, and those in which it stands where it began, with or without power: what a contact at rest tells.
 * @param table its own.
 */
export function restKeys({ states }: MachineTable): {
  readonly powered: readonly string[];
  readonly placed: readonly string[];
} {
  const powered = (['rest', 'asleep'] as const)
    .flatMap((role) => states.filter((s) => s.role === role))
    .map((s) => s.key);
  const dark = states.filter((s) => s.darkOf !== undefined && powered.includes(s.darkOf)).map((s) => s.key);
  return { powered, placed: [...powered, ...dark] };
}
