/**
 * The part of the packed program that closes contacts, keeps two directions apart, and lights signs.
 * @param ruled whether limits are kept as well.
 */
// eslint-disable-next-line max-lines-per-function -- the text of the file that it writes
export const outputsText = (ruled: boolean): string => `
/* More steps in a row that take no time mean that the move comes round for ever. */
#define MOST_AT_ONCE 10000u
/* The other direction is closed, or has a turn coming: there is no waiting for it. */
#define NEVER 0xffffffffu

static unsigned step = 0;
static unsigned step_end = 0;
static int busy = 0;
static uint32_t step_began = 0;
static uint32_t last_tick = 0;
static unsigned late = 0;
static unsigned calls = 0;
static int starts_since_care = 0;
static unsigned gone_back[SCRIPT_LENGTH];
static int heard[SENSES + 1];
static int changing[SENSES + 1];
static int changes_to[SENSES + 1];
static uint32_t changed_at[SENSES + 1];

static uint32_t closed = 0u;
static uint32_t by_hand = 0u;
/* A step that waits until the other direction has come to rest, and for how long. */
static int held = 0;
static uint32_t held_ms = 0;
static int resting[ORDERS + 1][2];
static uint32_t let_go_at[ORDERS + 1][2];
static int way_set[ORDERS + 1];

static int armed = 0;
static unsigned starts_left = 0;   /* of a counted arming; 0 for as many as come */
static int felt[HANDS + 1];
static int moving[HANDS + 1];
static uint32_t moved_at[HANDS + 1];
static int barred[HANDS + 1];
static int waits[HANDS + 1];
static uint32_t waits_since[HANDS + 1];
static uint32_t waits_ms[HANDS + 1];
static unsigned turn[HANDS + 1];

static int clock_known = 0;
static int clock_weekday = 1;
static uint32_t clock_second = 0;
static uint32_t clock_at = 0;

static int is_in(uint32_t mask, int i)
{
    return (mask & (1u << (i - 1))) != 0u;
}

/* Closes the contacts whose bits are set, and those that a hand closes, and opens all others; bit 0 is the first. */
static void contacts(uint32_t wanted)
{
    uint32_t mask = wanted | by_hand;
    int i;
    int j;
    for (i = 1; i <= PRESSES; i++) {
        int kept = is_in(mask, i);
        for (j = 1; j <= PRESSES; j++) {
            kept = kept || (is_in(mask, j) && presses[j].pin == presses[i].pin);
        }
        if (!kept) {
            gt_write_pin(presses[i].pin, !presses[i].level);
        }
    }
    for (i = 1; i <= PRESSES; i++) {
        if (is_in(mask, i)) {
            gt_write_pin(presses[i].pin, presses[i].level);
        }
    }
    for (i = 1; i <= ORDERS; i++) {
        for (j = 0; j < 2; j++) {
            if ((closed & ~mask & orders[i].side[j]) != 0u) {
                resting[i][j] = 1;
                let_go_at[i][j] = gt_milliseconds();
            }
        }
    }
${ruled ? '    track_outputs(closed, mask);\n' : ''}    closed = mask;
}

/* What hands wait for their turn to press. */
static uint32_t awaited(void)
{
    uint32_t mask = 0u;
    int i;
    for (i = 1; i <= HANDS; i++) {
        mask |= waits[i] ? hands[i].presses : 0u;
    }
    return mask;
}

/* How long contacts have to wait for the other direction to come to rest and their way to be set. */
static uint32_t wait_for(uint32_t mask, uint32_t now)
{
${ruled ? '    uint32_t most = limited(mask, now);\n' : '    uint32_t most = 0u;\n'}    int i;
    int j;
${ruled ? '    if (most == NEVER) {\n        return NEVER;\n    }\n' : ''}    for (i = 1; i <= ORDERS; i++) {
        for (j = 0; j < 2; j++) {
            uint32_t wait = orders[i].lead;
            if ((mask & orders[i].side[j]) == 0u) {
                continue;
            }
            /* What was let go in this very instant goes on as it was. */
            if (resting[i][j] && let_go_at[i][j] == now && !(resting[i][1 - j] && let_go_at[i][1 - j] == now)) {
                continue;
            }
            if (((closed | awaited()) & orders[i].side[1 - j]) != 0u) {
                return NEVER;
            }
            if (resting[i][1 - j] && now - let_go_at[i][1 - j] < orders[i].apart) {
                wait += orders[i].apart - (now - let_go_at[i][1 - j]);
            }
            if (wait > most) {
                most = wait;
            }
        }
    }
    return most;
}

/* Whether contacts that wait for their turn come to it so soon that their way is set now. */
static int soon(uint32_t mask, uint32_t lead, uint32_t now)
{
    int i;
    if (busy && held && (script[step].presses & mask) != 0u && held_ms - (now - step_began) <= lead) {
        return 1;
    }
    for (i = 1; i <= HANDS; i++) {
        if (waits[i] && (hands[i].presses & mask) != 0u && waits_ms[i] - (now - waits_since[i]) <= lead) {
            return 1;
        }
    }
    return 0;
}

/* What says which way stays as it is until the motor has come to rest, and is moved before the power is. */
static void follow_ways(uint32_t now)
{
    int i;
    int j;
    for (i = 1; i <= ORDERS; i++) {
        int on;
        for (j = 0; j < 2; j++) {
            if (resting[i][j] && now - let_go_at[i][j] >= orders[i].apart) {
                resting[i][j] = 0;
            }
        }
        if (orders[i].pin < 0) {
            continue;
        }
        on = (closed & orders[i].side[1]) != 0u || (way_set[i] && resting[i][1])
            || soon(orders[i].side[1], orders[i].lead, now);
        if (on != way_set[i]) {
            way_set[i] = on;
            gt_write_pin(orders[i].pin, on ? orders[i].level : !orders[i].level);
        }
    }
}

static void sign(int means, int on)
{
    int i;
    for (i = 1; i <= SIGNS; i++) {
        if (signs[i].means == means && (means != DUE || !on || starts_since_care >= signs[i].after)) {
            gt_write_pin(signs[i].pin, on);
        }
    }
}
`;
