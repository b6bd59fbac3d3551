import { DateTime } from 'luxon';
import { freshLog, happeningsOf, LOGGED, runTo, worldOf, type WorldEvent } from '../engines/world';
import type { BenchEvent } from '../engines/rehearsal';
import type { Program, ProgramContact, SenseRow } from '../build/program';
import { byteAt, intAt, itemAt, realAt } from '../ground/lists';
import type { Job } from '../ground/job';
import { flagEvents } from '../build/rules';
import { armingsFor, ruledScene, startsAsHappenings, type Scene, type Start } from '../rooms/act';
import { calendarOf, daysFrom, timesOn } from '../rooms/routine';
import type { Seen } from './assess';
import { programFor } from './deliver';
import { REHEARSED_FILE, spansOf, type Pressed, type Rehearsal, type RehearsedLane } from './rehearsed';

/** The settings that stand beside the program on the bench. */
const BENCH_SETTINGS = `import hook
NETWORK = "bench"
PASSWORD = ""
BROKER = "192.0.2.1"
PORT = 1883


def read_sense(i):
    return hook.degrees(1000 + i)
`;
/** Where the bench has what `read_sense` of the settings gives. */
const OWN_SENSE = 1000;
const DAY_SECONDS = 86_400;
/** Days among which the one is looked for on which most comes by the clock. */
const LOOKED_AT = 7;
/** Calls between program and bench in a day: a program of ours takes some thousands. */
const MOST_CALLS = 3_000_000;

/**
 * A day of a job on the bench: the one of the next seven on which most comes by the clock, with whoever arms for it, and with senses that
 * say what the machine of the plan gives them to say. Null where no program is written for the job.
 * @param own a program of the maker's own for the same pins, in place of the written one. Throws WorldProblem for a job that cannot be run.
 */
export function rehearsalOf(job: Job, a: Seen, own: string | null = null): Rehearsal | null {
  const written = programFor(job, a);
  if (!written) return null;
  const { program, text } = written;
  const scene = ruledScene(job);
  const day = busiestDay(job);
  const starts = day.times.map(([at, rule]): Start => {
    const s = job.routine.sentences[rule];
    return {
      at,
      rule,
      move: Math.max(
        0,
        job.act.moves.findIndex((m) => m.id === s?.move),
      ),
      ifArmed: s?.ifArmed === true,
    };
  });
  const hands = armingsFor(scene, starts);
  const given = happeningsOf([...flagEvents(scene.flags, 0, DAY_SECONDS), ...hands, ...startsAsHappenings(starts)]);
  const log = freshLog(1024, [LOGGED.contact, LOGGED.sense]);
  const state = worldOf(scene.world, given, log);
  const first = scene.senses.map((_, i) => intAt(state.heard, i));
  runTo(state, DAY_SECONDS, given, log);
  const edges = (kind: number, index: number): (readonly [number, number])[] =>
    Array.from({ length: log.count }, (_, i) => i).flatMap((i) =>
      log.kind[i] === kind && log.index[i] === index
        ? [[Math.round(1000 * realAt(log.at, i)), intAt(log.value, i)] as const]
        : [],
    );
  const senses = program.senses.map((s) => {
    const n = scene.senses.findIndex((x) => x.id === s.id);
    return {
      s,
      number: program.senses.indexOf(s) + 1,
      first: first[n] ?? 2,
      edges: n < 0 ? [] : edges(LOGGED.sense, n),
    };
  });
  const events = [
    ...hands.flatMap((e) => handEvents(scene, program, e)),
    ...senses.flatMap(({ s, number, first, edges }) => [
      ...says(s, number, 1, first),
      ...edges.flatMap(([at, value]) => says(s, number, Math.max(1, at - (value === 0 ? s.notMs : s.soMs)), value)),
    ]),
  ].sort((x, y) => x.at - y.at);
  const planned = (of: readonly ProgramContact[]): Pressed => {
    const lines = scene.lines.flatMap((l, i) =>
      of.some((c) => c.press === l.press && c.other === l.other) ? [i] : [],
    );
    return spansOf(lines.flatMap((l) => edges(LOGGED.contact, l)).sort((x, y) => x[0] - y[0]));
  };
  return {
    bench: {
      files: { [REHEARSED_FILE]: own ?? text, 'settings.py': BENCH_SETTINGS },
      levels: levelsOf(program, senses),
      events,
      lasts: 1000 * DAY_SECONDS,
      epoch: day.ms / 1000,
      sets: day.ms / 1000,
      network: true,
      calls: MOST_CALLS,
    },
    date: day.date,
    zone: job.region.timeZone,
    lanes: lanesIn(program).map(({ on, ...lane }) => ({ ...lane, planned: planned(on) })),
  };
}

/** A lane with the contacts that stand on it. */
interface SideLane extends Omit<RehearsedLane, 'planned' | 'found'> {
  readonly on: readonly ProgramContact[];
}

/** What presses on which pin. Sides of a servo and directions of a motor are told apart; keys that share a pin are not. */
function lanesIn(program: Program): SideLane[] {
  const pins = [...new Set(program.contacts.map((c) => c.pin))];
  return pins.flatMap((pin): SideLane[] => {
    const on = program.contacts.filter((c) => c.pin === pin);
    const servo = program.servos.find((s) => s.pin === pin);
    const names = [...new Set(on.map((c) => c.name))].join(', ');
    if (servo) {
      const ns = [servo.pulses.rest, servo.pulses.press, servo.pulses.other ?? servo.pulses.rest].map((s) =>
        Math.round(s * 1e9),
      );
      return on.map((c) => ({ pin, name: c.name, levels: [itemAt(ns, c.level)], way: null, on: [c] }));
    }
    const order = program.orders.find((o) => o.pin >= 0 && on.some((c) => o.name === c.name));
    if (order)
      return on.map((c) => ({
        ...{ pin, name: c.name, levels: [c.level], on: [c] },
        way: { pin: order.pin, level: c.other ? order.level : 1 - order.level },
      }));
    return [{ pin, name: names, levels: [...new Set(on.map((c) => c.level))], way: null, on }];
  });
}

interface BusyDay {
  readonly date: string;
  readonly ms: number;
  readonly times: readonly (readonly [seconds: number, rule: number])[];
}
function busiestDay(job: Job): BusyDay {
  const zone = job.region.timeZone;
  const from = DateTime.fromISO(job.touchedAt, { zone }).plus({ days: 1 }).startOf('day').toISO() ?? job.touchedAt;
  const days = daysFrom(from, zone, LOOKED_AT).map((day): BusyDay => {
    const t = timesOn(calendarOf(job), [day]);
    return {
      date: day.date,
      ms: day.ms,
      times: Array.from(t.ms, (ms, i) => [(ms - day.ms) / 1000, byteAt(t.rule, i)] as const),
    };
  });
  return days.reduce((best, d) => (d.times.length > best.times.length ? d : best), itemAt(days, 0));
}

/** A hand at the controller on its pin. */
function handEvents(scene: Scene, program: Program, e: WorldEvent): BenchEvent[] {
  const hand = scene.hands[e.of];
  const row = program.hands[e.of];
  if (!hand || !row || row.pin < 0) return [];
  const at = Math.round(1000 * e.at);
  const level = (moved: boolean): number => (moved ? row.level : 1 - row.level);
  if (e.what === 'let-go') return [{ at, what: 'pin', pin: row.pin, level: level(false) }];
  const on: BenchEvent = { at, what: 'pin', pin: row.pin, level: level(true) };
  return row.stays ? [on] : [on, { at: at + Math.round(1000 * e.how), what: 'pin', pin: row.pin, level: level(false) }];
}

/** A value at which a number says that it is so, or that it is not. */
const shown = (limit: NonNullable<SenseRow['limit']>, yes: boolean): number =>
  yes === limit.soOver ? limit.over + 1 : limit.under - 1;

/** What a sense says from an instant on: 1, 0, or 2 for nothing. */
function says(s: SenseRow, number: number, at: number, value: number): BenchEvent[] {
  if (s.from === 'pin')
    return value > 1 ? [] : [{ at, what: 'pin', pin: s.pin, level: value === 1 ? s.level : 1 - s.level }];
  if (s.from === 'message') {
    const yes = value === 1;
    const text = s.limit ? String(shown(s.limit, yes)) : yes ? 'on' : 'off';
    return value > 1 ? [] : [{ at, what: 'message', topic: s.topic, text }];
  }
  const pin = s.from === 'one-wire' ? s.wire : OWN_SENSE + number;
  if (value > 1) return [{ at, what: 'degrees', pin, degrees: null }];
  if (!s.limit) return [{ at, what: 'degrees', pin, degrees: value }];
  return [{ at, what: 'degrees', pin, degrees: shown(s.limit, value === 1) }];
}

/** Levels of the inputs as the controller finds them. */
function levelsOf(
  program: Program,
  senses: readonly { readonly s: SenseRow; readonly first: number }[],
): Record<number, number> {
  const out: Record<number, number> = {};
  for (const h of program.hands) if (h.pin >= 0) out[h.pin] = 1 - h.level;
  for (const { s, first } of senses) if (s.from === 'pin') out[s.pin] = first === 1 ? s.level : 1 - s.level;
  return out;
}
