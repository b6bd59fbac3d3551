/** The header of the packed program: three functions to fill in, and what it offers. */
export const HEADER = `/* Gentle Thumb: the moves and their week, for any C99 compiler. */
#ifndef GENTLE_THUMB_H
#define GENTLE_THUMB_H

#include <stdint.h>

/* Three functions to fill in for your controller. */
void gt_write_pin(int pin, int level);   /* level 0 or 1; 2 on a servo of a rocker that is pressed on both sides */
int gt_read_pin(int pin);                /* 0 or 1, with the pull-up switched on */
uint32_t gt_milliseconds(void);          /* since start; may wrap round */

/* Call once, before anything else: every contact is opened. */
void gt_setup(void);
/* Call at least every few milliseconds. A call that comes too late opens the contacts and forgets the rest of the move:
   a press is never stretched, and the next one never cut short. Let a hardware watchdog of at most a second reset the
   controller, so that one that hangs lets go as well. */
void gt_tick(void);
/* Runs the first move now; ignored while one runs. */
void gt_start(void);
/* Runs a move now, by number from 0; ignored while one runs. */
void gt_start_move(int move);
/* Opens the contacts and forgets the rest of the move. */
void gt_stop(void);
/* 1 while a move runs. */
int gt_busy(void);
/* How often a move was given up because a call came too late. */
unsigned gt_late(void);
/* How often a move called for help since the last gt_answered(); a sign that means a call is lit as long. */
unsigned gt_calls(void);
/* Somebody came: the sign goes out. */
void gt_answered(void);
/* Tells the local time: weekday 1 is Monday, 7 Sunday. Call again after each clock change. */
void gt_set_clock(int weekday, uint32_t second_of_day);

#endif
`;

/** Kinds of steps, and what comes where one does not come true; they stand before the tables. */
export const KINDS = `enum { PRESS, WAIT, HOLD, UNTIL, LOOK, AGAIN, WARN, TELL, CALL };
enum { GO_ON, END, ASK };
`;

/** The body of the packed program after its tables: what takes the steps. */
export const BODY = `
/* More steps in a row that take no time mean that the move comes round for ever. */
#define MOST_AT_ONCE 10000u

static unsigned step = 0;
static unsigned step_end = 0;
static int busy = 0;
static uint32_t step_began = 0;
static uint32_t last_tick = 0;
static unsigned late = 0;
static unsigned calls = 0;
static unsigned gone_back[SCRIPT_LENGTH];
static int heard[SENSES + 1];
static int changing[SENSES + 1];
static uint32_t changed_at[SENSES + 1];

static int clock_known = 0;
static int clock_weekday = 1;
static uint32_t clock_second = 0;
static uint32_t clock_at = 0;

/* Closes the contacts whose bits are set and opens all others; bit 0 is the first. */
static void contacts(uint32_t mask)
{
    int i;
    for (i = 1; i <= PRESSES; i++) {
        if ((mask & (1u << (i - 1))) == 0u) {
            gt_write_pin(presses[i].pin, !presses[i].level);
        }
    }
    for (i = 1; i <= PRESSES; i++) {
        if ((mask & (1u << (i - 1))) != 0u) {
            gt_write_pin(presses[i].pin, presses[i].level);
        }
    }
}

static void sign(int means, int on)
{
    int i;
    for (i = 1; i <= SIGNS; i++) {
        if (signs[i].means == means) {
            gt_write_pin(signs[i].pin, on);
        }
    }
}

static int armed(void)
{
    /* The arm switch closes to ground; without a pin for it nothing is ever armed. */
    return ARM_PIN >= 0 && gt_read_pin(ARM_PIN) == 0;
}

static int read_sense(int i)
{
    return gt_read_pin(senses[i].pin) == senses[i].level;
}

/* What a sense tells is heard once it has stood for its time. */
static void listen(uint32_t now)
{
    int i;
    for (i = 1; i <= SENSES; i++) {
        if (read_sense(i) == heard[i]) {
            changing[i] = 0;
        } else if (!changing[i]) {
            changing[i] = 1;
            changed_at[i] = now;
        }
        if (changing[i] && now - changed_at[i] >= senses[i].milliseconds) {
            changing[i] = 0;
            heard[i] = !heard[i];
        }
    }
}

static void leave(void)
{
    unsigned i;
    contacts(0u);
    sign(ABOUT_TO_MOVE, 0);
    busy = 0;
    for (i = 0; i < SCRIPT_LENGTH; i++) {
        gone_back[i] = 0u;
    }
}

static void call(void)
{
    calls += 1u;
    sign(CALLS, 1);
    leave();
}

/* What a step says that did not come true. */
static void otherwise(void)
{
    if (script[step].otherwise == ASK) {
        call();
    } else if (script[step].otherwise == END) {
        leave();
    } else {
        step += 1u;
    }
}

static int says_so(void)
{
    return heard[script[step].sense] == script[step].is;
}

/* Takes the step that the move has come to, and those after it that take no time. */
static void take(void)
{
    unsigned n;
    for (n = 0; busy && n < MOST_AT_ONCE; n++) {
        if (step >= step_end) {
            leave();
            return;
        }
        switch (script[step].op) {
        case PRESS:
            contacts(script[step].presses);
            return;
        case WAIT:
            contacts(0u);
            return;
        case WARN:
            contacts(0u);
            sign(ABOUT_TO_MOVE, 1);
            return;
        case HOLD:
        case UNTIL:
            if (!says_so()) {
                contacts(script[step].op == HOLD ? script[step].presses : 0u);
                return;
            }
            step += 1u;
            break;
        case LOOK:
            if (says_so()) {
                step += 1u;
            } else {
                otherwise();
            }
            break;
        case AGAIN:
            if (script[step].sense != 0 && says_so()) {
                step += 1u;
            } else if (gone_back[step] < script[step].times) {
                gone_back[step] += 1u;
                step = script[step].to;
            } else if (script[step].sense == 0) {
                step += 1u;
            } else {
                otherwise();
            }
            break;
        case TELL:
            step += 1u;
            break;
        default:
            call();
            return;
        }
    }
    if (busy) {
        call();
    }
}

void gt_setup(void)
{
    int i;
    contacts(0u);
    sign(ABOUT_TO_MOVE, 0);
    sign(CALLS, 0);
    busy = 0;
    step = 0;
    calls = 0;
    clock_known = 0;
    last_tick = gt_milliseconds();
    for (i = 1; i <= SENSES; i++) {
        heard[i] = read_sense(i);
        changing[i] = 0;
    }
}

void gt_start_move(int move)
{
    if (busy || move < 0 || move >= MOVES) {
        return;
    }
    step_began = gt_milliseconds();
    last_tick = step_began;
    busy = 1;
    step = move_begin[move];
    step_end = move_begin[move + 1];
    take();
}

void gt_start(void)
{
    gt_start_move(0);
}

void gt_stop(void)
{
    leave();
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

unsigned gt_calls(void)
{
    return calls;
}

void gt_answered(void)
{
    calls = 0;
    sign(CALLS, 0);
}

static void at_second(void)
{
    unsigned i;
    for (i = 0; i < sizeof week / sizeof week[0]; i++) {
        if (week[i].second_of_day == clock_second && (week[i].days & (1u << clock_weekday)) != 0u
            && (!week[i].if_armed || armed())) {
            gt_start_move(week[i].move);
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
    listen(now);
    follow_clock();
    if (busy) {
        int waits = script[step].op == HOLD || script[step].op == UNTIL;
        if (waits && says_so()) {
            step += 1u;
        } else if (now - step_began < script[step].milliseconds) {
            return;
        } else if (waits) {
            otherwise();
        } else {
            step += 1u;
        }
        /* From now and not from when it was due: what comes next keeps its whole length. */
        step_began = now;
        take();
    }
}
`;
