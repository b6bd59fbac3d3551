import type { YourSense, YourSenses } from './firmware-senses';

/** How many functions are filled in: always three, those that read what lies on no pin, and one that hears of changes. */
const COUNTS = ['Three', 'Four', 'Five', 'Six', 'Seven'] as const;

const ownOf = (yours: YourSenses, changed: string, told: readonly ToldRule[]): number =>
  [yours.says.length > 0, yours.numbers.length > 0, changed !== '', told.length > 0].filter(Boolean).length;

/** A rule that only the maker's own function can tell of, by number from 0. */
interface ToldRule {
  readonly number: number;
  readonly words: string;
}
/** The sun and a calendar: the program knows the clock alone. */
const comesTrue = (told: readonly ToldRule[]): string =>
  `int gt_comes_true(int rule);             /* 1 once, when it comes true by a sun or a calendar of yours; else 0:
${told.map((t) => `       rule ${t.number} is ${t.words}`).join(',\n')} */
`;

/** What is filled in beside the three that every controller has. */
const toFillIn = (yours: YourSenses, told: readonly ToldRule[]): string =>
  [
    yours.says.length === 0 ? '' : readSense(yours.says),
    yours.numbers.length === 0 ? '' : readNumber(yours.numbers),
    told.length === 0 ? '' : comesTrue(told),
  ].join('');

/** The header of the packed program: the functions to fill in, and what it offers. */
export const headerText = (
  yours: YourSenses,
  changed: string,
  told: readonly ToldRule[] = [],
): string => `/* Gentle Thumb: the moves and their week, for any C99 compiler. */
#ifndef GENTLE_THUMB_H
#define GENTLE_THUMB_H

#include <stdint.h>

/* ${COUNTS[ownOf(yours, changed, told)]} functions to fill in for your controller. */
void gt_write_pin(int pin, int level);   /* level 0 or 1; 2 on a servo of a rocker that is pressed on both sides */
int gt_read_pin(int pin);                /* 0 or 1, with the pull-up switched on */
uint32_t gt_milliseconds(void);          /* since start; may wrap round */
${toFillIn(yours, told)}${changed}
/* Call once, before anything else: every contact is opened. */
void gt_setup(void);
/* Call at least every few milliseconds. A call that comes too late opens the contacts and forgets the rest of the move:
   a press is never stretched, and the next one never cut short. Let a hardware watchdog of at most a second reset the
   controller, so that one that hangs lets go as well. */
void gt_tick(void);
/* Runs the first move now; ignored while one runs, and while a hand stops or presses. */
void gt_start(void);
/* Runs a move now, by number from 0; ignored as above. */
void gt_start_move(int move);
/* A command has come by message, by number from 0 in the order of the job: call it from whatever receives them, between two
   ticks. Gives 1 where its move begins; 0 where a hand has its way, or where something arms and it is not armed. */
int gt_command(int command);
/* Opens the contacts and forgets the rest of the move; a hand that still presses has to let go first. */
void gt_stop(void);
/* 1 while a move runs. */
int gt_busy(void);
/* 1 while it is armed: starts that ask for it are let go. */
int gt_armed(void);
/* How often a move was given up because a call came too late. */
unsigned gt_late(void);
/* How often a move called for help since the last gt_answered(); a sign that means a call is lit as long. */
unsigned gt_calls(void);
/* Somebody came: signs that mean a call, or that care is due, go out. */
void gt_answered(void);
/* Tells the local time: weekday 1 is Monday, 7 Sunday. Call again after each clock change. */
void gt_set_clock(int weekday, uint32_t second_of_day);

#endif
`;

/** What the maker reads by a function of their own: a lamp against a threshold, a meter, a message that may be too old. */
const readSense = (yours: readonly YourSense[]): string =>
  `int gt_read_sense(int sense);            /* 1 where it says so, 0 where it does not, -1 while nobody knows:
${yours.map((y) => `       sense ${y.number} is ${y.name}`).join(',\n')} */
`;

/** Numbers of which the program itself tells when they count: it is given what the meter shows, and nothing else. */
const readNumber = (yours: readonly YourSense[]): string =>
  `double gt_read_number(int sense);        /* what it shows now; not a number (NAN of math.h) while nobody knows or it is too old:
${yours.map((y) => `       sense ${y.number} is ${y.name}`).join(',\n')} */
`;

/** Kinds of steps, and what comes where one does not come true; they stand before the tables. */
export const KINDS = `enum { PRESS, WAIT, HOLD, UNTIL, LOOK, AGAIN, WARN, TELL, CALL };
enum { GO_ON, END, ASK };
/* What a sense tells while nothing is heard of it: neither 0 nor 1. */
enum { UNHEARD = 2 };
enum { STOPS, ARMS, PRESSES_WHILE_HELD, BEGINS, ANSWERS, SWITCHES_MODE, COMMANDS };
`;
