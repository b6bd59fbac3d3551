import type {
  ProgramContact,
  HandRow,
  OrderRow,
  Program,
  SenseRow,
  SignRow,
  StepRow,
  WeekRow,
} from '../../build/program';
import { comment } from './c-comment';
import { ARBITER } from './firmware-arbiter';
import { followText } from './firmware-follow';
import { handsText } from './firmware-hands';
import { changedText, setupText, TELL_CHANGES } from './firmware-listen';
import { movesText } from './firmware-moves';
import { outputsText } from './firmware-outputs';
import { rulesText } from './firmware-rules';
import { numbersUnheard, readText, type YourSenses } from './firmware-senses';
import { headerText, KINDS } from './firmware-text';
import { tickText } from './firmware-tick';

/** What the first function has to do where a press is a servo's pulse. */
const pulseNote = ({ name, pulses: p }: Program['servos'][number]): string =>
  `/* ${comment(name)} is a servo: gt_write_pin with level 1 holds pulses of ${Math.round(p.press * 1e6)} us, ` +
  `with level 0 of ${Math.round(p.rest * 1e6)} us${
    p.other === null ? '' : `, with level 2 of ${Math.round(p.other * 1e6)} us`
  }, fifty a second. */\n`;

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
/** More starts than are counted: such a sign is never due. */
const NEVER_DUE = 2_000_001;

const bit = (is: boolean): number => (is ? 1 : 0);
const row = (cells: readonly (string | number)[], words: string): string =>
  `    { ${cells.join(', ')} },   /* ${words} */`;

const pinRow = (c: ProgramContact): string => row([c.pin, c.level], comment(c.name));
const orderRow = (o: OrderRow): string =>
  row(
    [`{ ${o.sides.map((s) => `${s}u`).join(', ')} }`, `${o.apartMs}u`, `${o.leadMs}u`, o.pin, o.level],
    comment(o.name),
  );
const senseRow = (s: SenseRow): string => row([s.pin, s.level, `${s.soMs}u`, `${s.notMs}u`], comment(s.name));
const signRow = (s: SignRow): string =>
  row([s.pin, MEANS[s.means], s.after < Infinity ? s.after : NEVER_DUE], comment(s.name));
const handRow = (h: HandRow): string =>
  row(
    [
      h.pin,
      h.level,
      `${h.ms}u`,
      DOES[h.does],
      bit(h.stays),
      ...[h.presses, h.first, h.count, h.most].map((n) => `${n}u`),
    ],
    comment(h.name),
  );
const stepRow = (s: StepRow, lasts: boolean): string =>
  row(
    [
      OP[s.op],
      `${s.presses}u`,
      `${s.ms}u`,
      s.sense,
      bit(s.is),
      OTHERWISE[s.otherwise],
      `${s.to}u`,
      `${s.times}u`,
      ...(lasts ? [`${s.leastMs}u`] : []),
    ],
    comment(s.words),
  );
/** C99 knows no empty array; a row of no move is never taken. */
const NO_STEP: StepRow = {
  ...{ op: 'wait', presses: 0, ms: 0, sense: 0, is: false, otherwise: 'end', to: 0, times: 0, leastMs: 0 },
  ...{ words: 'no step', text: '' },
};
const weekRow = (w: WeekRow, ruled: boolean): string =>
  row(
    [`0x${w.days.toString(16).padStart(2, '0')}u`, `${w.second}u`, ...(ruled ? [w.rule] : [bit(w.ifArmed), w.move])],
    comment(w.words),
  );

/**
 * The program in C99: two files, by name. The maker fills in the functions that the header declares.
 * @param lacks what the plan has and this program does not do. @param stops what stops the plan.
 */
// eslint-disable-next-line max-lines-per-function -- most of it is the text of the file that it writes
export function firmwareFiles(p: Program, lacks: readonly string[], stops: readonly string[]): Record<string, string> {
  const ruled = !p.plain;
  const own = p.senses.map((s, i) => ({ ...s, number: i + 1, name: comment(s.name) })).filter((s) => s.pin < 0);
  const numbers = own.flatMap((s) => (s.limit ? [{ ...s, limit: s.limit }] : []));
  const yours: YourSenses = {
    says: own.filter((s) => !s.limit),
    numbers: numbers.map((s) => ({ ...s, name: `${s.name}, in ${comment(s.limit.unit)}` })),
  };
  const steps = p.steps.length > 0 ? p.steps : [NO_STEP];
  const told = ruled ? p.rules.told : [];
  const warnings = [
    ...stops.map((t) => `/* STOP: ${comment(t)} */\n`),
    ...lacks.map((t) => `/* This program lacks ${comment(t)}. */\n`),
  ];
  const tick = tickText(setupText(p.held, p.listens, comment), numbersUnheard(numbers), p.listens, ruled, p.lasts);
  const program = [
    ruled ? rulesText(p.rules) : '',
    outputsText(ruled),
    readText(yours, numbers),
    movesText(ruled),
    p.listens ? TELL_CHANGES : '',
    handsText(ruled),
    ruled ? ARBITER + followText(told.map((t) => t.number)) : '',
    tick,
  ].join('');
  const source = `/* ${comment(p.title)}: ${comment(p.outcome || 'press script')} */
/* Never: ${comment(p.never || 'not said')}${p.never ? `; held by ${comment(p.heldBy || 'nothing')}` : ''} */
${warnings.join('')}#include "gentle_thumb.h"

${p.servos.map(pulseNote).join('')}#define PRESSES ${p.contacts.length}
#define SENSES ${p.senses.length}
#define SIGNS ${p.signs.length}
#define ORDERS ${p.orders.length}
#define HANDS ${p.hands.length}
#define MOVES ${p.begins.length - 1}
#define SCRIPT_LENGTH ${steps.length}u
#define LATE_MS ${p.lateMs}u
#define STALE_MS 2000u

struct press_pin {
    int pin;
    int level;   /* that presses */
};

struct sense_pin {
    int pin;   /* -1 where a function of your own reads it */
    int level;   /* at which what it tells is so */
    uint32_t so_after;   /* milliseconds for which it must stand before it is heard */
    uint32_t not_after;   /* and for which it must not */
};

enum { ABOUT_TO_MOVE, CALLS, ARMED, DUE };

struct sign_pin {
    int pin;
    int means;
    int after;   /* so many starts, where it means that care is due */
};

struct press_order {
    uint32_t side[2];   /* bits of the one direction and of the other: never both, and never one soon after the other */
    uint32_t apart;   /* milliseconds from letting go of one until the other may begin */
    uint32_t lead;   /* milliseconds from what says which way until the power */
    int pin;   /* that says which way; -1 where each direction has a contact of its own */
    int level;   /* of that pin for the other direction */
};

struct hand_pin {
    int pin;
    int level;   /* while it is moved */
    uint32_t milliseconds;   /* for which it must stand */
    int does;
    int stays;   /* where it is put */
    uint32_t presses;   /* bits of what it presses while it is held */
    unsigned first;   /* of the moves that it begins, and how many take turns; or the mode that it puts on, from 1 */
    unsigned count;
    unsigned most;   /* starts that one arming lets go; 0 for as many as come */
};

struct script_step {
    int op;
    uint32_t presses;   /* bit 0 is the first */
    uint32_t milliseconds;   /* for which it lasts, or at most lasts */
    int sense;   /* that is read, from 1; 0 for none */
    int is;   /* what it must say */
    int otherwise;
    unsigned to;
    unsigned times;
${p.lasts ? '    uint32_t least;   /* milliseconds for which it lasts, though its sense says so sooner */\n' : ''}};

struct week_entry {
    unsigned days;   /* bit 1 Monday to bit 7 Sunday */
    uint32_t second_of_day;
${ruled ? '    int rule;\n' : '    int if_armed;\n    int move;\n'}};

/* Entry 0 is none. */
static const struct press_pin presses[PRESSES + 1] = {
    { -1, 0 },
${p.contacts.map(pinRow).join('\n')}
};

/* Entry 0 is none. */
static const struct sense_pin senses[SENSES + 1] = {
    { -1, 0, 0u, 0u },
${p.senses.map(senseRow).join('\n')}
};

/* Entry 0 is none. */
static const struct sign_pin signs[SIGNS + 1] = {
    { -1, -1, 0 },
${p.signs.map(signRow).join('\n')}
};

/* Entry 0 is none. */
static const struct press_order orders[ORDERS + 1] = {
    { { 0u, 0u }, 0u, 0u, -1, 0 },
${p.orders.map(orderRow).join('\n')}
};


${KINDS}
/* Entry 0 is none. */
static const struct hand_pin hands[HANDS + 1] = {
    { -1, 0, 0u, ANSWERS, 0, 0u, 0u, 0u, 0u },
${p.hands.map(handRow).join('\n')}
};

/* Moves that hands begin; the last is none, C99 knows no empty array. */
static const int hand_moves[] = { ${[...p.handMoves, -1].join(', ')} };

static const struct script_step script[SCRIPT_LENGTH] = {
${steps.map((x) => stepRow(x, p.lasts)).join('\n')}
};

/* Where each move begins in it; a move ends at the beginning of the next. */
static const unsigned move_begin[MOVES + 1] = { ${p.begins.map((b) => `${b}u`).join(', ')} };

/* The last entry has no day and never comes true; C99 knows no empty array. */
static const struct week_entry week[] = {
${[...p.week.map((w) => weekRow(w, ruled)), ruled ? '    { 0u, 0u, 0 }' : '    { 0u, 0u, 0, 0 }'].join('\n')}
};
${program}`;
  return {
    'gentle_thumb.h': headerText(
      yours,
      p.listens ? changedText(p.senses.map((s) => comment(s.name))) : '',
      told.map((t) => ({ ...t, words: comment(t.words) })),
    ),
    'gentle_thumb.c': source,
  };
}
