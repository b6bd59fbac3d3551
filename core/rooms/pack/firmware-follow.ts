/**
 * The part of the packed program that has rules come true; it stands behind what asks whether they act.
 * @param told numbers of rules that the maker's own function tells of.
 */
export const followText = (told: readonly number[]): string => `
/* Everything of the rules that hangs on the time, on senses and on modes. */
static void follow_rules(uint32_t now)
{
    int i;
    int r;
    settle_rules(now);
    keep_limits(now);
    settle_rules(now);
    fire_due(now);
    for (r = 0; r < RULES; r++) {
        if (rule_waits[r] && rule_waits_ms[r] != FOREVER && now - rule_waits_since[r] >= rule_waits_ms[r]) {
            rule_waits[r] = 0;
        }
        if (rule_rests[r] && now - rule_acted_at[r] >= rules[r].gap) {
            rule_rests[r] = 0;
        }
    }
    for (i = 1; i <= MODES; i++) {
        if (mode_on[i] && modes[i].ends != FOREVER && now - mode_since[i] >= modes[i].ends) {
            set_mode(i, 0);
            settle_rules(now);
            fire_due(now);
        }
    }
    if (hand_was_there && now - hand_was_at >= hand_holds_ms) {
        hand_was_there = 0;
        settle_rules(now);
        fire_due(now);
    }
}

/* Rules that the sun or a calendar has come true. */
static void follow_told(uint32_t now)
{
${told.map((n) => `    if (gt_comes_true(${n})) {\n        fire(${n}, now);\n    }\n`).join('')}    settle_rules(now);
}

static void begin_rules(void)
{
    int i;
    int r;
    hand_was_there = 0;
    yields = 0;
    for (i = 1; i <= MODES; i++) {
        set_mode(i, modes[i].on);
    }
    for (i = 1; i <= HANDS; i++) {
        if (hands[i].does == SWITCHES_MODE && hands[i].stays && felt[i] && hands[i].first > 0u) {
            set_mode((int)hands[i].first, 1);
        }
    }
    for (i = 1; i <= PRESSES; i++) {
        was_open[i] = 0;
    }
    for (r = 0; r < RULES; r++) {
        rule_holds[r] = 0;
        rule_waits[r] = 0;
        rule_rests[r] = 0;
        rule_acted[r] = 0u;
        edge_due[r] = 0;
        /* What is nice to have waits for a change; what keeps from harm does not. */
        edge_is[r] = rules[r].tier > COMFORT ? 0 : edge_of(r);
    }
    for (i = 0; i < MOVES; i++) {
        starts_today[i] = 0u;
    }
}

static void new_day(void)
{
    int i;
    for (i = 0; i < RULES; i++) {
        rule_acted[i] = 0u;
    }
    for (i = 0; i < MOVES; i++) {
        starts_today[i] = 0u;
    }
}
`;
