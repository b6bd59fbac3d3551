import { neverSaid, pressedBy, sayAt, sidesOf, type Job, type Sentence } from '../../ground/job';
import { minutesOf } from '../../ground/quantity';
import { inWindow, leastOn } from '../rules';
import { packedContacts } from './contacts';
import { rulesPart } from './rules';
import { moveNumber, stepRows } from './steps';
import type {
  HandRow,
  OrderRow,
  Program,
  ProgramHand,
  ProgramOrder,
  ProgramPins,
  ProgramPress,
  WeekRow,
} from './types';

/** A tick may be late by half the shortest press, and by no more than this, ms: a press stays under twice its length. */
const MOST_LATE_MS = 50;

type Bits = (press: string, other: boolean) => number;
const milliseconds = (s: number): number => Math.round(s * 1000);

const orderRow = (p: ProgramPress, o: ProgramOrder, bits: Bits): OrderRow => ({
  name: p.name,
  sides: [bits(p.id, false), bits(p.id, true)],
  apartMs: milliseconds(o.apartSeconds),
  leadMs: milliseconds(o.leadSeconds),
  pin: o.by === 'direction' ? p.pin : -1,
  level: o.by === 'direction' && p.pressesOn === 'high' ? 1 : 0,
});

/** A sentence of a clock time on its days; one of the sun or of a calendar comes true by itself. */
function weekRow(job: Job, s: Sentence, rule: number): WeekRow[] {
  if (s.days.length === 0 || s.when !== 'clock') return [];
  if (!s.ifs.every((x) => x.kind !== 'window' || inWindow(minutesOf(s.at), x) === x.is)) return [];
  const days = s.days.reduce((bits, d) => bits | (1 << d), 0);
  const second = minutesOf(s.at) * 60;
  return [{ rule, days, second, ifArmed: s.ifArmed, move: moveNumber(job, s.move), words: sayAt(s) }];
}

function handRow(h: ProgramHand, presses: number, before: readonly ProgramHand[]): HandRow {
  return {
    name: h.name,
    pin: h.pin,
    level: h.active === 'high' ? 1 : 0,
    ms: milliseconds(h.debounceSeconds),
    does: h.does,
    stays: h.latching,
    presses,
    first: h.does === 'mode' ? h.mode + 1 : before.reduce((n, x) => n + x.moves.length, 0),
    count: h.moves.length,
    most: h.most ?? 0,
    topic: h.topic,
  };
}

/** The program of a job, with what lies on which pin. */
export function programOf(job: Job, pins: ProgramPins): Program {
  const contacts = pins.presses.flatMap(packedContacts);
  const bits: Bits = (press, other) =>
    contacts.reduce((m, c, i) => m + (c.press === press && c.other === other ? 2 ** i : 0), 0);
  const senseNumber = (id: string): number => pins.senses.findIndex((x) => x.id === id) + 1;
  const least = leastOn(job);
  const mask = (s: Parameters<typeof sidesOf>[0]): number => sidesOf(s).reduce((m, p) => m + bits(p.press, p.other), 0);
  const { rows, begins } = stepRows(job, mask, senseNumber, least);
  const presses = job.act.moves.flatMap((m) =>
    m.steps.flatMap((s) => (pressedBy(s).length > 0 && s.seconds > 0 ? [1000 * s.seconds] : [])),
  );
  const read = [...pins.senses, ...pins.hands].map((x) => x.pin);
  const { rules, plain } = rulesPart(job, contacts, senseNumber);
  return {
    title: job.title,
    outcome: job.wish.outcome,
    never: neverSaid(job.wish.never),
    heldBy: job.wish.heldBy,
    contacts,
    servos: pins.presses.flatMap((p) => (p.pulses ? [{ name: p.name, pin: p.pin, pulses: p.pulses }] : [])),
    orders: pins.presses.flatMap((p) => (p.order ? [orderRow(p, p.order, bits)] : [])),
    senses: pins.senses.map((s) => ({
      id: s.id,
      name: s.name,
      pin: s.pin,
      level: s.yes === 'high' ? 1 : 0,
      soMs: milliseconds(s.heardAfter.so),
      notMs: milliseconds(s.heardAfter.notSo),
      limit: s.limit,
      from: s.from,
      wire: s.wire,
      topic: s.topic,
      staleMs: s.staleSeconds === null ? Infinity : milliseconds(s.staleSeconds),
    })),
    signs: pins.signs.map((s) => ({ name: s.name, pin: s.pin, means: s.means, after: s.dueAfterStarts ?? Infinity })),
    hands: pins.hands.map((h, i) => handRow(h, bits(h.asks, h.other), pins.hands.slice(0, i))),
    handMoves: pins.hands.flatMap((h) => h.moves),
    moves: job.act.moves.map((m) => m.name),
    steps: rows,
    begins,
    lasts: least !== null,
    week: job.routine.sentences.flatMap((s, i) => weekRow(job, s, i)),
    rules,
    plain,
    held: pins.held,
    listens: pins.listens,
    pulled: pins.pulled.filter((pin) => read.includes(pin)),
    calendar: pins.calendar,
    lateMs: Math.max(1, Math.round(Math.min(MOST_LATE_MS, ...presses.map((ms) => ms / 2)))),
  };
}
