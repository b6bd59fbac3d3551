import { itemAt } from '../../ground/lists';
import { endMove, startMove, yieldMove } from './controller';
import { barPresses } from './hands';
import { modesBegin, setMode } from './modes';
import { fateNumber, TIER, WHO, type Fate, type RoutineWire, type RuleWire } from './plan';
import { FLAG, LOGGED, note, type Log, type WorldState } from './state';
import { heldTier, holderOf } from './tiers';

/** Fates that a rule can outlast: what stands in its way may go. */
const PASSING: readonly Fate[] = ['held-back', 'busy', 'stopped'];

const became = (rule: number, fate: Fate, at: number, log: Log | null, who: number = WHO.nobody): void =>
  note(log, at, LOGGED.rule, rule, fateNumber(fate, who));

/** A rule as whoever asks. */
const askerOf = (s: WorldState, rule: number): number => WHO.modes + s.mode.length + rule;

/** Who is in the way of a rule of a tier. */
function inTheWay(s: WorldState, fate: Fate, tier: number): number {
  if (fate === 'busy') return s.flag[FLAG.asker]!;
  if (fate === 'stopped') return WHO.hand;
  return fate === 'held-back' ? holderOf(s, tier) : WHO.nobody;
}

/** Whether what makes a rule come true is so now; an instant that is given never lasts. */
function edgeIs(s: WorldState, { edge }: RuleWire): number {
  switch (edge.of) {
    case 'given':
      return 0;
    case 'sense':
      return s.heard[edge.sense] === (edge.is ? 1 : 0) ? 1 : 0;
    case 'mode':
      return s.mode[edge.mode] === (edge.is ? 1 : 0) ? 1 : 0;
  }
}

/** Why a rule that came true does not act, before it is asked whether it can; `done` where nothing speaks against it. */
function conditionOf(s: WorldState, rule: number): Fate {
  const wire = itemAt(s.w.routine!.rules, rule);
  const holds = wire.ifs.every(({ of, index, is }) => {
    const now = of === 'sense' ? s.heard[index]! : of === 'mode' ? s.mode[index]! : s.lasts[index]!;
    return now === (is ? 1 : 0);
  });
  if (!holds) return 'not-so';
  if (wire.ifArmed && s.flag[FLAG.armed] === 0) return 'not-armed';
  if (s.rests[rule] === 1) return 'too-soon';
  return s.acted[rule]! >= wire.aDay ? 'enough-today' : 'done';
}

/** A rule acted: it is counted, and rests. */
function hasActed(s: WorldState, rule: number, at: number): void {
  const { gap } = itemAt(s.w.routine!.rules, rule);
  s.acted[rule] = s.acted[rule]! + 1;
  if (gap <= 0) return;
  s.rests[rule] = 1;
  s.due[s.at.rest + s.w.timers.rest.place[rule]!] = at + gap;
}

/** A rule comes true now. */
export function ruleFires(s: WorldState, rule: number, at: number, log: Log | null): void {
  if (s.flag[FLAG.controllerPower] !== 1) return became(rule, 'dead', at, log);
  const fate = conditionOf(s, rule);
  if (fate !== 'done') return became(rule, fate, at, log);
  const { does, what, tier } = itemAt(s.w.routine!.rules, rule);
  if (does === 'move') return asks(s, rule, at, log);
  if (tier < heldTier(s)) return became(rule, 'held-back', at, log, holderOf(s, tier));
  became(rule, 'done', at, log);
  hasActed(s, rule, at);
  if (does === 'call') {
    s.flag[FLAG.calls] = s.flag[FLAG.calls]! + 1;
    s.flag[FLAG.open] = 1;
    note(log, at, LOGGED.call, 0, -1);
  } else setMode(s, what, does === 'mode-on' ? 1 : 0, at, log);
}

/** A rule asks for its move: it starts, makes another one yield, waits, or is dropped. */
function asks(s: WorldState, rule: number, at: number, log: Log | null): void {
  const { what, tier, late, ifArmed } = itemAt(s.w.routine!.rules, rule);
  // What locks out or keeps from harm takes the buttons from whoever presses.
  if (tier > TIER.hand) barPresses(s, at, log);
  const fate = startMove(s, what, ifArmed, at, log, tier, askerOf(s, rule));
  if (fate === 'done') {
    hasActed(s, rule, at);
    return became(rule, 'done', at, log);
  }
  const yields = fate === 'busy' && s.flag[FLAG.tier]! < tier;
  const who = inTheWay(s, fate, tier);
  if (!PASSING.includes(fate) || (late <= 0 && !yields)) return became(rule, fate, at, log, who);
  if (s.waits[rule] === 0) s.flag[FLAG.waiting] = s.flag[FLAG.waiting]! + 1;
  s.waits[rule] = 1;
  became(rule, 'waits', at, log, who);
  if (!yields) {
    s.due[s.at.late + s.w.timers.late.place[rule]!] = at + late;
    return;
  }
  yieldMove(s, at, log);
  // It waits for as long as the press that is made to its end, whatever else becomes of what is late.
  s.due[s.at.late + s.w.timers.late.place[rule]!] = Math.max(
    at + late,
    s.flag[FLAG.move]! >= 0 ? s.due[s.at.step]! : at,
  );
}

/** A rule has waited for as long as it may. */
export function waitsNoLonger(s: WorldState, rule: number, at: number, log: Log | null): void {
  forget(s, rule);
  became(rule, 'too-late', at, log);
}

function forget(s: WorldState, rule: number): void {
  if (s.waits[rule] === 0) return;
  s.due[s.at.late + s.w.timers.late.place[rule]!] = Infinity;
  s.waits[rule] = 0;
  s.flag[FLAG.waiting] = s.flag[FLAG.waiting]! - 1;
}

/** What makes rules come true may have changed, and what stood in the way of others may have gone. */
export function rulesFollow(s: WorldState, at: number, log: Log | null): void {
  const { routine } = s.w;
  if (routine === null || s.flag[FLAG.controllerPower] !== 1) return;
  const { edge } = s.w.timers;
  for (let i = 0; i < edge.rules.length; i++) edgeFollows(s, routine, i, at);
  if (s.flag[FLAG.move]! >= 0 && s.flag[FLAG.yields] === 0 && s.flag[FLAG.tier]! < heldTier(s)) yieldMove(s, at, log);
  if (s.flag[FLAG.waiting]! > 0 && s.flag[FLAG.move]! < 0) nextInTurn(s, routine, at, log);
}

function edgeFollows(s: WorldState, routine: RoutineWire, i: number, at: number): void {
  const r = s.w.timers.edge.rules[i]!;
  const rule = routine.rules[r]!;
  const is = edgeIs(s, rule);
  if (is === s.edge[r]) return;
  s.edge[r] = is;
  s.holding[r] = 0;
  const stands = rule.edge.of === 'sense' ? rule.edge.seconds : 0;
  s.due[s.at.edge + i] = is === 1 ? at + stands : Infinity;
}

/** What makes a rule come true has stood for its time. */
export function edgeStands(s: WorldState, rule: number, at: number, log: Log | null): void {
  s.due[s.at.edge + s.w.timers.edge.place[rule]!] = Infinity;
  if (itemAt(s.w.routine!.rules, rule).tier > TIER.comfort && conditionOf(s, rule) !== 'not-so') s.holding[rule] = 1;
  ruleFires(s, rule, at, log);
}

/** Of the rules that wait, the one of the highest tier begins, if it can; of one tier the first. */
function nextInTurn(s: WorldState, routine: RoutineWire, at: number, log: Log | null): void {
  let best = -1;
  for (let r = 0; r < routine.rules.length; r++)
    if (s.waits[r] === 1 && (best < 0 || itemAt(routine.rules, r).tier > itemAt(routine.rules, best).tier)) best = r;
  const { what, tier, ifArmed } = itemAt(routine.rules, best);
  if (tier < heldTier(s)) return;
  const missed = s.flag[FLAG.missedStarts]!;
  const fate = startMove(s, what, ifArmed, at, log, tier, askerOf(s, best));
  s.flag[FLAG.missedStarts] = missed;
  if (PASSING.includes(fate)) return;
  forget(s, best);
  if (fate === 'done') hasActed(s, best, at);
  became(best, fate, at, log);
}

/** An output has been closed for as long as it may be: whoever holds it closed is ended, and somebody is called. */
export function overLong(s: WorldState, line: number, at: number, log: Log | null): void {
  s.due[s.at.longest + line] = Infinity;
  note(log, at, LOGGED.limit, line, 1);
  endMove(s, at, log);
  barPresses(s, at, log);
  s.flag[FLAG.calls] = s.flag[FLAG.calls]! + 1;
  s.flag[FLAG.open] = 1;
  note(log, at, LOGGED.call, 0, -1);
}

/** The program begins: modes are as they are at its beginning, nothing waits, and what a higher tier looks at counts from now. */
export function rulesBegin(s: WorldState): void {
  const { routine } = s.w;
  if (routine === null) return;
  modesBegin(s, routine.modes);
  routine.rules.forEach((rule, r) => {
    forget(s, r);
    s.holding[r] = 0;
    s.rests[r] = 0;
    s.acted[r] = 0;
    // What is nice to have waits for a change; what keeps from harm does not.
    s.edge[r] = rule.tier > TIER.comfort ? 0 : edgeIs(s, rule);
  });
  s.due.fill(Infinity, s.at.edge, s.at.modeEnd);
  s.flag[FLAG.handHolds] = 0;
  s.due[s.at.handHolds] = Infinity;
  s.startsToday.fill(0);
}

/** A day begins: what is counted by the day is counted anew. */
export function midnight(s: WorldState): void {
  s.acted.fill(0);
  s.startsToday.fill(0);
}
