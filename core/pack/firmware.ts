import { pressedBy, type Job, type Step } from '../job';
import { BODY, HEADER, KINDS } from './firmware-text';

/** Text that may stand inside a C block comment. */
const comment = (text: string): string =>
  text
    .replace(/\*\//g, '* /')
    .replace(/\/\*/g, '/ *')
    .replace(/\?\?/g, '? ?')
    .replace(/[\r\n\\]+/g, ' ')
    .replace(/[^\x20-\x7e]/g, '?');

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
}

/** A sense that the program can read. */
export interface FirmwareSense {
  readonly id: string;
  readonly name: string;
  readonly pin: number;
  /** The level at which what it tells is so. */
  readonly yes: 'high' | 'low';
  readonly debounceSeconds: number;
}

/** A sign that the program lights. */
export interface FirmwareSign {
  readonly name: string;
  readonly pin: number;
  readonly means: 'about-to-move' | 'call';
}

/** What the program is told beside the job. */
export interface FirmwarePlan {
  readonly presses: readonly FirmwarePress[];
  readonly senses: readonly FirmwareSense[];
  readonly signs: readonly FirmwareSign[];
  /** Pin of the arm switch; null where there is none. */
  readonly armPin: number | null;
  /** What the plan has and this program does not do. */
  readonly lacks: readonly string[];
  readonly stops: readonly string[];
}

/** A tick may be late by half the shortest press, and by no more than this, ms: a press stays under twice its length. */
const MOST_LATE_MS = 50;

/** The longest step, ms: the clock of the program wraps round after 49.7 days, and a step must end well before. */
const LONGEST_STEP_MS = 1_000_000_000;

/** A step that takes its time in pieces that the clock can measure; one that waits for a sense waits no longer than one piece. */
function piecesOf(s: Step): Step[] {
  const most = LONGEST_STEP_MS / 1000;
  if (!['press', 'wait', 'warn'].includes(s.do)) return [{ ...s, seconds: Math.min(s.seconds, most) }];
  const whole = Math.floor(s.seconds / most);
  const rest = s.seconds - whole * most;
  return [
    ...Array<Step>(whole).fill({ ...s, seconds: most }),
    ...(rest > 0 || whole === 0 ? [{ ...s, seconds: rest }] : []),
  ];
}

const OP: Readonly<Record<Step['do'], string>> = {
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
const OTHERWISE: Readonly<Record<Step['orElse'], string>> = { 'go-on': 'GO_ON', end: 'END', call: 'ASK' };

/** The steps of all moves in one row, each as a line of C, and where each move begins. */
function stepsOf(
  job: Job,
  mask: (s: Step) => number,
  sense: (id: string) => number,
): { rows: string[]; begin: number[] } {
  const rows: string[] = [];
  const begin = [0];
  for (const m of job.act.moves.length > 0 ? job.act.moves : [{ steps: [] }]) {
    const first = rows.length;
    const pieces = m.steps.map(piecesOf);
    /** Where each step begins once those before it came in pieces. */
    const at = pieces.map((_, i) => first + pieces.slice(0, i).reduce((n, p) => n + p.length, 0));
    for (const s of pieces.flat()) {
      const to = s.do === 'again' ? (at[s.to - 1] ?? first) : 0;
      const cells = [
        OP[s.do],
        `${mask(s)}u`,
        `${Math.round(s.seconds * 1000)}u`,
        s.sense === '' ? 0 : sense(s.sense),
        s.is ? 1 : 0,
        OTHERWISE[s.orElse],
        `${to}u`,
        `${s.do === 'again' ? s.times : 0}u`,
      ];
      rows.push(`    { ${cells.join(', ')} },   /* ${comment(sayStep(job, s))} */`);
    }
    begin.push(rows.length);
  }
  // C99 knows no empty array; a row of no move is never taken.
  if (rows.length === 0) rows.push('    { WAIT, 0u, 0u, 0, 0, END, 0u, 0u },');
  return { rows, begin };
}

const sayStep = (job: Job, s: Step): string =>
  [s.do, ...pressedBy(s).map((id) => job.presses.find((p) => p.id === id)?.name ?? id)].join(' ');

/** The firmware's two files, by name. The maker fills in the three functions that the header declares. */
export function firmwareFiles(job: Job, plan: FirmwarePlan): Record<string, string> {
  const { routine } = job;
  // The other side of a rocker is one more press on the same pin.
  const all = plan.presses.flatMap((p) => [
    ...[p.pin, ...p.more].map((pin) => ({
      ...p,
      pin,
      other: false,
      level: p.pressesOn === 'high' || p.pulses ? 1 : 0,
    })),
    ...(p.pulses && p.pulses.other !== null ? [{ ...p, name: `${p.name}, other side`, other: true, level: 2 }] : []),
  ]);
  const bits = (id: string, other: boolean): number =>
    all.reduce((m, p, i) => m + (p.id === id && p.other === other ? 2 ** i : 0), 0);
  const { rows, begin } = stepsOf(
    job,
    (s) => pressedBy(s).reduce((m, id, i) => m + bits(id, i === 0 && s.other), 0),
    (id) => plan.senses.findIndex((x) => x.id === id) + 1,
  );
  const pins = all.map((p) => `    { ${p.pin}, ${p.level} },   /* ${comment(p.name)} */`);
  const senses = plan.senses.map(
    (s) =>
      `    { ${s.pin}, ${s.yes === 'high' ? 1 : 0}, ${Math.round(s.debounceSeconds * 1000)}u },   /* ${comment(s.name)} */`,
  );
  const signs = plan.signs.map(
    (s) => `    { ${s.pin}, ${s.means === 'call' ? 'CALLS' : 'ABOUT_TO_MOVE'} },   /* ${comment(s.name)} */`,
  );
  const presses = job.act.moves.flatMap((m) =>
    m.steps.flatMap((s) => (pressedBy(s).length > 0 && s.seconds > 0 ? [1000 * s.seconds] : [])),
  );
  const lateMs = Math.max(1, Math.round(Math.min(MOST_LATE_MS, ...presses.map((ms) => ms / 2))));
  const sentences = routine.sentences.filter((s) => s.days.length > 0);
  const week = sentences.map((s) => {
    const [h, m] = s.at.split(':').map(Number) as [number, number];
    const days = s.days.reduce((bits, d) => bits | (1 << d), 0);
    const move = Math.max(
      0,
      job.act.moves.findIndex((x) => x.id === s.move),
    );
    return `    { 0x${days.toString(16).padStart(2, '0')}u, ${h * 3600 + m * 60}u, ${s.ifArmed ? 1 : 0}, ${move} },   /* ${s.at} */`;
  });
  const warnings = [
    ...plan.stops.map((t) => `/* STOP: ${comment(t)} */\n`),
    ...plan.lacks.map((t) => `/* This program lacks ${comment(t)}. */\n`),
  ];
  const source = `/* ${comment(job.title)}: ${comment(job.wish.outcome || 'press script')} */
/* Never: ${comment(job.wish.never || 'not said')}${job.wish.never ? `; held by ${comment(job.wish.heldBy || 'nothing')}` : ''} */
${warnings.join('')}#include "gentle_thumb.h"

${plan.presses.flatMap((p) => (p.pulses ? [pulseNote(p.name, p.pulses)] : [])).join('')}#define PRESSES ${all.length}
#define SENSES ${senses.length}
#define SIGNS ${signs.length}
#define MOVES ${begin.length - 1}
#define ARM_PIN (${plan.armPin ?? -1})
#define SCRIPT_LENGTH ${rows.length}u
#define LATE_MS ${lateMs}u
#define STALE_MS 2000u

struct press_pin {
    int pin;
    int level;   /* that presses */
};

struct sense_pin {
    int pin;
    int level;   /* at which what it tells is so */
    uint32_t milliseconds;   /* for which it must stand */
};

enum { ABOUT_TO_MOVE, CALLS };

struct sign_pin {
    int pin;
    int means;
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
};

struct week_entry {
    unsigned days;   /* bit 1 Monday to bit 7 Sunday */
    uint32_t second_of_day;
    int if_armed;
    int move;
};

/* Entry 0 is none. */
static const struct press_pin presses[PRESSES + 1] = {
    { -1, 0 },
${pins.join('\n')}
};

/* Entry 0 is none. */
static const struct sense_pin senses[SENSES + 1] = {
    { -1, 0, 0u },
${senses.join('\n')}
};

/* Entry 0 is none. */
static const struct sign_pin signs[SIGNS + 1] = {
    { -1, -1 },
${signs.join('\n')}
};

${KINDS}
static const struct script_step script[SCRIPT_LENGTH] = {
${rows.join('\n')}
};

/* Where each move begins in it; a move ends at the beginning of the next. */
static const unsigned move_begin[MOVES + 1] = { ${begin.map((b) => `${b}u`).join(', ')} };

/* The last entry has no day and never comes true; C99 knows no empty array. */
static const struct week_entry week[] = {
${[...week, '    { 0u, 0u, 0, 0 }'].join('\n')}
};
${BODY}`;
  return { 'gentle_thumb.h': HEADER, 'gentle_thumb.c': source };
}
