const BEGIN = `
static int begin(int move)
{
    if (busy || move < 0 || move >= MOVES || hand_goes_first()) {
        return 0;
    }
    step_began = gt_milliseconds();
    busy = 1;
    held = 0;
    step = move_begin[move];
    step_end = move_begin[move + 1];
    starts_since_care += starts_since_care < 2000000 ? 1 : 0;
    sign(DUE, 1);
    take(step_began);
    return 1;
}
`;
const BEGIN_RULED = `
static int begin(int move)
{
    return start_as(move, COMFORT) == DONE;
}
`;

/** Somebody who does something to the machine holds comfort back. */
const HAND_HOLDS = `    if (felt[i] && (hands[i].does == STOPS || hands[i].does == BEGINS || hands[i].does == PRESSES_WHILE_HELD)) {
        hand_holds();
    }
`;
const COMMAND_HOLDS = `    if (found != 0) {
        hand_holds();
    }
`;

const SWITCHES = `    case SWITCHES_MODE:
        /* A switch puts its mode on for as long as it stays; a button puts it on, or off again. */
        if (hands[i].first > 0u && (hands[i].stays || felt[i])) {
            set_mode((int)hands[i].first, hands[i].stays ? felt[i] : !mode_on[hands[i].first]);
        }
        break;
`;

/**
 * The part of the packed program that follows what people move at the controller: it goes before any plan.
 * @param ruled whether rules of higher tiers go before it.
 */
// eslint-disable-next-line max-lines-per-function -- the text of the file that it writes
export const handsText = (ruled: boolean): string => `
static void arm(int on, unsigned most)
{
    armed = on;
    starts_left = most;
    sign(ARMED, armed);
}

static int stopped(void)
{
    int i;
    for (i = 1; i <= HANDS; i++) {
        if (hands[i].does == STOPS && felt[i]) {
            return 1;
        }
    }
    return 0;
}

/* Whether a hand stops everything, or presses by itself. */
static int hand_goes_first(void)
{
    return stopped() || by_hand != 0u || awaited() != 0u;
}
${ruled ? BEGIN_RULED : BEGIN}
/* A start that asked for arming went: one arming lets so many go. */
static void spend_start(void)
{
    if (starts_left > 0u) {
        starts_left -= 1u;
        if (starts_left == 0u) {
            arm(0, 0u);
        }
    }
}

/* The next move of a hand or a command takes the place of whatever runs. */
static int begin_next(int i)
{
    int begun;
    if (busy) {
        leave();
    }
    begun = ${ruled ? 'start_as(hand_moves[hands[i].first + turn[i]], HAND) == DONE' : 'begin(hand_moves[hands[i].first + turn[i]])'};
    turn[i] = (turn[i] + 1u) % hands[i].count;
    return begun;
}

/* Whoever sends a command does not stand at the machine: it asks for arming where anything arms. */
int gt_command(int command)
{
    int i;
    int found = 0;
    int arming = 0;
${ruled ? '    int move;\n' : ''}    for (i = 1; i <= HANDS; i++) {
        arming = arming || hands[i].does == ARMS;
        if (hands[i].does == COMMANDS && command-- == 0) {
            found = i;
        }
    }
${ruled ? COMMAND_HOLDS : ''}    if (found == 0 || hands[found].count == 0u || hand_goes_first()${
  ruled ? ' || hand_is_held()' : ''
} || (arming && !armed)) {
        return 0;
    }
${ruled ? '    move = hand_moves[hands[found].first + turn[found]];\n' : ''}    if (!begin_next(found)) {
        return 0;
    }
    /* Only what begins is counted from now: a tick that is late for a press is late all the same. */
    last_tick = gt_milliseconds();
    if (arming${ruled ? ' && !may_start[move].armed' : ''}) {
        spend_start();
    }
    return 1;
}

/* A hand that presses lets go of its contacts, or of its turn. */
static void let_go(int i)
{
    if (!waits[i] && !barred[i]) {
        by_hand &= ~hands[i].presses;
        contacts(0u);
    }
    waits[i] = 0;
}

/* Whoever still presses has to let go first. */
static void bar_hands(void)
{
    int i;
    for (i = 1; i <= HANDS; i++) {
        if (hands[i].does == PRESSES_WHILE_HELD && felt[i]) {
            let_go(i);
            barred[i] = 1;
        }
    }
}

static void hand_presses(int i, uint32_t now)
{
    uint32_t wait;
${ruled ? '    if (hand_is_held()) {\n        barred[i] = 1;\n        return;\n    }\n' : ''}    if (busy) {
        leave();
    }
    wait = stopped() || (closed & hands[i].presses) != 0u ? NEVER : wait_for(hands[i].presses, now);
    if (wait == NEVER) {
        barred[i] = 1;
    } else if (wait > 0u) {
        waits[i] = 1;
        waits_since[i] = now;
        waits_ms[i] = wait;
    } else {
        by_hand |= hands[i].presses;
        contacts(0u);
    }
}

static void hand_felt(int i, uint32_t now)
{
${ruled ? HAND_HOLDS : ''}    switch (hands[i].does) {
    case STOPS:
        if (felt[i]) {
            if (busy) {
                leave();
            }
            bar_hands();
        }
        break;
    case ARMS:
        /* A switch says what it says; a button arms, and takes it back. */
        if (hands[i].stays) {
            arm(felt[i], hands[i].most);
        } else if (felt[i]) {
            arm(!armed, hands[i].most);
        }
        break;
${ruled ? SWITCHES : ''}    case ANSWERS:
        if (felt[i]) {
            gt_answered();
        }
        break;
    case BEGINS:
        if (felt[i] && hands[i].count > 0u && !stopped()${ruled ? ' && !hand_is_held()' : ''}) {
            begin_next(i);
        }
        break;
    default:
        if (!felt[i]) {
            let_go(i);
            barred[i] = 0;
        } else if (hands[i].presses != 0u) {
            hand_presses(i, now);
        }
        break;
    }
}

/* What people move is felt once it has stood for its time; who waits for a turn gets it. */
static void follow_hands(uint32_t now)
{
    int i;
    for (i = 1; i <= HANDS; i++) {
        if (hands[i].does == COMMANDS) {
            continue;
        }
        if ((gt_read_pin(hands[i].pin) == hands[i].level) == felt[i]) {
            moving[i] = 0;
        } else if (!moving[i]) {
            moving[i] = 1;
            moved_at[i] = now;
        }
        if (moving[i] && now - moved_at[i] >= hands[i].milliseconds) {
            moving[i] = 0;
            felt[i] = !felt[i];
            hand_felt(i, now);
        }
    }
    for (i = 1; i <= HANDS; i++) {
        if (waits[i] && now - waits_since[i] >= waits_ms[i]) {
            waits[i] = 0;
            /* Another hand may press the same by now. */
            barred[i] = (closed & hands[i].presses) != 0u;
            if (!barred[i]) {
                by_hand |= hands[i].presses;
                contacts(0u);
            }
        }
    }
}

/* At power-up: a stop holds, a switch that lets any number go is armed; all else has to be moved anew. */
static void read_hands(void)
{
    int i;
    arm(0, 0u);
    for (i = 1; i <= HANDS; i++) {
        felt[i] = hands[i].does != COMMANDS && gt_read_pin(hands[i].pin) == hands[i].level;
        moving[i] = 0;
        waits[i] = 0;
        turn[i] = 0u;
        barred[i] = felt[i] && hands[i].does == PRESSES_WHILE_HELD;
        if (felt[i] && hands[i].does == ARMS && hands[i].stays && hands[i].most == 0u) {
            arm(1, 0u);
        }
    }
}
`;
