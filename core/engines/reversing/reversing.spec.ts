import { describe, expect, it } from 'vitest';
import { BOX_WIRINGS, freshPress, MOTOR_WIRINGS, type MotorPlan } from '../../ground/job';
import { conductors, forbiddenStates, sequenceRules, truthTable, reversingWiring } from '.';

const plan = (set: Partial<MotorPlan> = {}): MotorPlan => ({ ...freshPress().motor, ...set });
const motions = (p: MotorPlan, way: 'reverse-motor' | 'control-box' = 'reverse-motor') =>
  truthTable(reversingWiring(p, way)).map((r) => `${Object.values(r.on).map(Number).join('')} ${r.motion}`);

describe('contacts against motion', () => {
  it('of a double-pole relay and a power contact: power decides whether, direction which way', () => {
    // Coils in the order K1 (direction), K2 (power).
    expect(motions(plan({ wiring: 'double-pole' }))).toEqual(['00 off', '01 forward', '10 off', '11 backward']);
  });
  it('of two changeovers and of a bridge: alike stands braked, unlike runs', () => {
    expect(motions(plan({ wiring: 'two-changeovers' }))).toEqual([
      '00 braked',
      '01 backward',
      '10 forward',
      '11 braked',
    ]);
    expect(motions(plan({ wiring: 'bridge' }))).toEqual(['00 braked', '01 backward', '10 forward', '11 braked']);
  });
  it('of a control box: interlocked, the second coil has nothing to give while the first is on', () => {
    expect(motions(plan({ boxWiring: 'box-interlocked' }), 'control-box')).toEqual([
      '00 off',
      '01 backward',
      '10 forward',
      '11 forward',
    ]);
    expect(motions(plan({ boxWiring: 'box-plain' }), 'control-box')).toEqual([
      '00 off',
      '01 backward',
      '10 forward',
      '11 both',
    ]);
  });
  it('turns round with two wires exchanged', () => {
    expect(motions(plan({ wiring: 'two-changeovers', swapped: true }))).toEqual([
      '00 braked',
      '01 forward',
      '10 backward',
      '11 braked',
    ]);
  });
});

describe('states that must never be', () => {
  const held = (p: MotorPlan, way: 'reverse-motor' | 'control-box' = 'reverse-motor') =>
    Object.fromEntries(forbiddenStates(reversingWiring(p, way)).map((f) => [f.motion, f.heldBy]));
  it('are impossible by wiring where contacts change over, and rest on software with two plain mains contacts', () => {
    expect(held(plan({ wiring: 'double-pole' }))).toEqual({ short: 'wiring' });
    expect(held(plan({ wiring: 'two-changeovers' }))).toEqual({ short: 'wiring' });
    expect(held(plan({ wiring: 'bridge' }))).toEqual({ short: 'electronics' });
    expect(held(plan({ boxWiring: 'box-interlocked' }), 'control-box')).toEqual({ both: 'wiring', short: 'wiring' });
    expect(held(plan({ boxWiring: 'box-plain' }), 'control-box')).toEqual({ both: 'software', short: 'wiring' });
  });
  it('name the coils that bring them about', () => {
    const both = forbiddenStates(reversingWiring(plan({ boxWiring: 'box-plain' }), 'control-box'))[0]!;
    expect(both.states.map((s) => s.on)).toEqual([{ K1: true, K2: true }]);
  });
  it('hold with one contact welded in every changeover wiring', () => {
    for (const wiring of ['double-pole', 'two-changeovers'] as const)
      expect(forbiddenStates(reversingWiring(plan({ wiring }), 'reverse-motor'))[0]!.despiteWeld, wiring).toBe(true);
  });
});

describe('terminals and conductors', () => {
  // EN 50005: 11 common, 12 at rest, 14 at work; the second pole 21, 22, 24.
  it('of the double-pole wiring are numbered by the standard, each net joined once', () => {
    const wires = conductors(reversingWiring(plan({ wiring: 'double-pole' }), 'reverse-motor'));
    const ends = wires.flatMap((w) => [w.from, w.to]);
    for (const t of [
      'K1:11',
      'K1:12',
      'K1:14',
      'K1:21',
      'K1:22',
      'K1:24',
      'K2:11',
      'K2:14',
      'M1 +',
      'M1 −',
      'supply +',
      'supply −',
    ])
      expect(ends, t).toContain(t);
    expect(ends).not.toContain('K2:12');
    // A tree over each net: terminals less nets.
    const nets = new Set(wires.map((w) => w.net));
    expect(wires).toHaveLength(new Set(ends).size - nets.size);
  });
  it('of a facing second motor are those of the first exchanged', () => {
    const w = reversingWiring(plan({ wiring: 'two-changeovers', mirrored: true }), 'reverse-motor');
    const net = (t: string) => w.fixed.find((f) => f.terminal === t)!.net;
    expect(net('M2 +')).toBe(net('M1 −'));
    expect(net('M2 −')).toBe(net('M1 +'));
  });
  it('of a mains box switch neither neutral nor earth', () => {
    for (const boxWiring of BOX_WIRINGS) {
      const w = reversingWiring(plan({ boxWiring }), 'control-box');
      for (const c of w.contacts) expect([c.common, c.rest, c.work]).not.toContain('neutral');
      expect(conductors(w).filter((x) => x.net === 'earth' || x.net === 'neutral')).toHaveLength(2);
    }
  });
});

describe('sequence rules', () => {
  it('wait at least until the motor has come to rest, and never less than a contact takes', () => {
    for (const wiring of MOTOR_WIRINGS) {
      const rules = sequenceRules(plan({ wiring, coastSeconds: 0.8 }), 'reverse-motor');
      expect(Math.max(...rules.map((r) => r.waitSeconds))).toBe(0.8);
    }
    expect(
      Math.min(
        ...sequenceRules(plan({ wiring: 'double-pole', coastSeconds: 0 }), 'reverse-motor').map((r) => r.waitSeconds),
      ),
    ).toBeGreaterThan(0.02);
    expect(sequenceRules(plan(), 'control-box')[0]!.why).toMatch(/never together/);
  });
});
