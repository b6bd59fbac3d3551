import { isTimed, sayAt, sayIfs, sayLimit, type Job } from '../../ground/job';
import { ruleWires, type RuleFlag } from '../../build/rules';
import { minutesOf } from '../../ground/quantity';
import { TIER, type RoutineWire, type RuleWire } from '../../engines/world';

/** Rules, modes and limits as the packed program has them. */
export interface PackedRules {
  /** Tables, and what they are filled with; they stand before the program's own functions. */
  readonly tables: string;
  /** Names of rules that only the maker's own function can tell of, by number from 0: the sun, a calendar. */
  readonly told: readonly { readonly number: number; readonly words: string }[];
}

/** A contact of the program, as far as limits ask for it. */
interface Output {
  readonly press: string;
}

const FOREVER = '0xffffffffu';
const milliseconds = (s: number): string => (s < Infinity ? `${Math.round(s * 1000)}u` : FOREVER);
const count = (n: number): string => (n < Infinity ? `${n}u` : FOREVER);

/** What makes a rule come true, as the program tells it. */
const edgeOf = (
  r: RuleWire,
  sense: (index: number) => number,
): readonly [kind: string, index: number, is: number, ms: string] => {
  switch (r.edge.of) {
    case 'given':
      return ['IS_TOLD', 0, 0, '0u'];
    case 'sense':
      return ['BY_SENSE', sense(r.edge.sense), r.edge.is ? 1 : 0, milliseconds(r.edge.seconds)];
    case 'mode':
      return ['BY_MODE', r.edge.mode + 1, r.edge.is ? 1 : 0, '0u'];
  }
};
const DOES = { move: 'BEGIN_MOVE', 'mode-on': 'MODE_ON', 'mode-off': 'MODE_OFF', call: 'CALL_SOMEBODY' } as const;
const LOOKS = { sense: 'LOOK_SENSE', mode: 'LOOK_MODE', flag: 'LOOK_WINDOW' } as const;

/** Days of a sentence in bits, Monday is bit 1; every day where it names none. */
const dayBits = (days: readonly number[]): string =>
  `0x${(days.length === 0 ? 0xfe : days.reduce((bits, d) => bits | (1 << d), 0)).toString(16).padStart(2, '0')}u`;

function windowRow(job: Job, { sentence, window }: RuleFlag): string {
  const s = job.routine.sentences[sentence];
  const [from, until] = window ? [minutesOf(window.from), minutesOf(window.until)] : [0, 0];
  return `    { ${window ? '0xfeu' : dayBits(s?.days ?? [])}, ${from * 60}u, ${until * 60}u, ${window ? 0 : 1} },`;
}

/** Bits of the contacts of a press, the first is bit 0. */
const bitsOf = (outputs: readonly Output[], of: (o: Output, i: number) => boolean): string =>
  `${outputs.reduce((bits, o, i) => (of(o, i) ? bits + 2 ** i : bits), 0)}u`;

/**
 * The rules of a job for the packed program; null where its sentences are all plain starts and nothing is limited.
 * @param outputs its contacts in their order. @param numberOf the number of a sense in the program, from 1.
 */
export function packedRules(
  job: Job,
  outputs: readonly Output[],
  comment: (text: string) => string,
  numberOf: (sense: string) => number,
): PackedRules | null {
  const wires = ruleWires(job, outputs);
  if (!wires) return null;
  const { wire, flags } = wires;
  const senseOf = (index: number): number => numberOf(job.senses[index]?.id ?? '');
  const names = { ...job, modes: job.routine.modes, moves: job.act.moves };
  const { sentences, limits } = job.routine;
  const looks = wire.rules.flatMap((r) => r.ifs);
  let first = 0;
  const rows = wire.rules.map((r, i) => {
    const s = sentences[i];
    const [kind, index, is, ms] = edgeOf(r, senseOf);
    const cells = [kind, index, is, ms, `${first}u`, `${r.ifs.length}u`, DOES[r.does]];
    const more = [r.does.startsWith('mode') ? r.what + 1 : r.what, r.tier, r.ifArmed ? 1 : 0];
    first += r.ifs.length;
    const words = s ? comment(`${sayAt(s, names)}${sayIfs(s, names)}`) : '';
    return `    { ${[...cells, ...more, milliseconds(r.late), milliseconds(r.gap), count(r.aDay)].join(', ')} },   /* ${words} */`;
  });
  return {
    tables: TABLES({
      rows,
      looks: looks.map(
        (l) => `    { ${LOOKS[l.of]}, ${l.of === 'sense' ? senseOf(l.index) : l.index + 1}, ${l.is ? 1 : 0} },`,
      ),
      modes: wire.modes.map((m, i) => {
        const name = comment(job.routine.modes[i]?.name ?? '');
        return `    /* ${name} */ { ${m.on ? 1 : 0}, ${m.holds}, ${milliseconds(m.seconds)} },`;
      }),
      windows: flags.map((f) => windowRow(job, f)),
      outputs: outputs.map(
        (_, i) => `    { ${milliseconds(wire.longest[i] ?? Infinity)}, ${milliseconds(wire.leastOff[i] ?? 0)} },`,
      ),
      apart: wire.apart.map(
        ([a, b]) => `    { ${bitsOf(outputs, (_, i) => i === a)}, ${bitsOf(outputs, (_, i) => i === b)} },`,
      ),
      moves: mayStartRows(wire, senseOf),
      handHolds: milliseconds(wire.handHolds),
      words: limits.map((l) => comment(sayLimit(l, { ...names, presses: job.presses, senses: job.senses }))),
    }),
    told: sentences.flatMap((s, number) =>
      isTimed(s) && s.when !== 'clock' ? [{ number, words: sayAt(s, names) }] : [],
    ),
  };
}

const mayStartRows = (wire: RoutineWire, senseOf: (index: number) => number): string[] =>
  wire.mayStart.map((m) => `    { ${count(m.aDay)}, ${m.armed ? 1 : 0}, ${m.fresh < 0 ? 0 : senseOf(m.fresh)} },`);

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
