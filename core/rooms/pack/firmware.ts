import { neverSaid, pressedBy, sayAt, sidesOf, type Job, type Sentence, type Sign } from '../../ground/job';
import { inWindow, leastOn } from '../../build/rules';
import { minutesOf } from '../../ground/quantity';
import type { HandDeed } from '../../build/panel';
import { comment } from './c-comment';
import { ARBITER } from './firmware-arbiter';
import { followText } from './firmware-follow';
import { handsText } from './firmware-hands';
import { movesText } from './firmware-moves';
import { numbersUnheard, readText, type YourSenses } from './firmware-senses';
import { outputsText } from './firmware-outputs';
import { packedRules } from './firmware-rules';
import { stepRows } from './firmware-steps';
import { headerText, KINDS } from './firmware-text';
import { tickText } from './firmware-tick';
import { changedText, setupText, TELL_CHANGES, type FirmwareHeld } from './firmware-listen';

/** Pulse widths of a servo that stands for a level, s; `other` is a rocker's other side. */
export interface FirmwarePulses {
  readonly rest: number;
  readonly press: number;
  readonly other: number | null;
}

/** What the first function has to do where a press is a servo's pulse. */
const pulseNote = (name: string, p: FirmwarePulses): string =>
  `/* ${comment(name)} is a servo: gt_write_pin with level 1 holds pulses of ${Math.round(p.press * 1e6)} us, ` +
  `with level 0 of ${Math.round(p.rest * 1e6)} us${
    p.other === null ? '' : `, with level 2 of ${Math.round(p.other * 1e6)} us`
  }, fifty a second. */\n`;

/** A press that the program can make. */
export interface FirmwarePress {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  /** Pins that are driven with it. */
  readonly more: readonly number[];
  readonly pressesOn: 'high' | 'low';
  /** Null for a level. */
  readonly pulses: FirmwarePulses | null;
  /** The other direction of a press that has two; null where it has one. */
  readonly order: FirmwareOrder | null;
}

/** How two directions are driven: `pin` of the press is the first output, `second` the other. */
export interface FirmwareOrder {
  /** `two`: each direction has an output. `direction`: the first says which way, the second gives the power. */
  readonly by: 'two' | 'direction';
  readonly second: number;
  readonly apartSeconds: number;
  readonly leadSeconds: number;
}

/** One side of what people move at the controller, on its pin; −1 for a command, which comes by message. */
export interface FirmwareHand extends HandDeed {
  readonly pin: number;
  /** The level while it is moved. */
  readonly active: 'high' | 'low';
}

/** A sense that the program reads: on its pin, or, with −1, by a function that the maker fills in. */
export interface FirmwareSense {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  /** The level at which what it tells is so. */
  readonly yes: 'high' | 'low';
  /** How long it must stand before it is heard, by what it says. */
  readonly heardAfter: { readonly so: number; readonly notSo: number };
  /** Where it is a number that the maker's function gives: it says so over one value, or under the other; null where it is none. */
  readonly limit: {
    readonly over: number;
    readonly under: number;
    readonly soOver: boolean;
    readonly unit: string;
  } | null;
}

/** A sign that the program lights. */
export interface FirmwareSign {
  readonly name: string;
  readonly pin: number;
  readonly means: Sign['means'];
  readonly dueAfterStarts: number | null;
}

/** What the program is told beside the job. */
export interface FirmwarePlan {
  readonly presses: readonly FirmwarePress[];
  readonly senses: readonly FirmwareSense[];
  readonly signs: readonly FirmwareSign[];
  readonly hands: readonly FirmwareHand[];
  /** Contacts that it closes at the start and leaves closed. */
  readonly held: readonly FirmwareHeld[];
  /** Whether it tells each change that it hears. */
  readonly listens: boolean;
  /** What the plan has and this program does not do. */
  readonly lacks: readonly string[];
  readonly stops: readonly string[];
}

/** A tick may be late by half the shortest press, and by no more than this, ms: a press stays under twice its length. */
const MOST_LATE_MS = 50;

const MEANS: Readonly<Record<Sign['means'], string>> = {
  'about-to-move': 'ABOUT_TO_MOVE',
  call: 'CALLS',
  armed: 'ARMED',
  due: 'DUE',
};
const DOES: Readonly<Record<FirmwareHand['does'], string>> = {
  stop: 'STOPS',
  arm: 'ARMS',
  press: 'PRESSES_WHILE_HELD',
  begin: 'BEGINS',
  answer: 'ANSWERS',
  mode: 'SWITCHES_MODE',
  command: 'COMMANDS',
};
/** More starts than are counted: such a sign is never due. */
const NEVER_DUE = 2_000_001;

/** A contact that the program closes, with its level. */
interface Contact {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  readonly level: number;
  readonly other: boolean;
}

/** Every contact of a press, those of its other side or direction last. */
export function packedContacts(p: FirmwarePress): Contact[] {
  const level = p.pressesOn === 'high' || p.pulses ? 1 : 0;
  const one = { id: p.id, name: p.name, level, other: false };
  const there = { ...one, name: `${p.name}, other side`, other: true };
  if (p.order)
    return [
      { ...one, pin: p.order.by === 'two' ? p.pin : p.order.second },
      { ...there, pin: p.order.second },
    ];
  return [
    ...[p.pin, ...p.more].map((pin) => ({ ...one, pin })),
    // The other side of a rocker is one more press on the same pin.
    ...(p.pulses && p.pulses.other !== null ? [{ ...there, pin: p.pin, level: 2 }] : []),
  ];
}

const milliseconds = (s: number): string => `${Math.round(s * 1000)}u`;

function orderRow(p: FirmwarePress, o: FirmwareOrder, bits: (id: string, other: boolean) => number): string {
  const way = o.by === 'direction' ? `${p.pin}, ${p.pressesOn === 'high' ? 1 : 0}` : '-1, 0';
  const sides = `{ ${bits(p.id, false)}u, ${bits(p.id, true)}u }`;
  return `    { ${sides}, ${milliseconds(o.apartSeconds)}, ${milliseconds(o.leadSeconds)}, ${way} },   /* ${comment(p.name)} */`;
}

/** A sentence of a clock time on its days; one of the sun or of a calendar is told by the maker's own function. */
function weekRow(job: Job, s: Sentence, rule: number | null): readonly string[] {
  if (s.days.length === 0 || s.when !== 'clock') return [];
  if (!s.ifs.every((x) => x.kind !== 'window' || inWindow(minutesOf(s.at), x) === x.is)) return [];
  const days = s.days.reduce((bits, d) => bits | (1 << d), 0);
  const move = Math.max(
    0,
    job.act.moves.findIndex((x) => x.id === s.move),
  );
  const at = `0x${days.toString(16).padStart(2, '0')}u, ${minutesOf(s.at) * 60}u`;
  return [`    { ${at}, ${rule === null ? `${s.ifArmed ? 1 : 0}, ${move}` : rule} },   /* ${sayAt(s)} */`];
}

const senseRow = (s: FirmwareSense): string => {
  const after = `${milliseconds(s.heardAfter.so)}, ${milliseconds(s.heardAfter.notSo)}`;
  return `    { ${s.pin}, ${s.yes === 'high' ? 1 : 0}, ${after} },   /* ${comment(s.name)} */`;
};

function handRow(h: FirmwareHand, presses: number, before: readonly FirmwareHand[]): string {
  const first = before.reduce((n, x) => n + x.moves.length, 0);
  const cells = [
    h.pin,
    h.active === 'high' ? 1 : 0,
    milliseconds(h.debounceSeconds),
    DOES[h.does],
    h.latching ? 1 : 0,
    `${presses}u`,
    `${h.does === 'mode' ? h.mode + 1 : first}u`,
    `${h.moves.length}u`,
    `${h.most ?? 0}u`,
  ];
  return `    { ${cells.join(', ')} },   /* ${comment(h.name)} */`;
}

/** The firmware's two files, by name. The maker fills in the functions that the header declares. */
// eslint-disable-next-line max-lines-per-function -- most of it is the text of the file that it writes
export function firmwareFiles(job: Job, plan: FirmwarePlan): Record<string, string> {
  const { routine } = job;
  const all = plan.presses.flatMap(packedContacts);
  const bits = (id: string, other: boolean): number =>
    all.reduce((m, p, i) => m + (p.id === id && p.other === other ? 2 ** i : 0), 0);
  const least = leastOn(job);
  const { rows, begin } = stepRows(
    job,
    (s) => sidesOf(s).reduce((m, p) => m + bits(p.press, p.other), 0),
    (id) => plan.senses.findIndex((x) => x.id === id) + 1,
    least,
  );
  const pins = all.map((p) => `    { ${p.pin}, ${p.level} },   /* ${comment(p.name)} */`);
  const senses = plan.senses.map(senseRow);
  const own = plan.senses.map((s, i) => ({ ...s, number: i + 1, name: comment(s.name) })).filter((s) => s.pin < 0);
  const numbers = own.flatMap((s) => (s.limit ? [{ ...s, limit: s.limit }] : []));
  const yours: YourSenses = {
    says: own.filter((s) => !s.limit),
    numbers: numbers.map((s) => ({ ...s, name: `${s.name}, in ${comment(s.limit.unit)}` })),
  };
  const signs = plan.signs.map(
    (s) => `    { ${s.pin}, ${MEANS[s.means]}, ${s.dueAfterStarts ?? NEVER_DUE} },   /* ${comment(s.name)} */`,
  );
  const orders = plan.presses.flatMap((p) => (p.order ? [orderRow(p, p.order, bits)] : []));
  const hands = plan.hands.map((h, i) => handRow(h, bits(h.asks, h.other), plan.hands.slice(0, i)));
  const begun = plan.hands.flatMap((h) => h.moves);
  const presses = job.act.moves.flatMap((m) =>
    m.steps.flatMap((s) => (pressedBy(s).length > 0 && s.seconds > 0 ? [1000 * s.seconds] : [])),
  );
  const lateMs = Math.max(1, Math.round(Math.min(MOST_LATE_MS, ...presses.map((ms) => ms / 2))));
  const rules = packedRules(
    job,
    all.map((p) => ({ press: p.id })),
    comment,
    (id) => plan.senses.findIndex((x) => x.id === id) + 1,
  );
  const week = routine.sentences.flatMap((s, rule) => weekRow(job, s, rules ? rule : null));
  const warnings = [
    ...plan.stops.map((t) => `/* STOP: ${comment(t)} */\n`),
    ...plan.lacks.map((t) => `/* This program lacks ${comment(t)}. */\n`),
  ];
  const never = neverSaid(job.wish.never);
  const tick = tickText(
    setupText(plan.held, plan.listens, comment),
    numbersUnheard(numbers),
    plan.listens,
    rules !== null,
    least !== null,
  );
  const ruled = rules !== null;
  const program = [
    rules?.tables ?? '',
    outputsText(ruled),
    readText(yours, numbers),
    movesText(ruled),
    plan.listens ? TELL_CHANGES : '',
    handsText(ruled),
    rules ? ARBITER + followText(rules.told.map((t) => t.number)) : '',
    tick,
  ].join('');
  const source = `/* ${comment(job.title)}: ${comment(job.wish.outcome || 'press script')} */
/* Never: ${comment(never || 'not said')}${never ? `; held by ${comment(job.wish.heldBy || 'nothing')}` : ''} */
${warnings.join('')}#include "gentle_thumb.h"

${plan.presses.flatMap((p) => (p.pulses ? [pulseNote(p.name, p.pulses)] : [])).join('')}#define PRESSES ${all.length}
#define SENSES ${senses.length}
#define SIGNS ${signs.length}
#define ORDERS ${orders.length}
#define HANDS ${hands.length}
#define MOVES ${begin.length - 1}
#define SCRIPT_LENGTH ${rows.length}u
#define LATE_MS ${lateMs}u
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
${least ? '    uint32_t least;   /* milliseconds for which it lasts, though its sense says so sooner */\n' : ''}};

struct week_entry {
    unsigned days;   /* bit 1 Monday to bit 7 Sunday */
    uint32_t second_of_day;
${rules ? '    int rule;\n' : '    int if_armed;\n    int move;\n'}};

/* Entry 0 is none. */
static const struct press_pin presses[PRESSES + 1] = {
    { -1, 0 },
${pins.join('\n')}
};

/* Entry 0 is none. */
static const struct sense_pin senses[SENSES + 1] = {
    { -1, 0, 0u, 0u },
${senses.join('\n')}
};

/* Entry 0 is none. */
static const struct sign_pin signs[SIGNS + 1] = {
    { -1, -1, 0 },
${signs.join('\n')}
};

/* Entry 0 is none. */
static const struct press_order orders[ORDERS + 1] = {
    { { 0u, 0u }, 0u, 0u, -1, 0 },
${orders.join('\n')}
};


${KINDS}
/* Entry 0 is none. */
static const struct hand_pin hands[HANDS + 1] = {
    { -1, 0, 0u, ANSWERS, 0, 0u, 0u, 0u, 0u },
${hands.join('\n')}
};

/* Moves that hands begin; the last is none, C99 knows no empty array. */
static const int hand_moves[] = { ${[...begun, -1].join(', ')} };

static const struct script_step script[SCRIPT_LENGTH] = {
${rows.join('\n')}
};

/* Where each move begins in it; a move ends at the beginning of the next. */
static const unsigned move_begin[MOVES + 1] = { ${begin.map((b) => `${b}u`).join(', ')} };

/* The last entry has no day and never comes true; C99 knows no empty array. */
static const struct week_entry week[] = {
${[...week, rules ? '    { 0u, 0u, 0 }' : '    { 0u, 0u, 0, 0 }'].join('\n')}
};
${program}`;
  return {
    'gentle_thumb.h': headerText(
      yours,
      plan.listens ? changedText(plan.senses.map((s) => comment(s.name))) : '',
      (rules?.told ?? []).map((t) => ({ ...t, words: comment(t.words) })),
    ),
    'gentle_thumb.c': source,
  };
}
