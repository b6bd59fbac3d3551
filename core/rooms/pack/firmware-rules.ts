import type { RuleRow, RulesPart, WindowRow } from '../../build/program';
import { TIER } from '../../engines/world';
import { comment } from './c-comment';

const FOREVER = '0xffffffffu';
const count = (n: number): string => (n < Infinity ? `${n}u` : FOREVER);
const bit = (is: boolean): number => (is ? 1 : 0);

const EDGES: Readonly<Record<RuleRow['edge'], string>> = { told: 'IS_TOLD', sense: 'BY_SENSE', mode: 'BY_MODE' };
const DOES: Readonly<Record<RuleRow['does'], string>> = {
  move: 'BEGIN_MOVE',
  'mode-on': 'MODE_ON',
  'mode-off': 'MODE_OFF',
  call: 'CALL_SOMEBODY',
};
const LOOKS = { sense: 'LOOK_SENSE', mode: 'LOOK_MODE', window: 'LOOK_WINDOW' } as const;

function ruleRow(r: RuleRow): string {
  const cells = [EDGES[r.edge], r.of, bit(r.is), `${r.standsMs}u`, `${r.first}u`, `${r.count}u`, DOES[r.does]];
  const more = [r.what, r.tier, bit(r.ifArmed), count(r.lateMs), count(r.gapMs), count(r.aDay)];
  return `    { ${[...cells, ...more].join(', ')} },   /* ${comment(r.words)} */`;
}
const windowRow = (w: WindowRow): string =>
  `    { 0x${w.days.toString(16).padStart(2, '0')}u, ${w.from}u, ${w.until}u, ${bit(w.wholeDay)} },`;

/** Rules, modes and limits: their tables, and what they are filled with; they stand before the program’s own functions. */
export const rulesText = (r: RulesPart): string =>
  TABLES({
    rows: r.rules.map(ruleRow),
    looks: r.looks.map((l) => `    { ${LOOKS[l.at]}, ${l.of}, ${bit(l.is)} },`),
    modes: r.modes.map((m) => `    /* ${comment(m.name)} */ { ${bit(m.on)}, ${m.holds}, ${count(m.endsMs)} },`),
    windows: r.windows.map(windowRow),
    outputs: r.limits.map((l) => `    { ${count(l.longestMs)}, ${count(l.restMs)} },`),
    apart: r.pairs.map(([a, b]) => `    { ${a}u, ${b}u },`),
    moves: r.mayStart.map((m) => `    { ${count(m.aDay)}, ${bit(m.armed)}, ${m.known} },`),
    handHolds: count(r.handHoldsMs),
    words: r.words.map(comment),
  });

interface Filled {
  readonly rows: readonly string[];
  readonly looks: readonly string[];
  readonly modes: readonly string[];
  readonly windows: readonly string[];
  readonly outputs: readonly string[];
  readonly apart: readonly string[];
  readonly moves: readonly string[];
  readonly handHolds: string;
  readonly words: readonly string[];
}

// eslint-disable-next-line max-lines-per-function -- the text of the file that it writes
const TABLES = (f: Filled): string => `
#define RULES ${f.rows.length}
#define MODES ${f.modes.length}
#define WINDOWS ${f.windows.length}
#define PAIRS ${f.apart.length}
#define FOREVER ${FOREVER}
/* A press of up to so long is made to its end: half a press may be none, or another one. */
#define WHOLE_PRESS_MS 2000u

enum { IS_TOLD, BY_SENSE, BY_MODE };
enum { BEGIN_MOVE, MODE_ON, MODE_OFF, CALL_SOMEBODY };
enum { LOOK_SENSE, LOOK_MODE, LOOK_WINDOW };
enum { COMFORT = ${TIER.comfort}, HAND = ${TIER.hand}, LOCK_OUT = ${TIER['lock-out']}, SAFETY = ${TIER.safety} };
enum { DONE, DEAD, STOPPED, HELD_BACK, ENOUGH, REFUSED, BUSY };

struct rule {
    int edge;
    int of;   /* number of the sense or of the mode, from 1 */
    int is;
    uint32_t stands;   /* milliseconds for which the sense must have said so */
    unsigned first;   /* of what it looks at, and how much that is */
    unsigned looks;
    int does;
    int what;   /* number of the move from 0, of the mode from 1 */
    int tier;
    int if_armed;
    uint32_t late;   /* milliseconds for which what was held back is made up for; 0 for never */
    uint32_t gap;   /* milliseconds until it may act again */
    uint32_t a_day;
};

struct rule_look {
    int at;
    int of;   /* from 1 */
    int is;
};

struct mode {
    int on;   /* when the program begins */
    int holds;   /* the tier under which all is held back while it is on */
    uint32_t ends;   /* milliseconds after which it goes off by itself */
};

struct window {
    unsigned days;   /* bit 1 Monday to bit 7 Sunday */
    uint32_t from;   /* seconds of the day */
    uint32_t until;
    int whole_day;
};

struct output_limit {
    uint32_t longest;   /* milliseconds for which it is closed at most */
    uint32_t rest;   /* milliseconds for which it is open at least */
};

struct may_start {
    uint32_t a_day;
    int armed;
    int known;   /* number of the sense that must be known, from 1; 0 for none */
};

/* Entry 0 of each table is none; so is the last of those that would be empty. */
static const struct rule rules[RULES + 1] = {
${[...f.rows, '    { IS_TOLD, 0, 0, 0u, 0u, 0u, CALL_SOMEBODY, 0, 0, 0, 0u, 0u, 0u }'].join('\n')}
};
static const struct rule_look looks[] = {
${[...f.looks, '    { LOOK_SENSE, 0, 0 }'].join('\n')}
};
static const struct mode modes[MODES + 1] = {
    { 0, 0, FOREVER },
${f.modes.join('\n')}
};
static const struct window windows[WINDOWS + 1] = {
    { 0u, 0u, 0u, 0 },
${f.windows.join('\n')}
};
${f.words.map((w) => `/* ${w} */\n`).join('')}static const struct output_limit output_limits[PRESSES + 1] = {
    { FOREVER, 0u },
${f.outputs.join('\n')}
};
/* Contacts that are never closed together. */
static const uint32_t pairs[PAIRS + 1][2] = {
${[...f.apart, '    { 0u, 0u }'].join('\n')}
};
static const struct may_start may_start[MOVES + 1] = {
${[...f.moves, '    { FOREVER, 0, 0 }'].join('\n')}
};

/* For so many milliseconds a hand holds comfort back; 0 for as long as it presses. */
static const uint32_t hand_holds_ms = ${f.handHolds};

static uint32_t closed_since[PRESSES + 1];
static uint32_t open_since[PRESSES + 1];
static int was_open[PRESSES + 1];
static int mode_on[MODES + 1];
static uint32_t mode_since[MODES + 1];
static int edge_is[RULES + 1];
static int edge_due[RULES + 1];
static uint32_t edge_since[RULES + 1];
static int rule_holds[RULES + 1];
static int rule_waits[RULES + 1];
static uint32_t rule_waits_since[RULES + 1];
static uint32_t rule_waits_ms[RULES + 1];
static int rule_rests[RULES + 1];
static uint32_t rule_acted_at[RULES + 1];
static uint32_t rule_acted[RULES + 1];
static uint32_t starts_today[MOVES + 1];
static int hand_was_there = 0;
static uint32_t hand_was_at = 0;
static int move_tier = COMFORT;
static int yields = 0;

static int start_as(int move, int tier);
static int hand_is_held(void);
static void hand_holds(void);
static void set_mode(int i, int on);
static uint32_t limited(uint32_t mask, uint32_t now);
static void track_outputs(uint32_t before, uint32_t after);
`;
