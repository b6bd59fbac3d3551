import { scriptOf, type Job } from '../job';

/** Text that may stand inside a C block comment. */
const comment = (text: string): string =>
  text
    .replace(/\*\//g, '* /')
    .replace(/\/\*/g, '/ *')
    .replace(/\?\?/g, '? ?')
    .replace(/[\r\n\\]+/g, ' ')
    .replace(/[^\x20-\x7e]/g, '?');

const HEADER = `/* Gentle Thumb: the press script and its week, for any C99 compiler. */
#ifndef GENTLE_THUMB_H
#define GENTLE_THUMB_H

#include <stdint.h>

/* Three functions to fill in for your controller. */
void gt_write_pin(int pin, int level);   /* level 0 or 1; 2 on a servo of a rocker that is pressed on both sides */
int gt_read_pin(int pin);                /* 0 or 1, with the pull-up switched on */
uint32_t gt_milliseconds(void);          /* since start; may wrap round */

/* Call once, before anything else: the contact is opened. */
void gt_setup(void);
/* Call at least every few milliseconds. A call that comes too late opens the contact and forgets the rest of the script:
   a press is never stretched, and the next one never cut short. Let a hardware watchdog of at most a second reset the
   controller, so that one that hangs lets go as well. */
void gt_tick(void);
/* Runs the script now; ignored while it runs. */
void gt_start(void);
/* Opens the contact and forgets the rest of the script. */
void gt_stop(void);
/* 1 while the script runs. */
int gt_busy(void);
/* How often a script was given up because a call came too late. */
unsigned gt_late(void);
/* Tells the local time: weekday 1 is Monday, 7 Sunday. Call again after each clock change. */
void gt_set_clock(int weekday, uint32_t second_of_day);

#endif
`;

const BODY = `
static unsigned step = 0;
static int busy = 0;
static uint32_t step_began = 0;
static uint32_t last_tick = 0;
static unsigned late = 0;

static int clock_known = 0;
static int clock_weekday = 1;
static uint32_t clock_second = 0;
static uint32_t clock_at = 0;

/* Closes one contact and opens all others; 0 opens them all. */
static void contact(int press)
{
    int i;
    for (i = 1; i <= PRESSES; i++) {
        if (i != press) {
            gt_write_pin(presses[i].pin, !presses[i].level);
        }
    }
    if (press != 0) {
        gt_write_pin(presses[press].pin, presses[press].level);
    }
}

static int armed(void)
{
    /* The arm switch closes to ground; without a pin for it nothing is ever armed. */
    return ARM_PIN >= 0 && gt_read_pin(ARM_PIN) == 0;
}

static void enter(unsigned next)
{
    step = next;
    busy = step < SCRIPT_LENGTH;
    contact(busy ? script[step].press : 0);
}

void gt_setup(void)
{
    contact(0);
    busy = 0;
    step = 0;
    clock_known = 0;
    last_tick = gt_milliseconds();
}

void gt_start(void)
{
    if (busy) {
        return;
    }
    step_began = gt_milliseconds();
    last_tick = step_began;
    enter(0);
}

void gt_stop(void)
{
    contact(0);
    busy = 0;
}

int gt_busy(void)
{
    return busy;
}

void gt_set_clock(int weekday, uint32_t second_of_day)
{
    clock_weekday = weekday;
    clock_second = second_of_day;
    clock_at = gt_milliseconds();
    clock_known = 1;
}

unsigned gt_late(void)
{
    return late;
}

static void at_second(void)
{
    unsigned i;
    for (i = 0; i < sizeof week / sizeof week[0]; i++) {
        if (week[i].second_of_day == clock_second && (week[i].days & (1u << clock_weekday)) != 0u
            && (!week[i].if_armed || armed())) {
            gt_start();
        }
    }
}

static void follow_clock(void)
{
    uint32_t behind = clock_known ? gt_milliseconds() - clock_at : 0u;
    while (clock_known && behind >= 1000u) {
        clock_at += 1000u;
        clock_second += 1u;
        behind -= 1000u;
        if (clock_second >= 86400u) {
            clock_second = 0u;
            clock_weekday = clock_weekday == 7 ? 1 : clock_weekday + 1;
        }
        /* What fell due while nothing ran is past: only the present second still counts. */
        if (behind < STALE_MS) {
            at_second();
        }
    }
}

void gt_tick(void)
{
    uint32_t now = gt_milliseconds();
    uint32_t since = now - last_tick;
    last_tick = now;
    if (busy && since > LATE_MS) {
        gt_stop();
        late += 1u;
    }
    follow_clock();
    if (busy && now - step_began >= script[step].milliseconds) {
        /* From now and not from when it was due: what comes next keeps its whole length. */
        step_began = now;
        enter(step + 1u);
    }
}
`;

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
  readonly pressesOn: 'high' | 'low';
  /** Null for a level. */
  readonly pulses: FirmwarePulses | null;
}

/** What the program is told beside the job. */
export interface FirmwarePlan {
  readonly presses: readonly FirmwarePress[];
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

/** A span in steps that the clock can measure. */
function piecesOf(ms: number): number[] {
  const whole = Math.floor(ms / LONGEST_STEP_MS);
  const rest = Math.round(ms - whole * LONGEST_STEP_MS);
  return [...Array<number>(whole).fill(LONGEST_STEP_MS), ...(rest > 0 || whole === 0 ? [rest] : [])];
}

/** The firmware's two files, by name. The maker fills in the three functions that the header declares. */
export function firmwareFiles(job: Job, plan: FirmwarePlan): Record<string, string> {
  const { routine } = job;
  const whole = scriptOf(job);
  const script = whole.length ? whole : [{ do: 'wait' as const, press: '', other: false, seconds: 0 }];
  // The other side of a rocker is one more press on the same pin.
  const all = plan.presses.flatMap((p) => [
    { ...p, other: false, level: p.pressesOn === 'high' || p.pulses ? 1 : 0 },
    ...(p.pulses && p.pulses.other !== null ? [{ ...p, name: `${p.name}, other side`, other: true, level: 2 }] : []),
  ]);
  const at = (s: { press: string; other: boolean }): number =>
    all.findIndex((p) => p.id === s.press && p.other === s.other);
  const pieces = script.flatMap((s) => piecesOf(s.seconds * 1000).map((ms) => ({ ...s, ms })));
  const steps = pieces.map(
    (s) =>
      `    { ${s.do === 'press' ? at(s) + 1 : 0}, ${s.ms}u },   ` +
      `/* ${s.do}${s.do === 'press' ? ` ${comment(all[at(s)]?.name ?? '')}` : ''} */`,
  );
  const pins = all.map((p) => `    { ${p.pin}, ${p.level} },   /* ${comment(p.name)} */`);
  const presses = whole.filter((x) => x.do === 'press' && x.seconds > 0).map((x) => 1000 * x.seconds);
  const lateMs = Math.max(1, Math.round(Math.min(MOST_LATE_MS, ...presses.map((ms) => ms / 2))));
  const sentences = routine.sentences.filter((s) => s.days.length > 0);
  const week = sentences.map((s) => {
    const [h, m] = s.at.split(':').map(Number) as [number, number];
    const mask = s.days.reduce((bits, d) => bits | (1 << d), 0);
    return `    { 0x${mask.toString(16).padStart(2, '0')}u, ${h * 3600 + m * 60}u, ${s.ifArmed ? 1 : 0} },   /* ${s.at} */`;
  });
  const warnings = [
    ...plan.stops.map((t) => `/* STOP: ${comment(t)} */\n`),
    ...plan.lacks.map((t) => `/* This program lacks ${comment(t)}. */\n`),
  ];
  const source = `/* ${comment(job.title)}: ${comment(job.wish.outcome || 'press script')} */
/* Never: ${comment(job.wish.never || 'not said')}${job.wish.never ? `; held by ${comment(job.wish.heldBy || 'nothing')}` : ''} */
${warnings.join('')}#include "gentle_thumb.h"

${plan.presses.flatMap((p) => (p.pulses ? [pulseNote(p.name, p.pulses)] : [])).join('')}#define PRESSES ${all.length}
#define ARM_PIN (${plan.armPin ?? -1})
#define SCRIPT_LENGTH ${steps.length}u
#define LATE_MS ${lateMs}u
#define STALE_MS 2000u

struct press_pin {
    int pin;
    int level;   /* that presses */
};

struct script_step {
    int press;   /* which one, from 1; 0 waits */
    uint32_t milliseconds;
};

struct week_entry {
    unsigned days;   /* bit 1 Monday to bit 7 Sunday */
    uint32_t second_of_day;
    int if_armed;
};

/* Entry 0 is none. */
static const struct press_pin presses[PRESSES + 1] = {
    { -1, 0 },
${pins.join('\n')}
};

static const struct script_step script[SCRIPT_LENGTH] = {
${steps.join('\n')}
};

/* The last entry has no day and never comes true; C99 knows no empty array. */
static const struct week_entry week[] = {
${[...week, '    { 0u, 0u, 0 }'].join('\n')}
};
${BODY}`;
  return { 'gentle_thumb.h': HEADER, 'gentle_thumb.c': source };
}
