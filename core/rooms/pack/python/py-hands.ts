/** What people move at the controller, and commands that come by message. */
export const PY_HANDS = `
felt = [False] * len(HANDS)
moving = [False] * len(HANDS)
moved_at = [0] * len(HANDS)
barred = [False] * len(HANDS)
waits = [False] * len(HANDS)
waits_since = [0] * len(HANDS)
waits_ms = [0] * len(HANDS)
turn = [0] * len(HANDS)


def arm(on, most):
    me.armed = on
    me.starts_left = most
    sign(ARMED, on)


def stopped():
    for i in range(len(HANDS)):
        if HANDS[i][DOES] == STOPS and felt[i]:
            return True
    return False


def hand_goes_first():
    """Whether a hand stops everything, or presses by itself."""
    return stopped() or me.by_hand != 0 or awaited() != 0


def spend_start():
    """A start that asked for arming went: one arming lets so many go."""
    if me.starts_left > 0:
        me.starts_left -= 1
        if me.starts_left == 0:
            arm(False, 0)


def begin_next(i):
    """The next move of a hand or a command takes the place of whatever runs."""
    if me.busy:
        leave()
    begun = start_as(HAND_MOVES[HANDS[i][FIRST] + turn[i]], HAND) == DONE
    turn[i] = (turn[i] + 1) % HANDS[i][COUNT]
    return begun


def command(number):
    """A command has come, by number from 0. Whoever sends one does not stand at the machine: it asks for arming where anything arms."""
    found = -1
    arming = False
    for i in range(len(HANDS)):
        arming = arming or HANDS[i][DOES] == ARMS
        if HANDS[i][DOES] == COMMANDS:
            if number == 0:
                found = i
            number -= 1
    if found < 0:
        return False
    hand_holds()
    if HANDS[found][COUNT] == 0 or hand_goes_first() or hand_is_held() or (arming and not me.armed):
        return False
    move = HAND_MOVES[HANDS[found][FIRST] + turn[found]]
    if not begin_next(found):
        return False
    if arming and not MAY_START[move][1]:
        spend_start()
    return True


def let_go(i):
    """A hand that presses lets go of its contacts, or of its turn."""
    if not waits[i] and not barred[i]:
        me.by_hand &= ~HANDS[i][PRESSES]
        contacts(0)
    waits[i] = False


def bar_hands():
    """Whoever still presses has to let go first."""
    for i in range(len(HANDS)):
        if HANDS[i][DOES] == PRESSES_WHILE_HELD and felt[i]:
            let_go(i)
            barred[i] = True


def hand_presses(i):
    if hand_is_held():
        barred[i] = True
        return
    if me.busy:
        leave()
    mask = HANDS[i][PRESSES]
    wait = EVER if stopped() or me.closed & mask else wait_for(mask)
    if wait == EVER:
        barred[i] = True
    elif wait > 0:
        waits[i] = True
        waits_since[i] = me.now
        waits_ms[i] = wait
    else:
        me.by_hand |= mask
        contacts(0)


def answered():
    """Somebody came: signs that mean a call, or that care is due, go out."""
    me.calls = 0
    sign(CALLS, False)
    me.starts_since_care = 0
    sign(DUE, False)


def hand_felt(i):
    does = HANDS[i][DOES]
    stays = HANDS[i][STAYS]
    if felt[i] and (does == STOPS or does == BEGINS or does == PRESSES_WHILE_HELD):
        hand_holds()
    if does == STOPS:
        if felt[i]:
            if me.busy:
                leave()
            bar_hands()
    elif does == ARMS:
        # A switch says what it says; a button arms, and takes it back.
        if stays:
            arm(felt[i], HANDS[i][MOST])
        elif felt[i]:
            arm(not me.armed, HANDS[i][MOST])
    elif does == SWITCHES_MODE:
        # A switch puts its mode on for as long as it stays; a button puts it on, or off again.
        mode = HANDS[i][FIRST]
        if mode > 0 and (stays or felt[i]):
            set_mode(mode, felt[i] if stays else not mode_on[mode])
    elif does == ANSWERS:
        if felt[i]:
            answered()
    elif does == BEGINS:
        if felt[i] and HANDS[i][COUNT] > 0 and not stopped() and not hand_is_held():
            begin_next(i)
    elif not felt[i]:
        let_go(i)
        barred[i] = False
    elif HANDS[i][PRESSES]:
        hand_presses(i)


def is_moved(i):
    return inputs[HANDS[i][PIN]].value() == HANDS[i][LEVEL]


def follow_hands():
    """What people move is felt once it has stood for its time; who waits for a turn gets it."""
    for i in range(len(HANDS)):
        if HANDS[i][DOES] == COMMANDS:
            continue
        if is_moved(i) == felt[i]:
            moving[i] = False
        elif not moving[i]:
            moving[i] = True
            moved_at[i] = me.now
        if moving[i] and me.now - moved_at[i] >= HANDS[i][HAND_MS]:
            moving[i] = False
            felt[i] = not felt[i]
            hand_felt(i)
    for i in range(len(HANDS)):
        if waits[i] and me.now - waits_since[i] >= waits_ms[i]:
            waits[i] = False
            # Another hand may press the same by now.
            barred[i] = bool(me.closed & HANDS[i][PRESSES])
            if not barred[i]:
                me.by_hand |= HANDS[i][PRESSES]
                contacts(0)


def read_hands():
    """At power-up: a stop holds, a switch that lets any number go is armed; all else has to be moved anew."""
    arm(False, 0)
    for i in range(len(HANDS)):
        does = HANDS[i][DOES]
        felt[i] = does != COMMANDS and is_moved(i)
        barred[i] = felt[i] and does == PRESSES_WHILE_HELD
        if felt[i] and does == ARMS and HANDS[i][STAYS] and HANDS[i][MOST] == 0:
            arm(True, 0)
`;
