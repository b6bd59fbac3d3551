import {
  MOST_MESSAGE_BYTES,
  NO_WORDS,
  topicWords,
  YES_WORDS,
  type HandRow,
  type Program,
  type SenseRow,
  type SignRow,
  type StepRow,
} from '../../../build/program';
import { slug } from '../../../ground/quantity';
import { inCharge } from '../in-charge';
import { bit, bits, rowOfCells, mapping, table, truth, tuple } from './rows';
import { calendarText, rulesTables } from './tables-rules';
import { literal, number } from './text';

/** Words of the program for what it does, looks at and becomes, as they stand in its tables. */
const WORDS = `
EVER = float("inf")
COMFORT, HAND, LOCK_OUT, SAFETY = range(4)
DONE, DEAD, STOPPED, HELD_BACK, ENOUGH, REFUSED, BUSY = range(7)
# What a sense tells while nothing is heard of it: neither 0 nor 1.
UNHEARD = 2
BY_PIN, BY_MESSAGE, BY_ONE_WIRE, BY_SETTINGS = range(4)
ABOUT_TO_MOVE, CALLS, ARMED, DUE = range(4)
PRESS, WAIT, HOLD, UNTIL, LOOK, AGAIN, WARN, TELL, CALL = range(9)
GO_ON, END, ASK = range(3)
STOPS, ARMS, PRESSES_WHILE_HELD, BEGINS, ANSWERS, SWITCHES_MODE, COMMANDS = range(7)
TOLD, BY_SENSE, BY_MODE = range(3)
BEGIN_MOVE, MODE_ON, MODE_OFF, CALL_SOMEBODY = range(4)
LOOK_SENSE, LOOK_MODE, LOOK_WINDOW = range(3)
# More steps in a row that take no time mean that the move comes round for ever.
MOST_AT_ONCE = 10000
# A press of up to so long is made to its end: half a press may be none, or another one.
WHOLE_PRESS_MS = 2000
# Places in the rows below.
SO_MS, NOT_MS, HOW, OVER, STALE = 2, 3, 4, 5, 8
PIN, LEVEL, HAND_MS, DOES, STAYS, PRESSES, FIRST, COUNT, MOST = range(9)
OP, STEP_PRESSES, MS, SENSE, IS, OTHERWISE, TO, TIMES, LEAST = range(9)
STANDS, RULE_FIRST, RULE_COUNT, RULE_DOES, WHAT, TIER, IF_ARMED, LATE, GAP, A_DAY = range(3, 13)
`;

const HOW: Readonly<Record<SenseRow['from'], string>> = {
  pin: 'BY_PIN',
  message: 'BY_MESSAGE',
  'one-wire': 'BY_ONE_WIRE',
  own: 'BY_SETTINGS',
};
const MEANS: Readonly<Record<SignRow['means'], string>> = {
  'about-to-move': 'ABOUT_TO_MOVE',
  call: 'CALLS',
  armed: 'ARMED',
  due: 'DUE',
};
const DOES: Readonly<Record<HandRow['does'], string>> = {
  stop: 'STOPS',
  arm: 'ARMS',
  press: 'PRESSES_WHILE_HELD',
  begin: 'BEGINS',
  answer: 'ANSWERS',
  mode: 'SWITCHES_MODE',
  command: 'COMMANDS',
};
const OP: Readonly<Record<StepRow['op'], string>> = {
  press: 'PRESS',
  wait: 'WAIT',
  hold: 'HOLD',
  until: 'UNTIL',
  look: 'LOOK',
  again: 'AGAIN',
  warn: 'WARN',
  tell: 'TELL',
  call: 'CALL',
};
const OTHERWISE: Readonly<Record<StepRow['otherwise'], string>> = { 'go-on': 'GO_ON', end: 'END', call: 'ASK' };

const senseRow = (s: SenseRow): string =>
  rowOfCells(
    [
      ...[s.from === 'pin' ? s.pin : s.wire, s.level, number(s.soMs), number(s.notMs), HOW[s.from]],
      ...(s.limit ? [s.limit.over, s.limit.under, bit(s.limit.soOver)] : ['None', 'None', 1]),
      number(s.staleMs),
    ],
    s.name,
  );
const handRow = (h: HandRow): string =>
  rowOfCells([h.pin, h.level, h.ms, DOES[h.does], truth(h.stays), bits(h.presses), h.first, h.count, h.most], h.name);
const stepRow = (s: StepRow): string =>
  rowOfCells(
    [OP[s.op], bits(s.presses), s.ms, s.sense, bit(s.is), OTHERWISE[s.otherwise], s.to, s.times, s.leastMs],
    s.words,
  );
/** Nanoseconds of a servo's pulse at rest, pressed, and pressed on its other side. */
const pulses = ({ pulses: p }: Program['servos'][number]): string =>
  tuple([p.rest, p.press, p.other ?? p.rest].map((s) => Math.round(s * 1e9)));

/** The plan as tables of MicroPython. */
export function tablesText(p: Program): string {
  const commands = p.hands.filter((h) => h.does === 'command');
  const texts = p.steps.flatMap((s, i) => (s.op === 'tell' ? [[i, literal(s.text)] as const] : []));
  return [
    `${WORDS}\n`,
    `MOST_BYTES = ${MOST_MESSAGE_BYTES}  # a message of more bytes is not for this program\n`,
    `YES = ${tuple(YES_WORDS.map(literal))}\n`,
    `NO = ${tuple(NO_WORDS.map(literal))}\n`,
    `BASE = ${literal(slug(p.title))}  # all topics begin so\n`,
    `CHARGE = ${literal(inCharge(p.title))}\n`,
    'if getattr(settings, "UNIT", ""):\n    BASE += "/" + settings.UNIT\n',
    `LATE_MS = ${p.lateMs}  # a call that comes later ends what runs\n`,
    `PULLED = ${p.pulled.length === 0 ? '()' : `{${p.pulled.join(', ')}}`}  # pins with a pull-up inside\n`,
    `SERVOS = ${mapping(p.servos.map((s) => [s.pin, pulses(s)]))}  # pulses in ns: at rest, pressed, its other side\n`,
    table(
      'HELD',
      'pin, level: closed from the start',
      p.held.map((h) => rowOfCells([h.pin, h.closesOn === 'high' ? 1 : 0], h.name)),
    ),
    table(
      'CONTACTS',
      'pin, level that presses',
      p.contacts.map((c) => rowOfCells([c.pin, c.level], c.name)),
    ),
    table(
      'ORDERS',
      'one direction, the other, ms apart, ms that the way is set before, its pin, its level',
      p.orders.map((o) => rowOfCells([...o.sides.map(bits), o.apartMs, o.leadMs, o.pin, o.level], o.name)),
    ),
    table(
      'SENSES',
      'pin, level, ms until it is so, and is not, from, over, under, so over, ms until old',
      p.senses.map(senseRow),
    ),
    `NAMES = ${tuple(p.senses.map((s) => literal(s.name)))}\n`,
    `TOPICS = ${tuple(
      topicWords(
        p.senses.map((s) => s.name),
        slug,
      ).map(literal),
    )}\n`,
    `MESSAGES = ${tuple(p.senses.map((s) => literal(s.from === 'message' ? s.topic : '')))}\n`,
    table(
      'SIGNS',
      'pin, meaning, after so many starts',
      p.signs.map((s) => rowOfCells([s.pin, MEANS[s.means], number(s.after)], s.name)),
    ),
    table(
      'HANDS',
      'pin, level, ms, deed, stays, presses, first of its moves, how many, starts of one arming',
      p.hands.map(handRow),
    ),
    `HAND_MOVES = ${tuple(p.handMoves)}\n`,
    `COMMANDS_AT = ${tuple(commands.map((h) => literal(h.topic)))}\n`,
    table('STEPS', 'what, presses, ms, sense, must say, else, back to, times, ms at least', p.steps.map(stepRow)),
    `TEXTS = ${mapping(texts)}\n`,
    `BEGINS_AT = ${tuple(p.begins)}\n`,
    table(
      'WEEK',
      'rule, days (bit 1 is Monday), second of the day',
      p.week
        .filter((w) => !p.calendar.dated.includes(w.rule))
        .map((w) => rowOfCells([w.rule, bits(w.days), w.second], w.words)),
    ),
    rulesTables(p.rules),
    calendarText(p),
  ].join('');
}
