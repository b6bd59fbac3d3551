// Rules in tiers by the plainest means there are: a clock that ticks once a second, and at each tick everything asked in words. It shares
// nothing with the engine but the plan that both are given; all times of the plan are whole seconds.
import type { WorldEvent, WorldPlan } from '../../core/engines/world';
import { freshRule, NEVER, Outputs, type Rule, type Until } from './rules-outputs';

type Plan = WorldPlan & Required<Pick<WorldPlan, 'routine'>>;

/** What a controller of rules does over so many seconds: `12 begins 0 by rule 3`, `15 closes 1`, `40 mode 0 on`. */
export class Ticks {
  private now = 0;
  readonly said: string[] = [];
  private readonly sense: number[];
  private readonly mode: boolean[];
  private readonly modeEnds: Until[];
  private readonly flag: boolean[];
  private readonly startsToday: number[];
  private readonly rule: Rule[];
  private readonly outputs: Outputs;
  private readonly handDown: boolean[];
  private readonly handUp: Until[];
  private readonly barred: boolean[];
  private readonly turnAt: Until[];
  private handHeldUntil = -1;
  private handHeld = false;
  private move: { n: number; step: number; until: Until; tier: number; yields: boolean; waits: boolean } | null = null;

  constructor(
    private readonly plan: Plan,
    events: readonly WorldEvent[],
    seconds: number,
  ) {
    const { routine, senses, lines, hands, moves } = plan;
    const many = <T>(n: number, x: T): T[] => Array.from({ length: n }, () => x);
    this.sense = many(senses.length, 2);
    this.mode = routine.modes.map((m) => m.on);
    this.modeEnds = routine.modes.map((m) => (m.on ? m.seconds : NEVER));
    this.flag = many(routine.flags, false);
    this.rule = routine.rules.map(() => freshRule());
    this.startsToday = many(moves.length, 0);
    this.outputs = new Outputs(routine, lines, this.said, () => this.now);
    this.handDown = many(hands.length, false);
    this.handUp = many(hands.length, NEVER);
    this.barred = many(hands.length, false);
    this.turnAt = many(hands.length, NEVER);
    routine.rules.forEach((r, i) => {
      // Comfort waits for a change.
      if (r.tier === 0 && this.isSo(i)) [this.rule[i]!.stoodSince, this.rule[i]!.fired] = [0, true];
    });
    this.settle();
    const sorted = [...events].sort((a, b) => a.at - b.at);
    for (this.now = 0; this.now <= seconds; this.now++) {
      this.tick(sorted.filter((e) => e.at === this.now));
    }
  }

  /** All that falls due at this second, one after the other in the order that the engine's page names. */
  private tick(events: WorldEvent[]): void {
    for (;;) {
      const due = this.nextDue(events);
      if (!due) return;
      due();
      this.settle();
    }
  }

  private nextDue(events: WorldEvent[]): (() => void) | null {
    const { hands, routine } = this.plan;
    for (let h = 0; h < hands.length; h++) if (this.feels.has(h)) return () => this.feel(h);
    for (let h = 0; h < hands.length; h++)
      if (this.handUp[h] === this.now)
        return () => {
          this.handUp[h] = NEVER;
          this.feels.add(h);
        };
    for (let h = 0; h < hands.length; h++)
      if (this.turnAt[h] === this.now)
        return () => {
          this.turnAt[h] = NEVER;
          if (this.outputs.closed[hands[h]!.line]) this.barred[h] = true;
          else this.outputs.close(hands[h]!.line);
        };
    const event = events.shift();
    if (event) return () => this.happens(event);
    if (this.move && this.move.until === this.now) return () => this.stepIsUp();
    for (let l = 0; l < this.outputs.closed.length; l++)
      if (this.outputs.closed[l] && this.now - this.outputs.closedAt[l]! >= routine.longest[l]!)
        return () => this.overLong();
    for (let r = 0; r < routine.rules.length; r++) if (this.standsNow(r)) return () => this.stood(r);
    for (let r = 0; r < routine.rules.length; r++)
      if (this.rule[r]!.waitsUntil === this.now) return () => (this.rule[r]!.waitsUntil = null);
    for (let r = 0; r < routine.rules.length; r++)
      if (this.rule[r]!.restsUntil === this.now) return () => (this.rule[r]!.restsUntil = -1);
    for (let m = 0; m < routine.modes.length; m++)
      if (this.mode[m] && this.modeEnds[m] === this.now) return () => this.setMode(m, false);
    if (this.handHeld && this.handHeldUntil === this.now) return () => (this.handHeld = false);
    return null;
  }

  private readonly feels = new Set<number>();

  private happens({ what, of, how }: WorldEvent): void {
    if (what === 'fires') this.fires(of);
    if (what === 'flag') this.flag[of] = how === 1;
    if (what === 'mode') this.setMode(of, how === 1);
    if (what === 'reads') this.sense[of] = how;
    if (what === 'midnight') {
      for (const r of this.rule) r.acted = 0;
      this.startsToday.fill(0);
    }
    if (what === 'hand') {
      this.handUp[of] = this.now + how;
      if (!this.handDown[of]) this.feels.add(of);
    }
  }

  private feel(h: number): void {
    this.feels.delete(h);
    const hand = this.plan.hands[h]!;
    const down = (this.handDown[h] = !this.handDown[h]);
    if (down && this.plan.routine.handHolds > 0) {
      this.handHeld = true;
      this.handHeldUntil = this.now + this.plan.routine.handHolds;
    }
    if (hand.does === 'stop' && down) {
      this.end();
      this.barAll();
    }
    if (hand.does === 'begin' && down && !this.stopped() && !this.handIsHeld()) {
      this.end();
      this.start(hand.moves[0]!, 1, 'a hand');
    }
    if (hand.does !== 'press') return;
    if (!down) {
      this.release(h);
      this.barred[h] = false;
    } else if (this.handIsHeld()) this.barred[h] = true;
    else {
      this.end();
      const when = this.stopped() || this.outputs.closed[hand.line] ? NEVER : this.outputs.mayClose(hand.line);
      if (when === NEVER) this.barred[h] = true;
      else if (when > this.now) this.turnAt[h] = when;
      else this.outputs.close(hand.line);
    }
  }

  private release(h: number): void {
    this.turnAt[h] = NEVER;
    if (!this.barred[h]) this.open(this.plan.hands[h]!.line);
  }
  private barAll(): void {
    this.plan.hands.forEach((hand, h) => {
      if (hand.does !== 'press' || !this.handDown[h]) return;
      this.release(h);
      this.barred[h] = true;
    });
  }
  private stopped(): boolean {
    return this.plan.hands.some((hand, h) => hand.does === 'stop' && this.handDown[h]);
  }
  private handPresses(): boolean {
    return this.plan.hands.some(
      (hand, h) =>
        hand.does === 'press' &&
        this.handDown[h] &&
        !this.barred[h] &&
        (this.outputs.closed[hand.line] === true || this.turnAt[h]! < NEVER),
    );
  }
  private held(): number {
    const { rules, modes } = this.plan.routine;
    return Math.max(
      this.handHeld ? 1 : 0,
      ...modes.map((m, i) => (this.mode[i] ? m.holds : 0)),
      ...rules.map((r, i) => (this.rule[i]!.holds ? r.tier : 0)),
    );
  }
  private handIsHeld(): boolean {
    return (this.move !== null && this.move.tier > 1) || this.held() > 1;
  }

  private isSo(r: number): boolean {
    const { edge } = this.plan.routine.rules[r]!;
    if (edge.of === 'sense') return this.sense[edge.sense] === (edge.is ? 1 : 0);
    return edge.of === 'mode' && this.mode[edge.mode] === edge.is;
  }
  private standsNow(r: number): boolean {
    const since = this.rule[r]!.stoodSince;
    const { edge } = this.plan.routine.rules[r]!;
    if (since === null || since === undefined || this.rule[r]!.fired) return false;
    return this.now - since >= (edge.of === 'sense' ? edge.seconds : 0);
  }
  private conditions(r: number): boolean {
    return this.plan.routine.rules[r]!.ifs.every(({ of, index, is }) => {
      if (of === 'sense') return this.sense[index] === (is ? 1 : 0);
      return (of === 'mode' ? this.mode : this.flag)[index] === is;
    });
  }
  private stood(r: number): void {
    this.rule[r]!.fired = true;
    if (this.plan.routine.rules[r]!.tier > 0 && this.conditions(r)) this.rule[r]!.holds = true;
    this.fires(r);
  }

  private fires(r: number): void {
    const rule = this.plan.routine.rules[r]!;
    if (!this.conditions(r) || this.rule[r]!.restsUntil >= 0 || this.rule[r]!.acted >= rule.aDay) return;
    if (rule.does !== 'move') {
      if (rule.tier < this.held()) return;
      this.hasActed(r);
      if (rule.does === 'call') this.said.push(`${this.now} call`);
      else this.setMode(rule.what, rule.does === 'mode-on');
      return;
    }
    if (rule.tier > 1) this.barAll();
    const bar = this.start(rule.what, rule.tier, `rule ${r}`);
    if (bar === 'none') return this.hasActed(r);
    if (bar === 'for good') return;
    const goesFirst = bar === 'busy' && this.move!.tier < rule.tier;
    if (!goesFirst && rule.late <= 0) return;
    this.rule[r]!.waitsUntil = this.now + rule.late;
    if (!goesFirst) return;
    this.giveWay();
    this.rule[r]!.waitsUntil = Math.max(
      this.now + rule.late,
      this.move ? (this.move as { until: number }).until : this.now,
    );
  }
  private hasActed(r: number): void {
    const { gap } = this.plan.routine.rules[r]!;
    this.rule[r]!.acted = this.rule[r]!.acted + 1;
    if (gap > 0) this.rule[r]!.restsUntil = this.now + gap;
  }

  private setMode(m: number, on: boolean): void {
    this.modeEnds[m] = on ? this.now + this.plan.routine.modes[m]!.seconds : NEVER;
    if (this.mode[m] !== on) this.said.push(`${this.now} mode ${m} ${on ? 'on' : 'off'}`);
    this.mode[m] = on;
  }

  /** What stands in a move's way: nothing, something that passes, or something that does not. */
  private start(n: number, tier: number, by: string): 'none' | 'busy' | 'passes' | 'for good' {
    const may = this.plan.routine.mayStart[n]!;
    if (this.stopped() || (tier <= 1 && this.handPresses())) return 'passes';
    if (tier < this.held()) return 'passes';
    if (this.startsToday[n]! >= may.aDay || (may.fresh >= 0 && this.sense[may.fresh] === 2)) return 'for good';
    if (this.move) return 'busy';
    this.startsToday[n] = this.startsToday[n]! + 1;
    this.said.push(`${this.now} begins ${n} by ${by}`);
    this.move = { n, step: 0, until: NEVER, tier, yields: false, waits: false };
    this.takeStep();
    return 'none';
  }
  private takeStep(): void {
    const move = this.move!;
    const op = this.plan.moves[move.n]![move.step];
    if (!op) return this.end();
    move.waits = false;
    for (let l = 0; l < this.outputs.closed.length; l++)
      if (this.byMove.has(l) && !(op.do === 'press' && op.lines.includes(l))) this.open(l);
    if (op.do === 'wait') {
      move.until = this.now + op.seconds;
      return;
    }
    const when = Math.max(
      this.now,
      ...op.lines.filter((l) => !this.outputs.closed[l]).map((l) => this.outputs.mayClose(l)),
    );
    if (when > this.now) {
      move.waits = true;
      move.until = when;
      for (const l of [...this.byMove]) this.open(l);
      return;
    }
    this.press();
  }
  private readonly byMove = new Set<number>();
  private press(): void {
    const move = this.move!;
    const op = this.plan.moves[move.n]![move.step]!;
    move.waits = false;
    for (const l of op.lines) {
      this.byMove.add(l);
      if (!this.outputs.closed[l]) this.outputs.close(l);
    }
    move.until = this.now + op.seconds;
  }
  private stepIsUp(): void {
    const move = this.move!;
    if (move.waits) return this.press();
    if (move.yields) return this.end();
    move.step++;
    this.takeStep();
  }
  private giveWay(): void {
    const move = this.move!;
    const op = this.plan.moves[move.n]![move.step]!;
    if (op.do === 'press' && !move.waits && op.seconds <= 2) move.yields = true;
    else this.end();
  }
  private end(): void {
    for (const l of [...this.byMove]) this.open(l);
    this.move = null;
  }
  private open(l: number): void {
    this.byMove.delete(l);
    this.outputs.open(l);
  }
  private overLong(): void {
    this.end();
    this.barAll();
    this.said.push(`${this.now} call`);
  }

  /** What follows from what happened: what stands now, whoever has to give way, whoever waited. */
  private settle(): void {
    const { rules } = this.plan.routine;
    rules.forEach((_, r) => {
      const so = this.isSo(r);
      if (so === (this.rule[r]!.stoodSince !== null)) return;
      this.rule[r]!.holds = false;
      this.rule[r]!.stoodSince = so ? this.now : null;
      this.rule[r]!.fired = false;
    });
    if (this.move && !this.move.yields && this.move.tier < this.held()) this.giveWay();
    if (this.move) return;
    let best = -1;
    rules.forEach((rule, r) => {
      if (this.rule[r]!.waitsUntil !== null && (best < 0 || rule.tier > rules[best]!.tier)) best = r;
    });
    if (best < 0 || rules[best]!.tier < this.held()) return;
    const bar = this.start(rules[best]!.what, rules[best]!.tier, `rule ${best}`);
    if (bar === 'passes' || bar === 'busy') return;
    this.rule[best]!.waitsUntil = null;
    if (bar === 'none') this.hasActed(best);
  }
}
