import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, type Job } from '../../ground/job';
import { changed, contextIn, demoJob, pressed, withoutSense } from '../../testing/jobs';
import { evaluateWay, jointOf, presser } from '.';
import { factsOf, fan, judge, of, pot, rocker, shutter } from '../../testing/judge-way';

describe('spare terminals and remotes', () => {
  it('are another control of the job that is a dry pair, pressed as such', () => {
    const gate = demoJob('yard-gate');
    const both: Job = { ...pot, controls: [...pot.controls, { ...gate.controls[0]!, id: 'loop', name: 'wall loop' }] };
    const c = contextIn(both, {
      ...factsOf(pot),
      controls: { ...factsOf(pot).controls, loop: factsOf(gate).controls['control-gate']! },
    });
    const r = evaluateWay('spare-terminals', c);
    expect(r).toMatchObject({ verdict: 'settled', applies: true });
    expect(r.wires.map((w) => w.to)).toContain('wall loop A');
    expect(r.findings.every((f) => f.id.startsWith('thumb.spare-terminals.'))).toBe(true);
    // What is simulated is the loop with its own voltage, not the button.
    const { context, way } = presser(c, r);
    expect(jointOf(context, way)!.supplyVolts).toBeCloseTo(11.62, 1);
    expect(jointOf(c, r)).toBeNull();
    expect(judge('spare-terminals', pot).verdict).toBe('unknown');
    expect(judge('spare-terminals', gate).applies).toBe(false);
  });
  it('ask for the remote, judge its button on its battery, and miss what tells that it was heard', () => {
    expect(judge('spare-remote', pot, { remote: { has: 'unknown', batteryVolts: 3, pullOhms: 1e5 } }).verdict).toBe(
      'unknown',
    );
    expect(judge('spare-remote', pot, { remote: { has: 'no', batteryVolts: 3, pullOhms: 1e5 } }).applies).toBe(false);
    const yes = judge('spare-remote', pot, { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } });
    // A warm solid-state relay leaks 11 µA, 1.7 V across 150 kΩ: too much of 3 V. The optocoupler's 2.5 µA leave 2.62
    // V, over the 2.1 V that count as high.
    expect(of(yes, 'idle-level').value!.value).toBeCloseTo(3 - 150e3 * 2.51e-6, 2);
    expect(yes.parts[0]!.name).toBe('optocoupler');
    // A battery and a pull-up that nobody measured are guesses: tight until they are confirmed.
    expect(yes.verdict).toBe('tight');
    expect(of(yes, 'defaults').title).toMatch(/battery of the remote.*pull-up in the remote/);
    const confirmed = edited(
      pressed(pot, { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } }),
      of(yes, 'defaults').remedy!.edit!,
      '2026-03-02T14:00:00Z',
    );
    expect(judge('spare-remote', confirmed).verdict).toBe('settled');
    const battery = contextIn(pressed(pot, { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } }), factsOf(pot));
    const inner = presser(battery, yes);
    expect(jointOf(inner.context, inner.way)).toMatchObject({ way: 'optocoupler', supplyVolts: 3, pullOhms: 1e5 });
    expect(presser(battery, judge('optocoupler', pot)).way.way).toBe('optocoupler');
    expect(
      judge('spare-remote', withoutSense(pot), {
        remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 },
      }).verdict,
    ).toBe('tight');
  });
});

describe('a control box and a switched supply', () => {
  it('never call mains work settled, and interlock by wiring with one press', () => {
    const plan = { ...rocker.presses[0]!.motor, runningAmps: 1.2, boxWiring: 'box-plain' as const };
    const plain = pressed(rocker, { motor: plan, picks: { 'relay-module': 'module-two' } });
    const r = judge('control-box', plain);
    // Running current does not tell, nor is it known whether a run capacitor puts twice the mains on the open contact.
    expect(r.verdict).toBe('unknown');
    expect(of(r, 'rating').verdict).toBe('unknown');
    expect(of(r, 'volts')).toMatchObject({ verdict: 'unknown', value: { value: 460 }, limit: { value: 250 } });
    expect(
      of(
        judge(
          'control-box',
          pressed(plain, { motor: { ...plan, runCapacitor: 'yes' } }),
          {},
          { kind: 'switched-load' },
        ),
        'volts',
      ).verdict,
    ).toBe('stop');
    expect(
      of(
        judge('control-box', pressed(plain, { motor: { ...plan, stallAmps: 1.5 } }), {}, { kind: 'switched-load' }),
        'rating',
      ).verdict,
    ).toBe('settled');
    const f = of(r, 'never-both');
    expect(f.title).toContain('software alone');
    const mended = judge(
      'control-box',
      edited(plain, f.remedy!.edit!, '2026-03-02T14:00:00Z'),
      {},
      { kind: 'switched-load' },
    );
    expect(of(mended, 'never-both').verdict).toBe('settled');
    expect(of(mended, 'licensed').verdict).toBe('tight');
    expect(judge('control-box', shutter).applies).toBe(false);
  });
  it('ask for the power cut to be tried, and are out where it failed', () => {
    expect(judge('switched-supply', pot, { supply: { resumes: 'untested', atRest: 'open' } })).toMatchObject({
      verdict: 'unknown',
      reason: expect.stringContaining('Pull the plug'),
    });
    expect(judge('switched-supply', pot, { supply: { resumes: 'no', atRest: 'open' } }).applies).toBe(false);
    const tried = judge('switched-supply', pot, { supply: { resumes: 'yes', atRest: 'closed' } }, {}, (j) =>
      changed(j, 'guard', { loadWatts: 700 }),
    );
    // Its load is asked for and judged in Guard, against this very contact.
    expect(tried.press.contact).toMatchObject({ amps: 10, inrushAmps: 25 });
    const inGuard = changed(pressed(pot, { way: 'switched-supply' }), 'guard', {
      loadWatts: 700,
      loadKind: 'resistive',
    });
    expect(assess(inGuard).findings.find((x) => x.id === 'guard.contact')).toMatchObject({
      verdict: 'settled',
      value: { value: expect.closeTo(700 / 230, 6) },
    });
    expect(
      assess(changed(inGuard, 'guard', { loadWatts: null })).findings.find((x) => x.id === 'guard.contact')!.verdict,
    ).toBe('unknown');
    expect(tried.verdict).toBe('tight');
    expect(tried.wires.map((w) => w.from)).toContain('K1:12');
  });
});

describe('a drive signal taken over', () => {
  it('has its gain from the readings, a straight line, and a knob that rules at rest', () => {
    const r = judge('drive-signal', fan);
    expect(of(r, 'gain').value).toMatchObject({ value: expect.closeTo(39.7, 0), unit: 'Hz' });
    expect(of(r, 'straight').verdict).toBe('settled');
    expect(of(r, 'clamp').value!.value).toBeLessThan(0.2e-3);
    expect(r.verdict).toBe('settled');
    expect(r.wires.map((w) => w.from)).toContain('pin, enable');
  });
  it('has its level shift fed, its enable line driven, and asks about no step that nobody read', () => {
    const r = judge('drive-signal', fan);
    const plan = fan.presses[0]!.signal;
    expect(r.press.draws).toMatchObject([{}, { part: 'pull-up', volts: { nominal: 5 } }]);
    const ends = r.wires.map((w) => `${w.from} > ${w.to}`);
    expect(ends).toEqual(
      expect.arrayContaining([
        '5 V > level shift, pull-up',
        'pin, enable > enable driver base resistor',
        'enable driver collector > enable, high',
      ]),
    );
    // Two transistors, one behind the other: a pin that floats enables nothing.
    expect(r.parts.find((p) => p.name === 'NPN transistor, enable')!.quantity).toBe(2);
    expect(r.findings.some((f) => f.id.endsWith('.beyond'))).toBe(false);
    expect(of(judge('drive-signal', fan, { signal: { ...plan, topStep: 9 } }), 'beyond').verdict).toBe('tight');
    // At the pin's own level as well: no pin is the line itself, which would feed whichever side is off.
    const low = judge('drive-signal', fan, { signal: { ...plan, highVolts: 2.5, returnVolts: null } });
    expect(low.wires.map((w) => `${w.from} > ${w.to}`)).toContain('enable driver collector > enable, high');
    expect(of(low, 'dead-machine')).toMatchObject({ verdict: 'settled', value: { value: (2.5 - 0.6) / 4700 } });
    expect(of(judge('drive-signal', fan, { signal: { ...plan, highVolts: 15 } }), 'dead-machine').verdict).toBe(
      'tight',
    );
  });
  it('is told apart from a bent one, from two readings and from none', () => {
    const plan = fan.presses[0]!.signal;
    expect(
      of(
        judge('drive-signal', fan, {
          signal: {
            ...plan,
            points: [
              { step: 1, value: 40 },
              { step: 3, value: 210 },
              { step: 5, value: 200 },
            ],
          },
        }),
        'straight',
      ).verdict,
    ).toBe('tight');
    expect(
      of(judge('drive-signal', fan, { signal: { ...plan, points: plan.points.slice(0, 2) } }), 'straight').title,
    ).toMatch(/third/);
    expect(
      of(judge('drive-signal', fan, { signal: { ...plan, points: plan.points.slice(0, 1) } }), 'points').verdict,
    ).toBe('unknown');
    expect(judge('drive-signal', pot).applies).toBe(false);
  });
  it('as a level is filtered, and amplified where the pin does not reach; both on one wire is no plan', () => {
    const level = {
      ...fan.presses[0]!.signal,
      what: 'level' as const,
      points: [
        { step: 0, value: 0 },
        { step: 4, value: 4 },
        { step: 8, value: 8 },
      ],
      topStep: 8,
      highVolts: 10,
      returnVolts: null,
    };
    const r = judge('drive-signal', fan, {
      signal: level,
      given: ['signal.pwmHertz', 'signal.highVolts', 'signal.topStep'],
    });
    expect(of(r, 'ripple').verdict).toBe('settled');
    // An amplifier of 8 V from the controller's 5 V makes no 8 V.
    expect(r.press.draws).toMatchObject([{}, { part: 'amplifier', volts: { low: 10 } }]);
    // 5 % resistors must still reach it: 1 + 0.95·R_f/(1.05·R_g) at least.
    expect(of(r, 'amplifier').verdict).toBe('settled');
    const wins = judge('drive-signal', fan, { signal: { ...level, knob: 'highest-wins' } });
    expect(wins.parts.find((p) => p.name === 'Schottky diode')!.quantity).toBe(2);
    expect(wins.wires.filter((w) => w.from === 'old knob')).toHaveLength(1);
    expect(r.parts.map((p) => p.name)).toEqual(
      expect.arrayContaining(['NPN transistor, driver', 'diode across the coil']),
    );
    expect(of(r, 'amplifier').limit!.value).toBeCloseTo(8 / 2.9, 3);
    expect(r.parts.map((p) => p.name)).toContain('operational amplifier, rail to rail');
    expect(of(judge('drive-signal', fan, { signal: { ...level, knob: 'parallel' } }), 'knob').verdict).toBe('stop');
  });
});
