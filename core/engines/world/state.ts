import type { CompiledWorld } from './compile';

/** Whole numbers of which a world has one. */
export const FLAG = {
  machinePower: 0,
  controllerPower: 1,
  /** The move under way, −1 for none, and its step by number over all moves. */
  move: 2,
  step: 3,
  armed: 4,
  warns: 5,
  /** The next of the happenings that were given. */
  pointer: 6,
  /** Moves since it was armed last that pressed anything. */
  startsNow: 7,
  /** Counts over the whole run. */
  starts: 8,
  missedStarts: 9,
  presses: 10,
  calls: 11,
  told: 12,
  /** 1 once the move under way has pressed anything. */
  acted: 13,
  /** 1 while a step waits for the other direction to come to rest. */
  held: 14,
  /** Starts that the arming still lets go; −1 for as many as come. */
  left: 15,
  /** Calls that nobody came for, and starts since somebody did. */
  open: 16,
  sinceCare: 17,
  /** Outputs that the move holds closed; bit n stands for output n. */
  lines: 18,
  /** Steps of moves that were taken, over the whole run. */
  taken: 19,
  /** The tier of the move under way, and 1 once it is to end with the press that it makes. */
  tier: 20,
  yields: 21,
  /** 1 while a hand at the controller holds comfort back, and how many rules wait. */
  handHolds: 22,
  waiting: 23,
  /** Who asked for the move under way, as `WHO` counts. */
  asker: 24,
  /** 1 while a press that has to last ends as soon as it has. */
  least: 25,
} as const;
const FLAGS = 26;

/** Places of the clocks in a state. */
export const CLOCK = { now: 0, warnedSince: 1 } as const;
const CLOCKS = 2;

/** Everything that a world is at an instant: flat, so that it is copied in one go. */
export interface WorldState {
  readonly w: CompiledWorld;
  readonly floats: Float64Array;
  readonly ints: Int32Array;
  readonly clock: Float64Array;
  readonly flag: Int32Array;
  /** When each of the deadlines falls due, in the order in which those of one instant are taken. */
  readonly due: Float64Array;
  readonly at: Deadlines;
  /** Truth first, then what the plan believes. */
  readonly part: Int32Array;
  readonly since: Float64Array;
  readonly position: Float64Array;
  /** 1 where a part's time ends its state, 0 where the end of its way does. */
  readonly byTime: Int32Array;
  /** Truth first, then what the plan believes. */
  readonly closed: Int32Array;
  readonly closedAt: Float64Array;
  readonly obeyedAt: Float64Array;
  readonly heldLong: Int32Array;
  /** A thumb on the button of a channel. */
  readonly thumb: Int32Array;
  /** What the controller asks of each output, whether it twitches, and what befell it: 1 welded, 2 dirty. */
  readonly drive: Int32Array;
  readonly twitch: Int32Array;
  readonly bad: Int32Array;
  /** Contacts of each output that stick. */
  readonly welds: Int32Array;
  /** 1 once what ends an output by itself has ended it. */
  readonly ended: Int32Array;
  /** 1 once that, or the regulator of a loop, no longer acts. */
  readonly noEnd: Int32Array;
  readonly noCut: Int32Array;
  /** Which of the next closures of each output will be missed, or seen twice, the next in the lowest bit; 1 while such a closure lasts. */
  readonly missNext: Int32Array;
  readonly twiceNext: Int32Array;
  readonly missing: Int32Array;
  readonly doubling: Int32Array;
  /** What the controller heard last: 0 no, 1 yes, 2 nothing. */
  readonly heard: Int32Array;
  /** What befell each sense, in the bits of `ILL`. */
  readonly ill: Int32Array;
  readonly lateBy: Float64Array;
  /** What each sense told last, whether it was heard or lost: as `heard`. */
  readonly sent: Int32Array;
  /** Sides of hands: moved, and felt so; how many such moves nobody will come for; felt and not obeyed; whose turn it is of its moves. */
  readonly handIs: Int32Array;
  readonly handFelt: Int32Array;
  readonly nobody: Int32Array;
  readonly barred: Int32Array;
  readonly turn: Int32Array;
  /** When each output was let go last. */
  readonly letGoAt: Float64Array;
  /** How often each step was gone back from, in the move under way. */
  readonly counts: Int32Array;
  /** What senses say that no part stands behind; as `heard`. */
  readonly told: Int32Array;
  /** Modes that are on, and stretches of the calendar that last. */
  readonly mode: Int32Array;
  readonly lasts: Int32Array;
  /** Rules: whether what makes them come true is so, whether they hold lower tiers back, wait, rest, and times that they acted today. */
  readonly edge: Int32Array;
  readonly holding: Int32Array;
  readonly waits: Int32Array;
  readonly rests: Int32Array;
  readonly acted: Int32Array;
  /** Loops: as warm as this, since then, what is around; whether its sense takes it for over; whether its part works, since when, felt. */
  readonly heat: Float64Array;
  readonly heatSince: Float64Array;
  readonly around: Float64Array;
  readonly worksSince: Float64Array;
  readonly over: Int32Array;
  readonly works: Int32Array;
  /** 1 while its own regulator holds its part off. */
  readonly cut: Int32Array;
  readonly worked: Int32Array;
  /** Starts of each move today. */
  readonly startsToday: Int32Array;
  /** Since when all clues of a monitor hold, NaN while they do not; and when it was first broken, Infinity while it was not. */
  readonly holdsSince: Float64Array;
  readonly brokenAt: Float64Array;
}

/** Where each kind of deadline begins in `due`; order is the order of those at one instant. */
export interface Deadlines {
  /** Loops that come over or under, and whose part is felt to begin or to end its work. */
  readonly cross: number;
  readonly loopOn: number;
  readonly loopOff: number;
  readonly sense: number;
  readonly hand: number;
  readonly obey: number;
  readonly long: number;
  readonly thumb: number;
  readonly handUp: number;
  readonly handTurn: number;
  readonly twitchOn: number;
  readonly twitchOff: number;
  /** What ends an output by itself; loops that come to a level that is watched. */
  readonly ends: number;
  readonly level: number;
  readonly machineBack: number;
  readonly controllerBack: number;
  readonly happening: number;
  readonly step: number;
  readonly monitor: number;
  /** Outputs that are closed for as long as they may be; rules that come true, wait no longer, or may act again; modes that end. */
  readonly longest: number;
  readonly edge: number;
  readonly late: number;
  readonly rest: number;
  readonly modeEnd: number;
  readonly handHolds: number;
  readonly count: number;
}

/** Where each kind of deadline begins in the list of them. */
function placesOf(w: CompiledWorld): Deadlines {
  const [P, C, S, L, H] = [w.start.length, w.channels.count, w.senses.count, w.plan.lines, w.plan.hands.length];
  const { timers } = w;
  const D = w.routine?.modes.length ?? 0;
  let next = 2 * P;
  const take = (n: number): number => {
    const from = next;
    next += n;
    return from;
  };
  // The order is the one in which deadlines of one instant are taken.
  const N = w.loops.length;
  return {
    cross: take(N),
    loopOn: take(N),
    loopOff: take(N),
    sense: take(S),
    hand: take(H),
    obey: take(2 * C),
    long: take(2 * C),
    thumb: take(C),
    handUp: take(H),
    handTurn: take(H),
    twitchOn: take(L),
    twitchOff: take(L),
    ends: take(w.ends.length),
    level: take(N),
    machineBack: take(1),
    controllerBack: take(1),
    happening: take(1),
    step: take(1),
    monitor: take(w.plan.monitors.length),
    longest: take(L),
    edge: take(timers.edge.rules.length),
    late: take(timers.late.rules.length),
    rest: take(timers.rest.rules.length),
    modeEnd: take(D),
    handHolds: take(1),
    count: next,
  };
}

/** A state of a world before anything happened. */
export function freshState(w: CompiledWorld): WorldState {
  const [P, C, S, L] = [w.start.length, w.channels.count, w.senses.count, w.plan.lines];
  const [M, O, H] = [w.plan.monitors.length, w.code.op.length, w.plan.hands.length];
  const [R, D, G] = [w.routine?.rules.length ?? 0, w.routine?.modes.length ?? 0, w.routine?.flags ?? 0];
  const N = w.loops.length;
  const at = placesOf(w);
  const { count } = at;
  const floats = new Float64Array(CLOCKS + count + 4 * P + 4 * C + S + L + 2 * M + 4 * N);
  const ints = new Int32Array(
    FLAGS + 4 * P + 5 * C + 10 * L + 4 * S + 5 * H + O + D + G + 5 * R + 5 * N + w.plan.moves.length,
  );
  let f = 0;
  let i = 0;
  const real = (n: number): Float64Array => floats.subarray(f, (f += n));
  const whole = (n: number): Int32Array => ints.subarray(i, (i += n));
  return {
    w,
    floats,
    ints,
    at,
    clock: real(CLOCKS),
    due: real(count),
    since: real(2 * P),
    position: real(2 * P),
    closedAt: real(2 * C),
    obeyedAt: real(2 * C),
    lateBy: real(S),
    letGoAt: real(L),
    holdsSince: real(M),
    brokenAt: real(M),
    heat: real(N),
    heatSince: real(N),
    around: real(N),
    worksSince: real(N),
    flag: whole(FLAGS),
    part: whole(2 * P),
    byTime: whole(2 * P),
    closed: whole(2 * C),
    heldLong: whole(2 * C),
    thumb: whole(C),
    drive: whole(L),
    twitch: whole(L),
    bad: whole(L),
    welds: whole(L),
    ended: whole(L),
    noEnd: whole(L),
    missNext: whole(L),
    twiceNext: whole(L),
    missing: whole(L),
    doubling: whole(L),
    heard: whole(S),
    ill: whole(S),
    sent: whole(S),
    handIs: whole(H),
    handFelt: whole(H),
    nobody: whole(H),
    barred: whole(H),
    turn: whole(H),
    counts: whole(O),
    told: whole(S),
    mode: whole(D),
    lasts: whole(G),
    edge: whole(R),
    holding: whole(R),
    waits: whole(R),
    rests: whole(R),
    acted: whole(R),
    over: whole(N),
    works: whole(N),
    cut: whole(N),
    noCut: whole(N),
    worked: whole(N),
    startsToday: whole(w.plan.moves.length),
  };
}

/** Copies everything; both must be of one world. */
export function copyState(from: WorldState, to: WorldState): void {
  to.floats.set(from.floats);
  to.ints.set(from.ints);
}

/** A run writes what changed here; null where only counts and monitors matter. */
export interface Log {
  at: Float64Array;
  kind: Uint8Array;
  index: Int32Array;
  value: Int32Array;
  count: number;
  /** Kinds that are written, as bits. */
  readonly kinds: number;
}
/**
 * What a line of the log is of: a part's state, a believed one, a contact, a sense as heard, the warning sign, a step, an obeyed press,
 * a call, the machine's power, a side of a hand, whether it is armed, what became of a rule (`fate`), a mode, a limit of an output, a loop
 * in thousandths of a degree.
 */
export const LOGGED = {
  part: 0,
  belief: 1,
  contact: 2,
  sense: 3,
  warns: 4,
  step: 5,
  obeyed: 6,
  call: 7,
  power: 8,
  hand: 9,
  armed: 10,
  rule: 11,
  mode: 12,
  limit: 13,
  heat: 14,
} as const;

/** An empty log of a run. */
export const freshLog = (room = 256, kinds?: readonly number[]): Log => ({
  kinds: kinds ? kinds.reduce((bits, k) => bits | (1 << k), 0) : ALL_KINDS,
  at: new Float64Array(room),
  kind: new Uint8Array(room),
  index: new Int32Array(room),
  value: new Int32Array(room),
  count: 0,
});

const ALL_KINDS = -1;

/** Writes one line into a log. */
export function note(log: Log | null, at: number, kind: number, index: number, value: number): void {
  if (log === null || (log.kinds & (1 << kind)) === 0) return;
  if (log.count === log.at.length) {
    const wider = freshLog(2 * log.count);
    for (const key of ['at', 'kind', 'index', 'value'] as const) {
      wider[key].set(log[key] as never);
      log[key] = wider[key] as never;
    }
  }
  const n = log.count++;
  log.at[n] = at;
  log.kind[n] = kind;
  log.index[n] = index;
  log.value[n] = value;
}
