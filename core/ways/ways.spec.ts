import { describe, expect, it } from 'vitest';
import { assess } from '../assess';
import type { Finding } from '../finding';
import { applyEdit, type ControlFact, type Job, type ThumbPlan, type Way } from '../job';
import { boundsOf, takenPart } from '../parts';
import { changed, demoJob } from '../testing/jobs';
import { wayContext } from '../thumb';
import { evaluateWay, jointOf, presser, type WayResult } from '.';

const pot = demoJob('rice-pot');
const shutter = demoJob('hatch-shutter');
const proofer = demoJob('dough-proofer');
const rocker = demoJob('extractor-rocker');
const fan = demoJob('hood-fan');
const facts = new Map<Job, ReturnType<typeof assess>['facts']>();
const factsOf = (job: Job) => facts.get(job) ?? facts.set(job, assess(job).facts).get(job)!;

/** One way on a demo job's control, with a plan and a fact of its own. */
function judge(way: Way, base: Job, plan: Partial<ThumbPlan> = {}, fact: Partial<ControlFact> = {}, edit: (j: Job) => Job = (j) => j): WayResult {
  const c = wayContext(edit(changed(base, 'thumb', plan)), factsOf(base))!;
  return evaluateWay(way, { ...c, fact: { ...c.fact, ...fact } });
}
const of = (r: WayResult, id: string): Finding => {
  const found = r.findings.find((f) => f.id === `thumb.${r.way}.${id}`);
  if (!found) throw new Error(`no ${id} among ${r.findings.map((f) => f.id).join(', ')}`);
  return found;
};

describe('a relay module on a 3.3 V pin', () => {
  // 5.25 V − 2.9 V = 2.35 V stay under two warm LEDs' 2.46 V, barely, and over a bare junction's 0.48 V: that relay never lets go.
  it('lets go behind two LEDs, and never behind a bare transistor', () => {
    const leds = judge('relay-module', pot, { picks: { 'relay-module': 'module-leds' } });
    expect(of(leds, 'off')).toMatchObject({ verdict: 'tight', value: { value: expect.closeTo(2.35, 6) }, limit: { value: expect.closeTo(2.46, 6) } });
    // A supply a twentieth low and cold LEDs: (4.75 − 3.5) V over 1 kΩ.
    expect(of(leds, 'on').value!.value).toBeCloseTo(1.25e-3, 6);
    expect(leds.press.deadRailCloses).toBe(true);
    const bare = judge('relay-module', pot, { picks: { 'relay-module': 'module-base' } });
    expect(of(bare, 'off').verdict).toBe('stop');
    expect(bare.verdict).toBe('stop');
  });
  it('is mended by the module that its remedy names, which presses on high', () => {
    const stuck = changed(pot, 'thumb', { way: 'relay-module', picks: { 'relay-module': 'module-base' } });
    const remedy = of(judge('relay-module', stuck), 'off').remedy!;
    const mended = judge('relay-module', applyEdit(stuck, remedy.edit as never, '2026-03-02T14:00:00Z'));
    expect(mended.findings.some((f) => f.id.endsWith('.off'))).toBe(false);
    // (2.9 − 0.75 − 0.05 when cold) V over 1 kΩ.
    expect(of(mended, 'on').value!.value).toBeCloseTo(2.1e-3, 6);
    expect(mended.press.deadRailCloses).toBe(false);
    expect(mended.press).toMatchObject({ pressesOn: 'high', needsVolts: 5, supplyAmps: 0.071 });
    expect(judge('relay-module', pot).press.pressesOn).toBe('low');
  });
});

describe('an analogue switch', () => {
  // 0.7 · 5.03 V = 3.52 V is more than a 3.3 V pin gives.
  it('inside a 5 V supply wants a control level that a 3.3 V pin does not give, inside 3.3 V one that it does', () => {
    expect(of(judge('analogue-switch', pot), 'control')).toMatchObject({ verdict: 'stop', limit: { value: expect.closeTo(3.52, 1) } });
    const alarm = demoJob('cold-room-alarm');
    expect(of(judge('analogue-switch', alarm), 'control').verdict).not.toBe('stop');
  });
  it('has nothing to do with a loop of which no rail is known', () => {
    expect(judge('analogue-switch', demoJob('yard-gate'))).toMatchObject({ applies: false, reason: expect.stringContaining('no rail') });
  });
  it('bears no supply beyond its own', () => {
    expect(of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-low' } }), 'most').limit!.value).toBe(5.5);
  });
});

describe('scanned keys', () => {
  // 2 ms strobes every 16 ms: a median answer of 2 ms is late more often than not.
  it('are not answered by a busy program, and are by logic', () => {
    const program = judge('strobe-answer', proofer);
    expect(of(program, 'seen').verdict).toBe('stop');
    expect(of(program, 'seen').steps.map((s) => s.symbol)).toEqual(['t_room', 's', 'p', 'n', 'P']);
    const logic = judge('logic-injector', proofer);
    // When the pad looks at its lines is a default that nobody confirmed: tight, and settled once it is.
    expect(of(judge('logic-injector', proofer, { given: ['scan.leadSeconds'] }), 'delay').verdict).toBe('settled');
    expect(of(logic, 'delay')).toMatchObject({ verdict: 'tight', value: { value: expect.closeTo(25e-9, 12) } });
    // Twelve keys and none: 2^4 − 1 = 15 ≥ 12.
    expect(of(logic, 'lines').steps[0]!.inputs.find((i) => i.symbol === 'n_select')!.value).toBe(4);
    expect(logic.press.outputs).toBe(4);
    expect(logic.wires.filter((w) => w.from.startsWith('pin, select'))).toHaveLength(4);
  });
  it('are answered by a program that is quick enough for them', () => {
    const quick = judge('strobe-answer', proofer, { given: ['scan.medianSeconds', 'scan.mostSeconds', 'scan.leadSeconds', 'scan.holdSeconds'], scan: { ...proofer.thumb.scan, medianSeconds: 20e-6, mostSeconds: 60e-6, leadSeconds: 0.1e-3 } });
    expect(of(quick, 'seen').verdict).toBe('settled');
  });
  // Rows times columns of the decoded pad: four strobes and three senses.
  it('want no timing of a closed contact, one per key, or a crosspoint that holds the whole pad', () => {
    expect(of(judge('solid-state-relay', proofer), 'per-key').title).toMatch(/no timing at all/);
    expect(judge('solid-state-relay', pot).findings.some((f) => f.id.endsWith('.per-key'))).toBe(false);
    expect(of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-cross' } }), 'crossings')).toMatchObject({ value: { value: 12 }, limit: { value: 64 }, verdict: 'settled' });
    expect(of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-cmos' } }), 'crossings')).toMatchObject({ value: { value: 1 }, limit: { value: 4 } });
    const many = { ...proofer, controls: [1, 2].map((i) => ({ ...proofer.controls[0]!, id: i === 1 ? proofer.controls[0]!.id : 'second', name: `key ${i}` })) };
    const c = wayContext(many, { ...factsOf(proofer), controls: { ...factsOf(proofer).controls, second: factsOf(proofer).controls['control-warm']! } })!;
    expect(evaluateWay('solid-state-relay', c).findings.find((f) => f.id.endsWith('.per-key'))!.title).toMatch(/2 keys of this job want 2/);
  });
  it('are no matter of a plain button', () => {
    expect(judge('strobe-answer', pot).applies).toBe(false);
    expect(judge('logic-injector', pot).applies).toBe(false);
  });
  it('wait for the strobe to be read', () => {
    const bare = { ...proofer, survey: { ...proofer.survey, keypads: [] } };
    const { widthSeconds: _w, periodSeconds: _p, ...rest } = factsOf(proofer).controls['control-warm']!.parameters;
    expect(of(judge('strobe-answer', bare, {}, { parameters: rest }), 'scan').verdict).toBe('unknown');
  });
});

describe('spare terminals and remotes', () => {
  it('are another control of the job that is a dry pair, pressed as such', () => {
    const gate = demoJob('yard-gate');
    const both: Job = { ...pot, controls: [...pot.controls, { ...gate.controls[0]!, id: 'loop', name: 'wall loop' }] };
    const c = wayContext(both, { ...factsOf(pot), controls: { ...factsOf(pot).controls, loop: factsOf(gate).controls['control-gate']! } })!;
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
    expect(judge('spare-remote', pot, { remote: { has: 'unknown', batteryVolts: 3, pullOhms: 1e5 } }).verdict).toBe('unknown');
    expect(judge('spare-remote', pot, { remote: { has: 'no', batteryVolts: 3, pullOhms: 1e5 } }).applies).toBe(false);
    const yes = judge('spare-remote', pot, { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } });
    // A warm solid-state relay leaks 11 µA, 1.7 V across 150 kΩ: too much of 3 V. The optocoupler's 2.5 µA leave 2.62 V, over the 2.1 V that count as high.
    expect(of(yes, 'idle-level').value!.value).toBeCloseTo(3 - 150e3 * 2.51e-6, 2);
    expect(yes.parts[0]!.name).toBe('optocoupler');
    // A battery and a pull-up that nobody measured are guesses: tight until they are confirmed.
    expect(yes.verdict).toBe('tight');
    expect(of(yes, 'defaults').title).toMatch(/battery of the remote.*pull-up in the remote/);
    const confirmed = applyEdit(changed(pot, 'thumb', { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } }), of(yes, 'defaults').remedy!.edit as never, '2026-03-02T14:00:00Z');
    expect(judge('spare-remote', confirmed).verdict).toBe('settled');
    const battery = wayContext(changed(pot, 'thumb', { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } }), factsOf(pot))!;
    const inner = presser(battery, yes);
    expect(jointOf(inner.context, inner.way)).toMatchObject({ way: 'optocoupler', supplyVolts: 3, pullOhms: 1e5 });
    expect(presser(battery, judge('optocoupler', pot)).way.way).toBe('optocoupler');
    expect(judge('spare-remote', changed(pot, 'sense', { contact: 'none' }), { remote: { has: 'yes', batteryVolts: 3, pullOhms: 1e5 } }).verdict).toBe('tight');
  });
});

describe('a finger over the control', () => {
  it('passes on the extractor’s rocker, whose force and travel were measured', () => {
    const r = judge('finger', rocker);
    expect(r.verdict).toBe('settled');
    // 0.75 N·m at 30 mm against twice 5.5 N.
    expect(of(r, 'force')).toMatchObject({ value: { value: expect.closeTo(25, 6) }, limit: { value: 11 } });
    expect(of(r, 'rocker').value!.value).toBeCloseTo(0.03 * Math.sin((54 * Math.PI) / 180), 9);
    expect(r.press).toMatchObject({ sharesGround: false, input: 'pulses', load: 'servo', peakAmps: 1.8 });
    // The usual force of a rocker is a guess until somebody says that it will do.
    const unmeasured = (given: string[]) => judge('finger', changed(rocker, 'survey', { faces: [] }), { given: [...rocker.thumb.given, ...given] });
    expect(of(unmeasured([]), 'force').verdict).toBe('tight');
    expect(of(unmeasured([]), 'defaults').title).toMatch(/force that it asks for, usual upper end of a rocker/);
    expect(of(unmeasured(['face.forceNewtons', 'face.travelMetres']), 'force')).toMatchObject({ verdict: 'settled', limit: { value: 20 } });
  });
  it('is too weak with a long horn, and its remedy shortens it', () => {
    const long = changed(rocker, 'thumb', { way: 'finger', finger: { ...rocker.thumb.finger, hornMetres: 0.08 } });
    // Force, reach, over-travel and the room for a hand are met together, not one at the cost of another.
    const weak = of(judge('finger', long), 'force');
    expect(weak.verdict).toBe('stop');
    const mended = applyEdit(long, weak.remedy!.edit as never, '2026-03-02T14:00:00Z');
    for (const id of ['force', 'reach', 'over-travel', 'most-force']) expect(of(judge('finger', mended), id).verdict, id).not.toBe('stop');
    expect(of(judge('finger', mended), 'force').verdict).toBe('settled');
  });
  it('that does not reach says at which angle it would, and one that pushes too deep as well', () => {
    const at = (pressDegrees: number) => changed(rocker, 'thumb', { finger: { ...rocker.thumb.finger, pressDegrees } });
    const short = of(judge('finger', at(40)), 'reach');
    expect(short.verdict).toBe('stop');
    expect(of(judge('finger', applyEdit(at(40), short.remedy!.edit as never, '2026-03-02T14:00:00Z')), 'reach').verdict).toBe('settled');
    expect(of(judge('finger', at(75)), 'over-travel').verdict).toBe('stop');
  });
  it('has no tape on a curved front, no room for a hand over the button, and no use on glass', () => {
    const faces = rocker.survey.faces.map((f) => ({ ...f, shape: 'curved' as const }));
    const taped = { finger: { ...rocker.thumb.finger, mount: 'foam-tape' as const } };
    expect(of(judge('finger', rocker, taped, {}, (j) => ({ ...j, survey: { ...j.survey, faces } })), 'front').verdict).toBe('stop');
    // The servo pushes with all of 1 N·m over 30 mm, 33 N, and not with the button's own 11 N: tape tears.
    expect(of(judge('finger', rocker, taped), 'tape').verdict).toBe('stop');
    expect(of(judge('finger', rocker, { picks: { servo: 'servo-strong' }, finger: { ...rocker.thumb.finger, on: 'button', hornMetres: 0.022 } }), 'most-force')).toMatchObject({ verdict: 'stop', limit: { value: 30 } });
    expect(of(judge('finger', changed(rocker, 'act', { script: [{ do: 'press', seconds: 3600 }] })), 'stall-time').verdict).toBe('stop');
    expect(of(judge('finger', rocker, { finger: { ...rocker.thumb.finger, axisMetres: 0.01 } }), 'gap').verdict).toBe('tight');
    expect(judge('finger', rocker, {}, { leading: 'touch-pad' })).toMatchObject({ applies: false, reason: expect.stringContaining('skin') });
    expect(judge('finger', fan).applies).toBe(false);
  });
  it('needs a press long enough for its way there', () => {
    const hasty = changed(rocker, 'act', { script: [{ do: 'press', seconds: 0.1 }] });
    const f = of(judge('finger', hasty), 'dwell');
    expect(f.verdict).toBe('stop');
    expect(of(judge('finger', applyEdit(hasty, f.remedy!.edit as never, '2026-03-02T14:00:00Z')), 'dwell').verdict).toBe('settled');
  });
});

describe('a motor run both ways', () => {
  // Of direct current under 30 V silver breaks its rating, and half of it with a coil in the load: 4 A of 8.
  it('is judged by its stalled current: entered, or supply over winding, twice for two motors', () => {
    expect(of(judge('reverse-motor', shutter), 'stall')).toMatchObject({ value: { value: 2.5 }, limit: { value: 4 }, verdict: 'settled' });
    const plan = shutter.thumb.motor;
    expect(of(judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null, windingOhms: 2 } }), 'stall').value!.value).toBe(6);
    expect(of(judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null, windingOhms: 2, mirrored: true } }), 'stall')).toMatchObject({ value: { value: 12 }, verdict: 'stop' });
    expect(of(judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null } }, { parameters: {} }), 'stall').verdict).toBe('unknown');
    // A motor draws most when it stands.
    expect(judge('reverse-motor', shutter, { motor: { ...plan, runningAmps: 0.9, stallAmps: 0.2 } }).verdict).toBe('unknown');
  });
  it('wants two poles for the double-pole wiring, and another bridge for a strong motor', () => {
    expect(of(judge('reverse-motor', shutter, { picks: { relay: 'relay-power' } }), 'poles').verdict).toBe('stop');
    const bridge = judge('reverse-motor', shutter, { motor: { ...shutter.thumb.motor, wiring: 'bridge' } });
    expect(of(bridge, 'most-volts').verdict).toBe('stop');
    const large = judge('reverse-motor', shutter, { motor: { ...shutter.thumb.motor, wiring: 'bridge' }, picks: { bridge: 'bridge-large' } });
    expect(large.verdict).toBe('settled');
    expect(of(large, 'never-short').title).toMatch(/module’s own logic/);
  });
  it('hands its order on to Act', () => {
    const a = assess(shutter);
    expect(a.findings.filter((f) => f.id.startsWith('act.sequence-')).map((f) => f.title)).toEqual([expect.stringMatching(/First K1, the direction, then .* K2, the power/), expect.stringMatching(/First K2 off, then 0\.4 s|400 ms later K1/)]);
    expect(judge('reverse-motor', pot).applies).toBe(false);
  });
});

describe('a control box and a switched supply', () => {
  it('never call mains work settled, and interlock by wiring with one press', () => {
    const plan = { ...rocker.thumb.motor, runningAmps: 1.2, boxWiring: 'box-plain' as const };
    const plain = changed(rocker, 'thumb', { motor: plan, picks: { 'relay-module': 'module-two' } });
    const r = judge('control-box', plain);
    // Running current does not tell, nor is it known whether a run capacitor puts twice the mains on the open contact.
    expect(r.verdict).toBe('unknown');
    expect(of(r, 'rating').verdict).toBe('unknown');
    expect(of(r, 'volts')).toMatchObject({ verdict: 'unknown', value: { value: 460 }, limit: { value: 250 } });
    expect(of(judge('control-box', changed(plain, 'thumb', { motor: { ...plan, runCapacitor: 'yes' } }), {}, { kind: 'switched-load' }), 'volts').verdict).toBe('stop');
    expect(of(judge('control-box', changed(plain, 'thumb', { motor: { ...plan, stallAmps: 1.5 } }), {}, { kind: 'switched-load' }), 'rating').verdict).toBe('settled');
    const f = of(r, 'never-both');
    expect(f.title).toContain('software alone');
    const mended = judge('control-box', applyEdit(plain, f.remedy!.edit as never, '2026-03-02T14:00:00Z'), {}, { kind: 'switched-load' });
    expect(of(mended, 'never-both').verdict).toBe('settled');
    expect(of(mended, 'licensed').verdict).toBe('tight');
    expect(judge('control-box', shutter).applies).toBe(false);
  });
  it('ask for the power cut to be tried, and are out where it failed', () => {
    expect(judge('switched-supply', pot, { supply: { resumes: 'untested', atRest: 'open' } })).toMatchObject({ verdict: 'unknown', reason: expect.stringContaining('Pull the plug') });
    expect(judge('switched-supply', pot, { supply: { resumes: 'no', atRest: 'open' } }).applies).toBe(false);
    const tried = judge('switched-supply', pot, { supply: { resumes: 'yes', atRest: 'closed' } }, {}, (j) => changed(j, 'guard', { loadWatts: 700 }));
    // Its load is asked for and judged in Guard, against this very contact.
    expect(tried.press.contact).toMatchObject({ amps: 10, inrushAmps: 25 });
    const inGuard = changed(changed(pot, 'thumb', { way: 'switched-supply' }), 'guard', { loadWatts: 700, loadKind: 'resistive' });
    expect(assess(inGuard).findings.find((x) => x.id === 'guard.contact')).toMatchObject({ verdict: 'settled', value: { value: expect.closeTo(700 / 230, 6) } });
    expect(assess(changed(inGuard, 'guard', { loadWatts: null })).findings.find((x) => x.id === 'guard.contact')!.verdict).toBe('unknown');
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
  it('is told apart from a bent one, from two readings and from none', () => {
    const plan = fan.thumb.signal;
    expect(of(judge('drive-signal', fan, { signal: { ...plan, points: [{ step: 1, value: 40 }, { step: 3, value: 210 }, { step: 5, value: 200 }] } }), 'straight').verdict).toBe('tight');
    expect(of(judge('drive-signal', fan, { signal: { ...plan, points: plan.points.slice(0, 2) } }), 'straight').title).toMatch(/third/);
    expect(of(judge('drive-signal', fan, { signal: { ...plan, points: plan.points.slice(0, 1) } }), 'points').verdict).toBe('unknown');
    expect(judge('drive-signal', pot).applies).toBe(false);
  });
  it('as a level is filtered, and amplified where the pin does not reach; both on one wire is no plan', () => {
    const level = { ...fan.thumb.signal, what: 'level' as const, points: [{ step: 0, value: 0 }, { step: 4, value: 4 }, { step: 8, value: 8 }], topStep: 8, highVolts: 10, returnVolts: null };
    const r = judge('drive-signal', fan, { signal: level, given: ['signal.pwmHertz', 'signal.highVolts', 'signal.topStep'] });
    expect(of(r, 'ripple').verdict).toBe('settled');
    // An amplifier of 8 V from the controller's 5 V makes no 8 V.
    expect(of(judge('drive-signal', changed(fan, 'feed', { volts: 5, amps: 1 }), { signal: level }), 'amplifier-fed').verdict).toBe('stop');
    // 5 % resistors must still reach it: 1 + 0.95·R_f/(1.05·R_g) at least.
    expect(of(r, 'amplifier').verdict).toBe('settled');
    const wins = judge('drive-signal', fan, { signal: { ...level, knob: 'highest-wins' } });
    expect(wins.parts.find((p) => p.name === 'Schottky diode')!.quantity).toBe(2);
    expect(wins.wires.filter((w) => w.from === 'old knob')).toHaveLength(1);
    expect(r.parts.map((p) => p.name)).toEqual(expect.arrayContaining(['NPN transistor, driver', 'diode across the coil']));
    expect(of(r, 'amplifier').limit!.value).toBeCloseTo(8 / 2.9, 3);
    expect(r.parts.map((p) => p.name)).toContain('operational amplifier, rail to rail');
    expect(of(judge('drive-signal', fan, { signal: { ...level, knob: 'parallel' } }), 'knob').verdict).toBe('stop');
  });
});

describe('a motor on the hand mechanism', () => {
  it('carries the shutter with a worm gear, and not with a small stepper', () => {
    const worm = judge('hand-mechanism', shutter);
    // 3.5 kg · 9.80665 · 20.1 mm = 0.69 N·m against a third of 2.5 N·m.
    expect(of(worm, 'torque')).toMatchObject({ value: { value: expect.closeTo(0.69, 2) }, limit: { value: expect.closeTo(2.5 / 3, 6) }, verdict: 'settled' });
    const stepper = judge('hand-mechanism', shutter, { hand: { ...shutter.thumb.hand, motor: 'stepper', rewired: true } });
    expect(of(stepper, 'torque').verdict).toBe('stop');
    expect(of(stepper, 'driver')).toMatchObject({ verdict: 'tight', remedy: { text: expect.stringContaining('70.7 mA') } });
    expect(of(judge('hand-mechanism', shutter, { hand: { ...shutter.thumb.hand, motor: 'stepper', rewired: true }, picks: { stepper: 'stepper-four' } }), 'tap').verdict).toBe('stop');
  });
  it('reads its fits off the caliper, and falls back without a worm', () => {
    expect(of(judge('hand-mechanism', shutter), 'fit-0')).toMatchObject({ verdict: 'settled', title: expect.stringMatching(/slides in/) });
    expect(of(judge('hand-mechanism', shutter, { hand: { ...shutter.thumb.hand, fits: [{ inner: 'crank', outer: 'gone' }] } }), 'fit-0').verdict).toBe('unknown');
    expect(of(judge('hand-mechanism', shutter, { picks: { 'gear-motor': 'gear-spur' } }), 'holds').verdict).toBe('tight');
    expect(judge('hand-mechanism', pot).applies).toBe(false);
  });
});

describe('own parts', () => {
  it('that cannot be are said and not reckoned with, whoever wrote them into the job', () => {
    const { coilOhms: _gone, ...rest } = takenPart(pot, 'relay').values;
    for (const values of [rest, { ...rest, coilOhms: [0, 0, 0] as [number, number, number] }]) {
      const job = changed(pot, 'thumb', { way: 'relay-contact', resistorOhms: null, parts: [{ id: 'bad', kind: 'relay', name: 'from a torn sheet', values }], picks: { relay: 'bad' } });
      const a = assess(job);
      const f = a.findings.find((x) => x.id === 'thumb.part-0')!;
      expect(f).toMatchObject({ verdict: 'stop', title: expect.stringMatching(/from a torn sheet cannot be: coil resistance (is missing|lies between)/) });
      // The class that ships stands in, and no margin rests on what is no number.
      expect(takenPart(job, 'relay').id).toBe('relay-power');
      for (const w of a.ways) for (const x of w.findings) if (x.value) expect(Number.isNaN(x.value.value), x.id).toBe(false);
      const mended = applyEdit(job, f.remedy!.edit as never, '2026-03-02T14:00:00Z');
      expect(assess(mended).findings.some((x) => x.id === 'thumb.part-0')).toBe(false);
    }
  });

  it('move every margin that they stand in, and say that they are the maker’s', () => {
    const part = { id: 'mine', kind: 'solid-state-relay' as const, name: 'mine', values: { ...takenPart(pot, 'solid-state-relay').values, operateAmps: [6e-3, 6e-3, 6e-3] as [number, number, number] } };
    const r = judge('solid-state-relay', pot, { parts: [part], picks: { 'solid-state-relay': 'mine' }, resistorOhms: null });
    expect(of(r, 'led').limit).toMatchObject({ value: 6e-3, origin: { from: 'maker' } });
    // (2.9 − 1.55) V over 8 mA is 169 Ω, /1.05: the next E12 value below, 150 Ω.
    expect(r.press.resistorOhms).toBe(150);
    expect(boundsOf(takenPart(pot, 'solid-state-relay'), 'operateAmps').nominal).toBe(3e-3);
  });
});
