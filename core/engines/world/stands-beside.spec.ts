import { describe, expect, it } from 'vitest';
import { happeningsOf, heatAt, runTo, worldOf, compileWorld, type WorldEvent, type WorldPlan } from '.';
import { sceneOf } from '../../rooms/act';
import { demoJob } from '../../testing/jobs';

const { routine: _rules, ...VALVE } = sceneOf(demoJob('ice-bath-valve'))!.world.plan;
const LINE = 0;
/** Whether an output's contact is closed at an instant, with so much happening. */
function closed(plan: WorldPlan, events: readonly WorldEvent[], at: number): boolean {
  const given = happeningsOf(events);
  const s = worldOf(compileWorld(plan), given);
  runTo(s, at, given);
  return s.closed[plan.channels.findIndex((c) => c.line === LINE)] === 1;
}
const START: WorldEvent[] = [
  { at: 0, what: 'reads', of: 0, how: 0 },
  { at: 1, what: 'start', of: 0, how: 0 },
];
const press = VALVE.moves[0]!.find((o) => o.do === 'press')!.seconds;

describe('a program that hangs', () => {
  const hang: WorldEvent = { at: 5, what: 'hangs', of: 0, how: 0 };
  it('holds its outputs as they are, for good without a watchdog', () => {
    expect(closed(VALVE, START, 1 + press + 60)).toBe(false);
    expect(closed(VALVE, [...START, hang], 1 + press + 86_400)).toBe(true);
  });
  it('is restarted by its watchdog, and lets go then', () => {
    const plan = { ...VALVE, watchdog: 8 };
    expect(closed(plan, [...START, hang], 12)).toBe(true);
    expect(closed(plan, [...START, hang], 14)).toBe(false);
  });
  it('begins nothing: what would start it meanwhile is lost', () => {
    const late: WorldEvent[] = [START[0]!, { ...hang, at: 1 }, { at: 2, what: 'start', of: 0, how: 0 }];
    expect(closed(VALVE, late, 10)).toBe(false);
  });
});

describe('what ends an output by itself', () => {
  const with_ = (by: 'one-shot' | 'timer'): WorldPlan => ({ ...VALVE, ends: [{ by, seconds: 20 }] });
  const weld: WorldEvent = { at: 0.5, what: 'welded', of: LINE, how: 0 };
  it.each(['one-shot', 'timer'] as const)('a %s ends what a program holds, and is ready again after it', (by) => {
    const plan = with_(by);
    expect(closed(plan, START, 20)).toBe(true);
    expect(closed(plan, START, 22)).toBe(false);
    const again: WorldEvent[] = [...START, { at: press + 60, what: 'start', of: 0, how: 0 }];
    expect(closed(plan, again, press + 65)).toBe(true);
  });
  it('a timer ends a contact that sticks, and a one-shot does not', () => {
    expect(closed(with_('timer'), [weld], 15)).toBe(true);
    expect(closed(with_('timer'), [weld], 25)).toBe(false);
    expect(closed(with_('one-shot'), [weld], 25)).toBe(true);
  });
  it('does nothing once it has failed itself', () => {
    expect(closed(with_('timer'), [{ at: 0, what: 'end-fails', of: LINE, how: 0 }, weld], 25)).toBe(true);
  });
});

describe('a regulator in series with a loop', () => {
  const CABINET = sceneOf(demoJob('proving-cabinet'))!.world.plan;
  const loop = CABINET.loops![0]!;
  const heat = (plan: WorldPlan, events: readonly WorldEvent[], at: number): number => {
    const given = happeningsOf(events);
    const s = worldOf(compileWorld(plan), given);
    runTo(s, at, given);
    return heatAt(s, 0, at);
  };
  const weld: WorldEvent = { at: 1, what: 'welded', of: LINE, how: 0 };
  const without = { ...CABINET, loops: [{ ...loop, cutOff: undefined as never }] };
  it('holds it between where it opens and where it closes again, whatever its contact does', () => {
    const [low, high] = [28, 32];
    const plan = { ...CABINET, loops: [{ ...loop, cutOff: { at: high, back: low } }] };
    const day = 86_400;
    for (const at of [0.5, 0.6, 0.7, 0.8, 0.9].map((x) => x * day)) {
      const now = heat(plan, [weld], at);
      // It goes past both by what its dead time lets through.
      expect(now).toBeGreaterThan(low - 1.5);
      expect(now).toBeLessThan(high + 1.5);
    }
    expect(heat(without, [weld], day)).toBeGreaterThan(high + 1.5);
  });
  it('that is reset by hand stays open', () => {
    const plan = { ...CABINET, loops: [{ ...loop, cutOff: { at: 32, back: -Infinity } }] };
    expect(heat(plan, [weld], 2 * 86_400)).toBeCloseTo(loop.around, 1);
  });
  it('comes to a bound at the instant that its exponential gives', () => {
    const degrees = 35;
    const plan = { ...without, monitors: [{ kind: 'heat' as const, loop: 0, over: true, degrees }] };
    const given = happeningsOf([{ ...weld, at: 0 }]);
    const s = worldOf(compileWorld(plan), given);
    runTo(s, 86_400, given);
    // ln of the way there over the way left, in time constants, after the dead time.
    const goal = loop.around + loop.kelvin;
    const at = loop.dead + loop.tau * Math.log(loop.kelvin / (goal - degrees));
    expect(s.brokenAt[0]).toBeCloseTo(at + plan.channels[0]!.least, 1);
  });
});
