/** Rules in tiers, modes, limits. */
export const PY_RULES = `
mode_on = [False] * (len(MODES) + 1)  # numbers of modes are from 1
mode_since = [0] * (len(MODES) + 1)
edge_is = [False] * len(RULES)
edge_due = [False] * len(RULES)
edge_since = [0] * len(RULES)
rule_holds = [False] * len(RULES)
rule_waits = [False] * len(RULES)
rule_waits_since = [0] * len(RULES)
rule_waits_ms = [0] * len(RULES)
rule_rests = [False] * len(RULES)
rule_acted_at = [0] * len(RULES)
rule_acted = [0] * len(RULES)
starts_today = [0] * len(MAY_START)


def held_tier():
    """The tier under which all is held back now."""
    tier = HAND if me.hand_there else COMFORT
    for i in range(1, len(mode_on)):
        if mode_on[i]:
            tier = max(tier, MODES[i - 1][1])
    for r in range(len(RULES)):
        if rule_holds[r]:
            tier = max(tier, RULES[r][TIER])
    return tier


def hand_is_held():
    return (me.busy and me.move_tier > HAND) or held_tier() > HAND


def hand_holds():
    if HAND_HOLDS > 0:
        me.hand_there = True
        me.hand_at = me.now


def bar_of(move, tier):
    if stopped() if tier > HAND else hand_goes_first():
        return STOPPED
    if tier < held_tier():
        return HELD_BACK
    a_day, if_armed, known = MAY_START[move]
    if starts_today[move] >= a_day:
        return ENOUGH
    if (if_armed and not me.armed) or (known and heard[known] == UNHEARD):
        return REFUSED
    return BUSY if me.busy else DONE


def start_as(move, tier):
    if move < 0 or move >= len(MAY_START):
        return DEAD
    bar = bar_of(move, tier)
    if bar != DONE:
        return bar
    if MAY_START[move][1]:
        spend_start()
    me.step_began = me.now
    me.busy = True
    me.held = False
    me.yields = False
    me.move_tier = tier
    starts_today[move] += 1
    me.step = BEGINS_AT[move]
    me.step_end = BEGINS_AT[move + 1]
    me.starts_since_care += 1
    sign(DUE, True)
    take()
    return DONE


def set_mode(i, on):
    if on:
        mode_since[i] = me.now
    mode_on[i] = on


def in_window(i):
    days, begins, ends, whole_day = WINDOWS[i - 1]
    if not me.clock_known or not days >> me.weekday & 1:
        return False
    if whole_day:
        return True
    second = me.second_of_day
    return begins <= second < ends if begins <= ends else second >= begins or second < ends


def conditions_hold(r):
    first = RULES[r][RULE_FIRST]
    for at, of, wanted in LOOKS[first : first + RULES[r][RULE_COUNT]]:
        if at == LOOK_SENSE:
            so = heard[of]
        elif at == LOOK_MODE:
            so = 1 if mode_on[of] else 0
        else:
            so = 1 if in_window(of) else 0
        if so != wanted:
            return False
    return True


def may_act(r):
    rule = RULES[r]
    armed = not rule[IF_ARMED] or me.armed
    return conditions_hold(r) and armed and not rule_rests[r] and rule_acted[r] < rule[A_DAY]


def has_acted(r):
    rule_acted[r] += 1
    rule_rests[r] = RULES[r][GAP] > 0
    rule_acted_at[r] = me.now


def yield_move():
    """A higher tier wants its way: the move under way ends with the short press that it makes, or at once."""
    step = STEPS[me.step]
    if step[OP] == PRESS and not me.held and step[MS] <= WHOLE_PRESS_MS:
        me.yields = True
    else:
        leave()


def passes(bar):
    return bar == STOPPED or bar == HELD_BACK or bar == BUSY


def rule_waits_for(r, ms):
    rule_waits[r] = True
    rule_waits_since[r] = me.now
    rule_waits_ms[r] = ms


def rule_began(r):
    if RULES[r][IF_ARMED] and not MAY_START[RULES[r][WHAT]][1]:
        spend_start()
    has_acted(r)


def rule_begins_move(r):
    rule = RULES[r]
    if rule[TIER] > HAND:
        bar_hands()
    if rule[IF_ARMED] and not me.armed:
        return
    bar = start_as(rule[WHAT], rule[TIER])
    if bar == DONE:
        rule_began(r)
    elif bar == BUSY and me.move_tier < rule[TIER]:
        yield_move()
        rest = STEPS[me.step][MS] - (me.now - me.step_began) if me.busy else 0
        rule_waits_for(r, max(rule[LATE], rest))
    elif passes(bar) and rule[LATE] > 0:
        rule_waits_for(r, rule[LATE])


def rule_fires(r):
    if not may_act(r):
        return
    rule = RULES[r]
    if rule[RULE_DOES] == BEGIN_MOVE:
        rule_begins_move(r)
    elif rule[TIER] >= held_tier():
        has_acted(r)
        if rule[RULE_DOES] == CALL_SOMEBODY:
            call()
        else:
            set_mode(rule[WHAT], rule[RULE_DOES] == MODE_ON)


def edge_of(r):
    edge, of, wanted = RULES[r][0:3]
    if edge == BY_SENSE:
        return heard[of] == wanted
    if edge == BY_MODE:
        return (1 if mode_on[of] else 0) == wanted
    return False


def next_in_turn():
    best = -1
    for r in range(len(RULES)):
        if rule_waits[r] and (best < 0 or RULES[r][TIER] > RULES[best][TIER]):
            best = r
    if best < 0 or RULES[best][TIER] < held_tier():
        return
    rule = RULES[best]
    bar = REFUSED if rule[IF_ARMED] and not me.armed else start_as(rule[WHAT], rule[TIER])
    if passes(bar):
        return
    rule_waits[best] = False
    if bar == DONE:
        rule_began(best)


def keep_limits():
    for i in range(len(CONTACTS)):
        if me.closed >> i & 1 and me.now - closed_since[i] >= LIMITS[i][0]:
            if me.busy:
                leave()
            bar_hands()
            call()


def settle_rules():
    """What follows from what happened: what stands now, who has to give way, who waited."""
    for r in range(len(RULES)):
        so = edge_of(r)
        if so != edge_is[r]:
            edge_is[r] = so
            rule_holds[r] = False
            edge_due[r] = so
            edge_since[r] = me.now
    if me.busy and not me.yields and me.move_tier < held_tier():
        yield_move()
    if not me.busy:
        next_in_turn()


def fire(r):
    rule_fires(r)
    settle_rules()


def fire_due():
    """Rules whose sense or mode has stood for its time. Those that put each other on and off for ever are left to the next tick."""
    left = 100
    r = 0
    while r < len(RULES):
        if edge_due[r] and me.now - edge_since[r] >= RULES[r][STANDS] and left > 0:
            edge_due[r] = False
            rule_holds[r] = RULES[r][TIER] > COMFORT and conditions_hold(r)
            fire(r)
            left -= 1
            r = 0
        else:
            r += 1


def follow_rules():
    """Everything of the rules that hangs on the time, on senses and on modes."""
    settle_rules()
    keep_limits()
    settle_rules()
    fire_due()
    for r in range(len(RULES)):
        if rule_waits[r] and me.now - rule_waits_since[r] >= rule_waits_ms[r]:
            rule_waits[r] = False
        if rule_rests[r] and me.now - rule_acted_at[r] >= RULES[r][GAP]:
            rule_rests[r] = False
    for i in range(1, len(mode_on)):
        if mode_on[i] and me.now - mode_since[i] >= MODES[i - 1][2]:
            set_mode(i, False)
            settle_rules()
            fire_due()
    if me.hand_there and me.now - me.hand_at >= HAND_HOLDS:
        me.hand_there = False
        settle_rules()
        fire_due()


def begin_rules():
    for i in range(1, len(mode_on)):
        set_mode(i, MODES[i - 1][0])
    for i in range(len(HANDS)):
        if HANDS[i][DOES] == SWITCHES_MODE and HANDS[i][STAYS] and felt[i] and HANDS[i][FIRST] > 0:
            set_mode(HANDS[i][FIRST], True)
    for r in range(len(RULES)):
        # What is nice to have waits for a change; what keeps from harm does not.
        edge_is[r] = edge_of(r) if RULES[r][TIER] == COMFORT else False


def new_day():
    for r in range(len(RULES)):
        rule_acted[r] = 0
    for i in range(len(starts_today)):
        starts_today[i] = 0
`;
