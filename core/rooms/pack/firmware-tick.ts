const AT_SECOND = `        if (week[i].second_of_day == clock_second && (week[i].days & (1u << clock_weekday)) != 0u
            && (!week[i].if_armed || armed) && begin(week[i].move) && week[i].if_armed) {
            spend_start();
        }
`;
const AT_SECOND_RULED = `        if (week[i].second_of_day == clock_second && (week[i].days & (1u << clock_weekday)) != 0u) {
            fire(week[i].rule, gt_milliseconds());
        }
`;

/**
 * What the header declares: setting up, starting, stopping, the clock, and the tick that does it all.
 * @param setup what setting up does before anything else. @param unheard what it does once senses were read.
 * @param listens whether each change that is heard is told. @param ruled whether rules are followed.
 * @param lasts whether a press may have to last though its sense says so.
 */
// eslint-disable-next-line max-lines-per-function -- the text of the file that it writes
export const tickText = (setup: string, unheard: string, listens: boolean, ruled: boolean, lasts: boolean): string => `
void gt_setup(void)
{
    int i;
${setup}    by_hand = 0u;
    held = 0;
    for (i = 1; i <= ORDERS; i++) {
        /* Nobody knows what turned when the power went. */
        resting[i][0] = 1;
        resting[i][1] = 1;
        let_go_at[i][0] = gt_milliseconds();
        let_go_at[i][1] = let_go_at[i][0];
        way_set[i] = 0;
        if (orders[i].pin >= 0) {
            gt_write_pin(orders[i].pin, !orders[i].level);
        }
    }
    closed = 0u;
    contacts(0u);
    sign(ABOUT_TO_MOVE, 0);
    sign(CALLS, 0);
    sign(DUE, 0);
    busy = 0;
    starts_since_care = 0;
    step = 0;
    calls = 0;
    clock_known = 0;
    last_tick = gt_milliseconds();
    for (i = 1; i <= SENSES; i++) {
        heard[i] = read_sense(i);
        changing[i] = 0;
    }
${unheard}    read_hands();
${ruled ? '    begin_rules();\n' : ''}}

void gt_start_move(int move)
{
    if (begin(move)) {
        last_tick = gt_milliseconds();
    }
}

void gt_start(void)
{
    gt_start_move(0);
}

void gt_stop(void)
{
    leave();
    bar_hands();
}

int gt_busy(void)
{
    return busy;
}

int gt_armed(void)
{
    return armed;
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
    starts_since_care = 0;
    sign(DUE, 0);
}

static void at_second(void)
{
    unsigned i;
    for (i = 0; i < sizeof week / sizeof week[0]; i++) {
${ruled ? AT_SECOND_RULED : AT_SECOND}    }
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
${ruled ? '            new_day();\n' : ''}        }
        /* What fell due while nothing ran is past: only the present second still counts. */
        if (behind < STALE_MS) {
            at_second();
        }
    }
}

/* The move under way goes on: its step is up, what it waits for has come, or its turn. */
static void advance(uint32_t now)
{
    int waits_for_it = script[step].op == HOLD || script[step].op == UNTIL;
    if (waits_for_it && says_so()${lasts ? ' && (held || now - step_began >= script[step].least)' : ''}) {
        held = 0;
        step += 1u;
    } else if (held) {
        if (now - step_began >= held_ms) {
            held = 0;
            step_began = now;
            contacts(script[step].presses);
        }
        return;
    } else if (now - step_began < script[step].milliseconds) {
        return;
${ruled ? '    } else if (yields) {\n        leave();\n        return;\n' : ''}    } else if (waits_for_it) {
        otherwise();
    } else {
        step += 1u;
    }
    /* From now and not from when it was due: what comes next keeps its whole length. */
    step_began = now;
    take(now);
}

void gt_tick(void)
{
    uint32_t now = gt_milliseconds();
    uint32_t since = now - last_tick;
    last_tick = now;
    if ((busy || by_hand != 0u) && since > LATE_MS) {
        gt_stop();
        late += 1u;
    }
    listen(now);
${listens ? '    tell_changes();\n' : ''}    follow_hands(now);
    follow_clock();
${ruled ? '    follow_told(now);\n' : ''}    if (busy) {
        advance(now);
    }
${ruled ? '    follow_rules(now);\n' : ''}    follow_ways(now);
}
`;
