/** What senses say, and the steps of moves. */
export const PY_MOVES = `
heard = [UNHEARD] * (len(SENSES) + 1)  # numbers of senses are from 1
changing = [False] * (len(SENSES) + 1)
changes_to = [UNHEARD] * (len(SENSES) + 1)
changed_at = [0] * (len(SENSES) + 1)


def listen():
    """What a sense tells is heard once it has stood for its time."""
    for i in range(1, len(SENSES) + 1):
        says = read_sense(i)
        if says == heard[i]:
            changing[i] = False
        elif not changing[i] or says != changes_to[i]:
            changing[i] = True
            changes_to[i] = says
            changed_at[i] = me.now
        if changing[i] and me.now - changed_at[i] >= stands_for(i):
            changing[i] = False
            heard[i] = says


def stands_for(i):
    return SENSES[i - 1][NOT_MS if changes_to[i] == 0 else SO_MS]


def leave():
    contacts(0)
    sign(ABOUT_TO_MOVE, False)
    me.busy = False
    me.held = False
    me.yields = False
    for i in range(len(gone_back)):
        gone_back[i] = 0


def call():
    me.calls += 1
    sign(CALLS, True)
    tell("call", str(me.calls))


def otherwise():
    """What a step says that did not come true."""
    what = STEPS[me.step][OTHERWISE]
    if what == ASK:
        call()
        leave()
    elif what == END:
        leave()
    else:
        me.step += 1


def says_so():
    step = STEPS[me.step]
    return heard[step[SENSE]] == step[IS]


def press():
    """Presses now, or as soon as the order of the contacts lets it."""
    mask = STEPS[me.step][STEP_PRESSES]
    contacts(me.closed & mask)
    me.held_ms = wait_for(mask & ~me.closed)
    me.held = me.held_ms > 0
    contacts(0 if me.held else mask)


def take():
    """Takes the step that the move has come to, and those after it that take no time."""
    for _ in range(MOST_AT_ONCE):
        if not me.busy:
            return
        if me.step >= me.step_end:
            leave()
            return
        step = STEPS[me.step]
        op = step[OP]
        if op == PRESS:
            press()
            return
        if op == WAIT or op == WARN:
            contacts(0)
            if op == WARN:
                sign(ABOUT_TO_MOVE, True)
            return
        if op == HOLD or op == UNTIL:
            if not says_so():
                if op == HOLD:
                    press()
                else:
                    contacts(0)
                return
            me.step += 1
        elif op == LOOK:
            if says_so():
                me.step += 1
            else:
                otherwise()
        elif op == AGAIN:
            if step[SENSE] != 0 and says_so():
                me.step += 1
            elif gone_back[me.step] < step[TIMES]:
                gone_back[me.step] += 1
                me.step = step[TO]
            elif step[SENSE] == 0:
                me.step += 1
            else:
                otherwise()
        elif op == TELL:
            tell("tells", TEXTS.get(me.step, ""))
            me.step += 1
        else:
            call()
            leave()
            return
    if me.busy:
        call()
        leave()


def advance():
    """The move under way goes on: its step is up, what it waits for has come, or its turn."""
    step = STEPS[me.step]
    waits_for_it = step[OP] == HOLD or step[OP] == UNTIL
    lasted = me.now - me.step_began
    if waits_for_it and says_so() and (me.held or lasted >= step[LEAST]):
        me.held = False
        me.step += 1
    elif me.held:
        if lasted >= me.held_ms:
            me.held = False
            me.step_began = me.now
            contacts(step[STEP_PRESSES])
        return
    elif lasted < step[MS]:
        return
    elif me.yields:
        leave()
        return
    elif waits_for_it:
        otherwise()
    else:
        me.step += 1
    # From now and not from when it was due: what comes next keeps its whole length.
    me.step_began = me.now
    take()
`;
