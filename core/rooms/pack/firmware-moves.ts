/** The part of the packed program that hears senses and takes the steps of moves. @param ruled whether a higher tier can end one. */
// eslint-disable-next-line max-lines-per-function -- the text of the file that it writes
export const movesText = (ruled: boolean): string => `
/* What a sense tells is heard once it has stood for its time. */
static void listen(uint32_t now)
{
    int i;
    for (i = 1; i <= SENSES; i++) {
        int says = read_sense(i);
        if (says == heard[i]) {
            changing[i] = 0;
        } else if (!changing[i] || says != changes_to[i]) {
            changing[i] = 1;
            changes_to[i] = says;
            changed_at[i] = now;
        }
        if (changing[i] && now - changed_at[i] >= (says == 0 ? senses[i].not_after : senses[i].so_after)) {
            changing[i] = 0;
            heard[i] = says;
        }
    }
}

static void leave(void)
{
    unsigned i;
    contacts(0u);
    sign(ABOUT_TO_MOVE, 0);
    busy = 0;
    held = 0;
${ruled ? '    yields = 0;\n' : ''}    for (i = 0; i < SCRIPT_LENGTH; i++) {
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

/* Presses now, or as soon as the order of the contacts lets it. */
static void press(uint32_t now)
{
    uint32_t mask = script[step].presses;
    contacts(closed & mask);
    held_ms = wait_for(mask & ~closed, now);
    held = held_ms > 0u;
    contacts(held ? 0u : mask);
}

/* Takes the step that the move has come to, and those after it that take no time. */
static void take(uint32_t now)
{
    unsigned n;
    for (n = 0; busy && n < MOST_AT_ONCE; n++) {
        if (step >= step_end) {
            leave();
            return;
        }
        switch (script[step].op) {
        case PRESS:
            press(now);
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
                if (script[step].op == HOLD) {
                    press(now);
                } else {
                    contacts(0u);
                }
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
`;
