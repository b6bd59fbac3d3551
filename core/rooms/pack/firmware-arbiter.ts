/** The part of the packed program that asks whether a rule acts, in tiers, and keeps limits; it stands behind the hands. */
export const ARBITER = `
/* What limits keep a contact from: how long it must still be open, or for ever while its rival is closed. */
static uint32_t limited(uint32_t mask, uint32_t now)
{
    uint32_t most = 0u;
    int i;
    for (i = 0; i < PAIRS; i++) {
        if (((mask & pairs[i][0]) != 0u && (closed & pairs[i][1]) != 0u)
            || ((mask & pairs[i][1]) != 0u && (closed & pairs[i][0]) != 0u)) {
            return NEVER;
        }
    }
    for (i = 1; i <= PRESSES; i++) {
        uint32_t open = now - open_since[i];
        if (is_in(mask, i) && was_open[i] && open_since[i] != now && open < output_limits[i].rest
            && output_limits[i].rest - open > most) {
            most = output_limits[i].rest - open;
        }
    }
    return most;
}

static void track_outputs(uint32_t before, uint32_t after)
{
    uint32_t now = gt_milliseconds();
    int i;
    for (i = 1; i <= PRESSES; i++) {
        if (is_in(after & ~before, i)) {
            closed_since[i] = now;
        }
        if (is_in(before & ~after, i)) {
            open_since[i] = now;
            was_open[i] = 1;
        }
        if (was_open[i] && !is_in(after, i) && now - open_since[i] >= output_limits[i].rest) {
            was_open[i] = 0;
        }
    }
}

/* The tier under which all is held back now. */
static int held_tier(void)
{
    int tier = hand_was_there ? HAND : COMFORT;
    int i;
    for (i = 1; i <= MODES; i++) {
        if (mode_on[i] && modes[i].holds > tier) {
            tier = modes[i].holds;
        }
    }
    for (i = 0; i < RULES; i++) {
        if (rule_holds[i] && rules[i].tier > tier) {
            tier = rules[i].tier;
        }
    }
    return tier;
}

static int hand_is_held(void)
{
    return (busy && move_tier > HAND) || held_tier() > HAND;
}

static void hand_holds(void)
{
    if (hand_holds_ms > 0u) {
        hand_was_there = 1;
        hand_was_at = gt_milliseconds();
    }
}

static int bar_of(int move, int tier)
{
    if (tier > HAND ? stopped() : hand_goes_first()) {
        return STOPPED;
    }
    if (tier < held_tier()) {
        return HELD_BACK;
    }
    if (starts_today[move] >= may_start[move].a_day) {
        return ENOUGH;
    }
    if ((may_start[move].armed && !armed) || (may_start[move].known != 0 && heard[may_start[move].known] == UNHEARD)) {
        return REFUSED;
    }
    return busy ? BUSY : DONE;
}

static int start_as(int move, int tier)
{
    int bar;
    if (move < 0 || move >= MOVES) {
        return DEAD;
    }
    bar = bar_of(move, tier);
    if (bar != DONE) {
        return bar;
    }
    if (may_start[move].armed) {
        spend_start();
    }
    step_began = gt_milliseconds();
    busy = 1;
    held = 0;
    yields = 0;
    move_tier = tier;
    starts_today[move] += 1u;
    step = move_begin[move];
    step_end = move_begin[move + 1];
    starts_since_care += starts_since_care < 2000000 ? 1 : 0;
    sign(DUE, 1);
    take(step_began);
    return DONE;
}

static void set_mode(int i, int on)
{
    if (on) {
        mode_since[i] = gt_milliseconds();
    }
    mode_on[i] = on;
}

static int in_window(int i)
{
    if (!clock_known || (windows[i].days & (1u << clock_weekday)) == 0u) {
        return 0;
    }
    if (windows[i].whole_day) {
        return 1;
    }
    return windows[i].from <= windows[i].until ? clock_second >= windows[i].from && clock_second < windows[i].until
                                               : clock_second >= windows[i].from || clock_second < windows[i].until;
}

static int conditions_hold(int r)
{
    unsigned n;
    for (n = rules[r].first; n < rules[r].first + rules[r].looks; n++) {
        int is = looks[n].at == LOOK_SENSE ? heard[looks[n].of]
                 : looks[n].at == LOOK_MODE ? mode_on[looks[n].of]
                                            : in_window(looks[n].of);
        if (is != looks[n].is) {
            return 0;
        }
    }
    return 1;
}

static int may_act(int r)
{
    return conditions_hold(r) && (!rules[r].if_armed || armed) && !rule_rests[r] && rule_acted[r] < rules[r].a_day;
}

static void has_acted(int r)
{
    rule_acted[r] += 1u;
    rule_rests[r] = rules[r].gap > 0u;
    rule_acted_at[r] = gt_milliseconds();
}

/* A higher tier wants its way: the move under way ends with the short press that it makes, or at once. */
static void yield_move(void)
{
    if (script[step].op == PRESS && !held && script[step].milliseconds <= WHOLE_PRESS_MS) {
        yields = 1;
    } else {
        leave();
    }
}

static int passes(int bar)
{
    return bar == STOPPED || bar == HELD_BACK || bar == BUSY;
}

static void rule_begins_move(int r)
{
    int bar;
    if (rules[r].tier > HAND) {
        bar_hands();
    }
    if (rules[r].if_armed && !armed) {
        return;
    }
    bar = start_as(rules[r].what, rules[r].tier);
    if (bar == DONE) {
        if (rules[r].if_armed && !may_start[rules[r].what].armed) {
            spend_start();
        }
        has_acted(r);
    } else if (bar == BUSY && move_tier < rules[r].tier) {
        uint32_t rest;
        yield_move();
        rest = busy ? script[step].milliseconds - (gt_milliseconds() - step_began) : 0u;
        rule_waits[r] = 1;
        rule_waits_since[r] = gt_milliseconds();
        rule_waits_ms[r] = rules[r].late > rest ? rules[r].late : rest;
    } else if (passes(bar) && rules[r].late > 0u) {
        rule_waits[r] = 1;
        rule_waits_since[r] = gt_milliseconds();
        rule_waits_ms[r] = rules[r].late;
    }
}

static void rule_fires(int r)
{
    if (!may_act(r)) {
        return;
    }
    if (rules[r].does == BEGIN_MOVE) {
        rule_begins_move(r);
    } else if (rules[r].tier >= held_tier()) {
        has_acted(r);
        if (rules[r].does == CALL_SOMEBODY) {
            calls += 1u;
            sign(CALLS, 1);
        } else {
            set_mode(rules[r].what, rules[r].does == MODE_ON);
        }
    }
}

static int edge_of(int r)
{
    switch (rules[r].edge) {
    case BY_SENSE:
        return heard[rules[r].of] == rules[r].is;
    case BY_MODE:
        return mode_on[rules[r].of] == rules[r].is;
    default:
        return 0;
    }
}

static void next_in_turn(void)
{
    int best = -1;
    int bar;
    int r;
    for (r = 0; r < RULES; r++) {
        if (rule_waits[r] && (best < 0 || rules[r].tier > rules[best].tier)) {
            best = r;
        }
    }
    if (best < 0 || rules[best].tier < held_tier()) {
        return;
    }
    bar = rules[best].if_armed && !armed ? REFUSED : start_as(rules[best].what, rules[best].tier);
    if (passes(bar)) {
        return;
    }
    rule_waits[best] = 0;
    if (bar == DONE) {
        if (rules[best].if_armed && !may_start[rules[best].what].armed) {
            spend_start();
        }
        has_acted(best);
    }
}

static void keep_limits(uint32_t now)
{
    int i;
    for (i = 1; i <= PRESSES; i++) {
        if (is_in(closed, i) && now - closed_since[i] >= output_limits[i].longest) {
            if (busy) {
                leave();
            }
            bar_hands();
            calls += 1u;
            sign(CALLS, 1);
        }
    }
}

/* What follows from what happened: what stands now, who has to give way, who waited. */
static void settle_rules(uint32_t now)
{
    int r;
    for (r = 0; r < RULES; r++) {
        int is = edge_of(r);
        if (is != edge_is[r]) {
            edge_is[r] = is;
            rule_holds[r] = 0;
            edge_due[r] = is;
            edge_since[r] = now;
        }
    }
    if (busy && !yields && move_tier < held_tier()) {
        yield_move();
    }
    if (!busy) {
        next_in_turn();
    }
}

static void fire(int r, uint32_t now)
{
    rule_fires(r);
    settle_rules(now);
}

/* Rules whose sense or mode has stood for its time. Those that put each other on and off for ever are left to the next tick. */
static void fire_due(uint32_t now)
{
    int left = 100;
    int r;
    for (r = 0; r < RULES; r++) {
        if (edge_due[r] && now - edge_since[r] >= rules[r].stands && left > 0) {
            edge_due[r] = 0;
            rule_holds[r] = rules[r].tier > COMFORT && conditions_hold(r);
            fire(r, now);
            left -= 1;
            r = -1;
        }
    }
}
`;
