/** Time, contacts, their order, signs. Written for MicroPython, as all pieces of the program beside this one. */
export const PY_OUTPUTS = `
class State:
    """All that the program remembers."""

    pass


me = State()
me.now = 0  # ms since the start, of the tick that runs
me.ticks = time.ticks_ms()
me.planned = 0  # the tick was to come by now
me.late = 0
me.calls = 0
me.busy = False
me.yields = False
me.held = False
me.held_ms = 0
me.step = 0
me.step_end = 0
me.step_began = 0
me.move_tier = COMFORT
me.closed = 0
me.by_hand = 0
me.armed = False
me.starts_left = 0  # of a counted arming; 0 for as many as come
me.starts_since_care = 0
me.hand_there = False
me.hand_at = 0
gone_back = [0] * len(STEPS)
open_since = [0] * len(CONTACTS)
closed_since = [0] * len(CONTACTS)
was_open = [False] * len(CONTACTS)
resting = [[False, False] for _ in ORDERS]
let_go_at = [[0, 0] for _ in ORDERS]
way_set = [False] * len(ORDERS)
outputs = {}


def look_at_clock():
    # The controller's own count wraps round; this one does not.
    ticks = time.ticks_ms()
    me.now += time.ticks_diff(ticks, me.ticks)
    me.ticks = ticks


def write(pin, level):
    if pin in SERVOS:
        outputs[pin].duty_ns(SERVOS[pin][level])
    else:
        outputs[pin].value(level)


def contacts(wanted):
    """Closes the contacts whose bits are set, and those that a hand closes, and opens all others; bit 0 is the first."""
    mask = wanted | me.by_hand
    kept = set()
    for i in range(len(CONTACTS)):
        if mask >> i & 1:
            kept.add(CONTACTS[i][0])
    for i in range(len(CONTACTS)):
        pin, level = CONTACTS[i]
        if pin not in kept:
            write(pin, 0 if level else 1)
    for i in range(len(CONTACTS)):
        if mask >> i & 1:
            write(CONTACTS[i][0], CONTACTS[i][1])
    for i in range(len(ORDERS)):
        for j in (0, 1):
            if me.closed & ~mask & ORDERS[i][j]:
                resting[i][j] = True
                let_go_at[i][j] = me.now
    for i in range(len(CONTACTS)):
        is_now = mask >> i & 1
        was = me.closed >> i & 1
        if is_now and not was:
            closed_since[i] = me.now
        if was and not is_now:
            open_since[i] = me.now
            was_open[i] = True
        if was_open[i] and not is_now and me.now - open_since[i] >= LIMITS[i][1]:
            was_open[i] = False
    me.closed = mask


def awaited():
    """What hands wait for their turn to press."""
    mask = 0
    for i in range(len(HANDS)):
        if waits[i]:
            mask |= HANDS[i][PRESSES]
    return mask


def limited(mask):
    """What limits keep a contact from: how long it must still be open, or for ever while its rival is closed."""
    most = 0
    for a, b in PAIRS:
        if (mask & a and me.closed & b) or (mask & b and me.closed & a):
            return EVER
    for i in range(len(CONTACTS)):
        rest = LIMITS[i][1]
        open_for = me.now - open_since[i]
        if mask >> i & 1 and was_open[i] and open_since[i] != me.now and open_for < rest:
            most = max(most, rest - open_for)
    return most


def wait_for(mask):
    """How long contacts have to wait for the other direction to come to rest and their way to be set."""
    most = limited(mask)
    if most == EVER:
        return EVER
    for i in range(len(ORDERS)):
        side_a, side_b, apart, lead, _, _ = ORDERS[i]
        sides = (side_a, side_b)
        for j in (0, 1):
            if not mask & sides[j]:
                continue
            other = 1 - j
            just = resting[i][j] and let_go_at[i][j] == me.now
            other_just = resting[i][other] and let_go_at[i][other] == me.now
            # What was let go in this very instant goes on as it was.
            if just and not other_just:
                continue
            if (me.closed | awaited()) & sides[other]:
                return EVER
            wait = lead
            if resting[i][other] and me.now - let_go_at[i][other] < apart:
                wait += apart - (me.now - let_go_at[i][other])
            most = max(most, wait)
    return most


def soon(mask, lead):
    """Whether contacts that wait for their turn come to it so soon that their way is set now."""
    if me.busy and me.held and STEPS[me.step][STEP_PRESSES] & mask:
        if me.held_ms - (me.now - me.step_began) <= lead:
            return True
    for i in range(len(HANDS)):
        if waits[i] and HANDS[i][PRESSES] & mask and waits_ms[i] - (me.now - waits_since[i]) <= lead:
            return True
    return False


def follow_ways():
    """What says which way stays as it is until the motor has come to rest, and is moved before the power is."""
    for i in range(len(ORDERS)):
        _, other, apart, lead, pin, level = ORDERS[i]
        for j in (0, 1):
            if resting[i][j] and me.now - let_go_at[i][j] >= apart:
                resting[i][j] = False
        if pin < 0:
            continue
        on = bool(me.closed & other) or (way_set[i] and resting[i][1]) or soon(other, lead)
        if on != way_set[i]:
            way_set[i] = on
            write(pin, level if on else 1 - level)


def sign(means, on):
    for pin, what, after in SIGNS:
        if what == means and (means != DUE or not on or me.starts_since_care >= after):
            write(pin, 1 if on else 0)
`;
