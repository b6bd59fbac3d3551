import { minutesOf } from '../../ground/quantity';
import { isTimed, type Job, type RuleIf, type RuleTier, type Sentence } from '../../ground/job';
import {
  TIER,
  type MayStart,
  type RoutineWire,
  type RuleEdge,
  type RuleCondition as IfWire,
  type RuleWire,
  type WorldEvent,
} from '../../engines/world';

/** A stretch of the calendar that a rule of a sense or a mode looks at: a window of the day, or the days that its sentence takes. */
export interface RuleFlag {
  readonly sentence: number;
  /** The window; null for its days. */
  readonly window: Pick<RuleIf, 'from' | 'until'> | null;
  /** Whether it must last for its rule to act, or must not. */
  readonly is: boolean;
}

/** Rules, modes and limits of a job as the world has them; rule n is sentence n. */
export interface RuleWires {
  readonly wire: RoutineWire;
  readonly flags: readonly RuleFlag[];
}

const EVERY_DAY = 7;

/** An output, as far as limits ask for it. */
interface Output {
  readonly press: string;
}

/** Whether a time of day, in minutes, lies in a window; one that ends before it begins goes over midnight. */
export const inWindow = (minutes: number, { from, until }: Pick<RuleIf, 'from' | 'until'>): boolean => {
  const [begin, end] = [minutesOf(from), minutesOf(until)];
  return begin <= end ? minutes >= begin && minutes < end : minutes >= begin || minutes < end;
};

/** Whether nothing is asked of the routine but that moves begin at times: a start is a start then. */
export const isPlainStart = (s: Sentence): boolean =>
  s.when === 'clock' &&
  s.does === 'move' &&
  s.tier === 'comfort' &&
  s.whenHeld === 'dropped' &&
  s.gapSeconds === 0 &&
  s.aDay === null &&
  s.ifs.every((x) => x.kind === 'window');

/**
 * The rules of a job for the world; undefined where all of them are plain and nothing is limited.
 * @param lines its outputs. @param all true for rules in any case.
 */
export function ruleWires(job: Job, lines: readonly Output[], all = false): RuleWires | undefined {
  const { sentences, modes, limits, handHoldsSeconds } = job.routine;
  if (!all && modes.length === 0 && limits.length === 0 && handHoldsSeconds === null && sentences.every(isPlainStart))
    return undefined;
  const flags: RuleFlag[] = [];
  const rules = sentences.map((s, i) => ruleOf(job, s, i, flags));
  const of = (press: string): number[] => lines.flatMap((l, n) => (l.press === press ? [n] : []));
  const least = (kind: 'longest-on' | 'least-off', line: Output, none: number): number => {
    const own = limits.filter((l) => l.kind === kind && l.press === line.press).map((l) => l.seconds);
    return own.length === 0 ? none : kind === 'longest-on' ? Math.min(...own) : Math.max(...own);
  };
  return {
    flags,
    wire: {
      rules,
      modes: modes.map((m) => ({
        on: m.on,
        holds: m.holds === 'hands' ? TIER['lock-out'] : m.holds === 'comfort' ? TIER.hand : 0,
        seconds: m.endsSeconds ?? Infinity,
      })),
      flags: flags.length,
      handHolds: handHoldsSeconds ?? 0,
      longest: lines.map((l) => least('longest-on', l, Infinity)),
      leastOff: lines.map((l) => least('least-off', l, 0)),
      apart: limits
        .filter((l) => l.kind === 'never-both' && l.press !== l.otherPress)
        .flatMap((l) => of(l.press).flatMap((a) => of(l.otherPress).map((b): [number, number] => [a, b]))),
      mayStart: job.act.moves.map((m): MayStart => {
        const own = limits.filter((l) => l.move === '' || l.move === m.id);
        const known = own.find((l) => l.kind === 'only-known');
        return {
          aDay: Math.min(Infinity, ...own.flatMap((l) => (l.kind === 'a-day' ? [l.count] : []))),
          armed: own.some((l) => l.kind === 'only-armed'),
          fresh: known ? job.senses.findIndex((s) => s.id === known.sense) : -1,
        };
      }),
    },
  };
}

const NUMBER_OF: Readonly<Record<RuleTier, number>> = TIER;

const edgeOf = (s: Sentence, sense: number, mode: number): RuleEdge => {
  if (s.when === 'sense') return { of: 'sense', sense, is: s.says, seconds: s.forSeconds };
  return s.when === 'mode' ? { of: 'mode', mode, is: s.says } : { of: 'given' };
};

function ruleOf(job: Job, s: Sentence, sentence: number, flags: RuleFlag[]): RuleWire {
  const [sense, mode, sets] = [
    job.senses.findIndex((x) => x.id === s.sense),
    job.routine.modes.findIndex((m) => m.id === s.mode),
    job.routine.modes.findIndex((m) => m.id === s.sets),
  ];
  const moves = job.act.moves.length;
  const move =
    s.does !== 'move' ? 0 : s.move === '' ? Math.min(0, moves - 1) : job.act.moves.findIndex((m) => m.id === s.move);
  const what = s.does === 'move' ? move : s.does === 'call' ? -1 : sets;
  const edge = edgeOf(s, sense, mode);
  // What names nothing yet never acts.
  const lacks =
    (what < 0 && s.does !== 'call') || move < 0 || ('sense' in edge && sense < 0) || ('mode' in edge && mode < 0);
  return {
    edge,
    ifs: ifsOf(job, s, sentence, flags),
    does: s.does,
    what,
    tier: NUMBER_OF[s.tier],
    ifArmed: s.ifArmed,
    late: s.whenHeld === 'kept' ? Infinity : s.whenHeld === 'late' ? s.lateSeconds : 0,
    gap: s.gapSeconds,
    aDay: lacks ? 0 : (s.aDay ?? Infinity),
  };
}

/** What a rule looks at: where the clock begins it, its windows were looked at as its instants were made. */
function ifsOf(job: Job, s: Sentence, sentence: number, flags: RuleFlag[]): IfWire[] {
  const flag = (window: RuleFlag['window'], is: boolean): IfWire => {
    flags.push({ sentence, window, is });
    return { of: 'flag', index: flags.length - 1, is };
  };
  const takesDays = s.days.length > 0 && (s.days.length < EVERY_DAY || s.dates !== 'any');
  return [
    ...(!isTimed(s) && takesDays ? [flag(null, true)] : []),
    ...s.ifs.flatMap((x): IfWire[] => {
      if (x.kind === 'window') return s.when === 'clock' ? [] : [flag(x, x.is)];
      const index =
        x.kind === 'sense'
          ? job.senses.findIndex((y) => y.id === x.sense)
          : job.routine.modes.findIndex((m) => m.id === x.mode);
      return index < 0 ? [] : [{ of: x.kind, index, is: x.is }];
    }),
  ];
}

const DAY_SECONDS = 86400;
const MINUTE = 60;

/**
 * The stretches of the calendar that rules look at as events of a run without a date, whose days are like any other.
 * @param minutes that the clock shows at the run's beginning; null where no clock goes, and every window lets its rule through.
 */
export function flagEvents(flags: readonly RuleFlag[], minutes: number | null, end: number): WorldEvent[] {
  return flags.flatMap(({ window, is }, of): WorldEvent[] => {
    const puts = (at: number, how: number): WorldEvent => ({ at, what: 'flag', of, how });
    if (window === null || minutes === null) return [puts(0, window === null || is ? 1 : 0)];
    const from = minutesOf(window.from) - minutes;
    const until = minutesOf(window.until) - minutes;
    const out: WorldEvent[] = [];
    for (const [edge, how] of [
      [from, 1],
      [until, 0],
    ] as const) {
      // The first of these at or before the beginning tells how it begins.
      const first = (((edge * MINUTE) % DAY_SECONDS) + DAY_SECONDS) % DAY_SECONDS;
      for (let at = first; at <= end; at += DAY_SECONDS) out.push(puts(at, how));
    }
    const [begins, ends] = [out.find((e) => e.how === 1), out.find((e) => e.how === 0)];
    // Whichever of both comes first tells what was before it.
    const lasts = (ends?.at ?? Infinity) < (begins?.at ?? Infinity);
    return [...(lasts ? [puts(0, 1)] : []), ...out.sort((a, b) => a.at - b.at)];
  });
}
