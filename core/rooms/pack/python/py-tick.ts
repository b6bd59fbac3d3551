/** The clock, the tick that does it all, and how long the program may rest. */
export const PY_TICK = `
me.clock_known = False
me.utc_ms = 0  # of the clock when it was read last
me.utc_at = 0  # and when that was
me.offset_ms = 0
me.second = 0  # the last local second that was looked at, since 2000
me.second_of_day = 0
me.weekday = 1
me.zone = 0
me.instant = 0  # the next one in INSTANTS
DAY_MS = 86400000
STALE_MS = 2000


def read_clock():
    """Seconds since 2000, from a clock that somebody has set; before that nothing comes by the clock."""
    since = time.time_ns() // 1000000 - EPOCH_MS
    if since < MADE_AT * 1000:
        return
    me.utc_ms = since
    me.utc_at = me.now
    if not me.clock_known:
        me.clock_known = True
        me.instant = 0
        me.zone = 0
        place_clock()
        me.second = local_ms() // 1000
        while me.instant < len(INSTANTS) and INSTANTS[me.instant][0] * 1000 < utc():
            me.instant += 1


def utc():
    return me.utc_ms + me.now - me.utc_at


def place_clock():
    while me.zone + 1 < len(ZONES) and ZONES[me.zone + 1][0] * 1000 <= utc():
        me.zone += 1
    me.offset_ms = ZONES[me.zone][1] * 1000
    local = utc() + me.offset_ms
    me.second_of_day = local % DAY_MS // 1000
    # 1 January 2000 was a Saturday.
    me.weekday = (local // DAY_MS + 5) % 7 + 1


def local_ms():
    return utc() + me.offset_ms


def follow_clock():
    if not me.clock_known:
        return
    day = (me.second * 1000) // DAY_MS
    place_clock()
    local = local_ms()
    if local // DAY_MS != day:
        new_day()
    # What fell due while nothing ran is past; an hour that comes again has been.
    first = max(me.second + 1, (local - STALE_MS) // 1000 + 1)
    if local // 1000 < me.second - 3 * 3600:
        me.second = local // 1000
    for second in range(first, local // 1000 + 1):
        me.second = second
        of_day = second % 86400
        weekday = (second // 86400 + 5) % 7 + 1
        for rule, days, at in WEEK:
            if at == of_day and days >> weekday & 1:
                fire(rule)
    while me.instant < len(INSTANTS) and INSTANTS[me.instant][0] * 1000 <= utc():
        at, rule = INSTANTS[me.instant]
        me.instant += 1
        if utc() - at * 1000 < STALE_MS:
            fire(rule)
            settle_rules()


def tick():
    look_at_clock()
    if (me.busy or me.by_hand) and me.now - me.planned > LATE_MS:
        # A call that comes too late opens the contacts and forgets the rest of the move: a press is never stretched.
        leave()
        bar_hands()
        me.late += 1
    listen()
    tell_changes()
    follow_hands()
    follow_clock()
    settle_rules()
    if me.busy:
        advance()
    follow_rules()
    follow_ways()


def clock_rests():
    """How long the clock brings nothing, ms."""
    if not me.clock_known:
        return 3600000
    local = local_ms()
    rest = DAY_MS - local % DAY_MS
    for _, days, at in WEEK:
        for ahead in (0, 1):
            due = (local // DAY_MS + ahead) * DAY_MS + at * 1000
            if due // 1000 > me.second:
                rest = min(rest, due - local)
                break
    if me.instant < len(INSTANTS):
        rest = min(rest, INSTANTS[me.instant][0] * 1000 - utc())
    if me.zone + 1 < len(ZONES):
        rest = min(rest, ZONES[me.zone + 1][0] * 1000 - utc())
    return rest


def rests():
    """How long nothing can happen unless somebody moves something or a message comes, ms."""
    now = me.now
    rest = clock_rests()
    for i in range(1, len(heard)):
        if changing[i]:
            rest = min(rest, changed_at[i] + stands_for(i) - now)
        rest = min(rest, sense_rests(i))
    for i in range(len(HANDS)):
        if moving[i]:
            rest = min(rest, moved_at[i] + HANDS[i][HAND_MS] - now)
        if waits[i]:
            rest = min(rest, turn_rests(waits_since[i] + waits_ms[i] - now))
    if me.busy:
        step = STEPS[me.step]
        if me.held:
            rest = min(rest, turn_rests(me.step_began + me.held_ms - now))
        else:
            rest = min(rest, me.step_began + step[MS] - now)
            if step[OP] == HOLD and me.step_began + step[LEAST] > now:
                rest = min(rest, me.step_began + step[LEAST] - now)
    for i in range(len(CONTACTS)):
        if me.closed >> i & 1:
            rest = min(rest, closed_since[i] + LIMITS[i][0] - now)
    for i in range(len(ORDERS)):
        for j in (0, 1):
            if resting[i][j]:
                rest = min(rest, let_go_at[i][j] + ORDERS[i][2] - now)
    for r in range(len(RULES)):
        if edge_due[r]:
            rest = min(rest, edge_since[r] + RULES[r][STANDS] - now)
        if rule_waits[r]:
            rest = min(rest, rule_waits_since[r] + rule_waits_ms[r] - now)
        if rule_rests[r]:
            rest = min(rest, rule_acted_at[r] + RULES[r][GAP] - now)
    for i in range(1, len(mode_on)):
        if mode_on[i]:
            rest = min(rest, mode_since[i] + MODES[i - 1][2] - now)
    if me.hand_there:
        rest = min(rest, me.hand_at + HAND_HOLDS - now)
    # What is over already is looked at again in a moment.
    return max(1, min(rest, 86400000))


def turn_rests(left):
    """Until a turn comes, and before it until its way is set."""
    for order in ORDERS:
        if order[4] >= 0 and left > order[3] > 0:
            left = min(left, left - order[3])
    return left
`;
