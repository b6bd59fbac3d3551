import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited } from '../../ground/job';
import { boundsOf, takenPart } from '../../engines/parts';
import { contextIn, demoJob, fed, pressed, waysOf } from '../../testing/jobs';
import { evaluateWay } from '.';
import { factsOf, judge, of, pot, proofer } from '../../testing/judge-way';

describe('a relay module on a 3.3 V pin', () => {
  // 5.25 V − 2.9 V = 2.35 V stay under two warm LEDs' 2.46 V, barely, and over a bare junction's 0.48 V: that relay never lets go.
  it('lets go behind two LEDs, and never behind a bare transistor', () => {
    const leds = judge('relay-module', pot, { picks: { 'relay-module': 'module-leds' } });
    expect(of(leds, 'off')).toMatchObject({
      verdict: 'tight',
      value: { value: expect.closeTo(2.35, 6) },
      limit: { value: expect.closeTo(2.46, 6) },
    });
    // A supply a twentieth low and cold LEDs: (4.75 − 3.5) V over 1 kΩ.
    expect(of(leds, 'on').value!.value).toBeCloseTo(1.25e-3, 6);
    expect(leds.press.deadRailCloses).toBe(true);
    const bare = judge('relay-module', pot, { picks: { 'relay-module': 'module-base' } });
    expect(of(bare, 'off').verdict).toBe('stop');
    expect(bare.verdict).toBe('stop');
  });
  it('is mended by the module that its remedy names, which presses on high', () => {
    const stuck = pressed(pot, { way: 'relay-module', picks: { 'relay-module': 'module-base' } });
    const remedy = of(judge('relay-module', stuck), 'off').remedy!;
    const mended = judge('relay-module', edited(stuck, remedy.edit!, '2026-03-02T14:00:00Z'));
    expect(mended.findings.some((f) => f.id.endsWith('.off'))).toBe(false);
    // (2.9 − 0.75 − 0.05 when cold) V over 1 kΩ.
    expect(of(mended, 'on').value!.value).toBeCloseTo(2.1e-3, 6);
    expect(mended.press.deadRailCloses).toBe(false);
    expect(mended.press).toMatchObject({
      pressesOn: 'high',
      draws: [{ volts: { nominal: 5 }, runAmps: 0.071 }],
    });
    expect(judge('relay-module', pot).press.pressesOn).toBe('low');
  });
});

describe('an analogue switch', () => {
  // 0.7 · 5.03 V = 3.52 V is more than a 3.3 V pin gives.
  it('inside a 5 V supply wants a control level that a 3.3 V pin does not give, inside 3.3 V one that it does', () => {
    expect(of(judge('analogue-switch', pot), 'control')).toMatchObject({
      verdict: 'stop',
      limit: { value: expect.closeTo(3.52, 1) },
    });
    const alarm = demoJob('cold-room-alarm');
    expect(of(judge('analogue-switch', alarm), 'control').verdict).not.toBe('stop');
  });
  it('has nothing to do with a loop of which no rail is known', () => {
    expect(judge('analogue-switch', demoJob('yard-gate'))).toMatchObject({
      applies: false,
      reason: expect.stringContaining('no rail'),
    });
  });
  it('bears no supply beyond its own', () => {
    expect(
      of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-low' } }), 'most').limit!.value,
    ).toBe(5.5);
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
    const quick = judge('strobe-answer', proofer, {
      given: ['scan.medianSeconds', 'scan.mostSeconds', 'scan.leadSeconds', 'scan.holdSeconds'],
      scan: { ...proofer.presses[0]!.scan, medianSeconds: 20e-6, mostSeconds: 60e-6, leadSeconds: 0.1e-3 },
    });
    expect(of(quick, 'seen').verdict).toBe('settled');
  });
  // Rows times columns of the decoded pad: four strobes and three senses.
  it('want no timing of a closed contact, one per key, or a crosspoint that holds the whole pad', () => {
    expect(of(judge('solid-state-relay', proofer), 'per-key').title).toMatch(/no timing at all/);
    expect(judge('solid-state-relay', pot).findings.some((f) => f.id.endsWith('.per-key'))).toBe(false);
    expect(
      of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-cross' } }), 'crossings'),
    ).toMatchObject({ value: { value: 12 }, limit: { value: 64 }, verdict: 'settled' });
    expect(
      of(judge('analogue-switch', proofer, { picks: { 'analogue-switch': 'switch-cmos' } }), 'crossings'),
    ).toMatchObject({ value: { value: 1 }, limit: { value: 4 } });
    const many = {
      ...proofer,
      controls: [1, 2].map((i) => ({
        ...proofer.controls[0]!,
        id: i === 1 ? proofer.controls[0]!.id : 'second',
        name: `key ${i}`,
      })),
    };
    const c = contextIn(many, {
      ...factsOf(proofer),
      controls: { ...factsOf(proofer).controls, second: factsOf(proofer).controls['control-warm']! },
    });
    expect(evaluateWay('solid-state-relay', c).findings.find((f) => f.id.endsWith('.per-key'))!.title).toMatch(
      /2 keys of this job want 2/,
    );
  });
  it('take no harm from a side without power', () => {
    const logic = judge('logic-injector', proofer);
    // (3.4 V − 0.6 V) / 9.5 kΩ into dead logic; behind 10 kΩ and 100 kΩ to ground 2.9 V leave 2.64 V, of 0.7 · 3.4 V wanted.
    expect(of(logic, 'dead-machine').value!.value).toBeCloseTo(2.8 / 9.5e3, 8);
    expect(of(logic, 'select').value!.value).toBeCloseTo((2.9 * 100) / 110, 6);
    expect(logic.wires.slice(-2).map((w) => w.from)).toEqual(['pad supply', 'pad ground']);
    // Dead pins hold the lines of a pad that is on, unless both hang on one rail that is always there.
    expect(of(judge('strobe-answer', proofer), 'dead-level').verdict).toBe('stop');
    const onRail = fed(proofer, { kind: 'rail', rail: 'logic' });
    const strobe = evaluateWay('strobe-answer', contextIn(onRail, factsOf(proofer)));
    expect(of(strobe, 'dead-side').verdict).toBe('settled');
    expect(strobe.findings.some((f) => f.id.endsWith('.dead-level'))).toBe(false);
    const falls = {
      ...onRail,
      survey: { ...onRail.survey, rails: onRail.survey.rails.map((r) => ({ ...r, whileIdle: false })) },
    };
    expect(of(evaluateWay('strobe-answer', contextIn(falls, factsOf(proofer))), 'dead-level').verdict).toBe('stop');
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

describe('own parts', () => {
  it('that cannot be are said and not reckoned with, whoever wrote them into the job', () => {
    const { coilOhms: _gone, ...rest } = takenPart(pot, 'relay').values;
    for (const values of [rest, { ...rest, coilOhms: [0, 0, 0] as [number, number, number] }]) {
      const job = pressed(pot, {
        way: 'relay-contact',
        resistorOhms: null,
        parts: [{ id: 'bad', kind: 'relay', name: 'from a torn sheet', values }],
        picks: { relay: 'bad' },
      });
      const a = assess(job);
      const f = a.findings.find((x) => x.id === 'thumb.part-0')!;
      expect(f).toMatchObject({
        verdict: 'stop',
        title: expect.stringMatching(/from a torn sheet cannot be: coil resistance (is missing|lies between)/),
      });
      // The class that ships stands in, and no margin rests on what is no number.
      expect(takenPart(job, 'relay').id).toBe('relay-power');
      for (const w of waysOf(job, a))
        for (const x of w.findings) if (x.value) expect(Number.isNaN(x.value.value), x.id).toBe(false);
      const mended = edited(job, f.remedy!.edit!, '2026-03-02T14:00:00Z');
      expect(assess(mended).findings.some((x) => x.id === 'thumb.part-0')).toBe(false);
    }
  });

  it('move every margin that they stand in, and say that they are the maker’s', () => {
    const part = {
      id: 'mine',
      kind: 'solid-state-relay' as const,
      name: 'mine',
      values: {
        ...takenPart(pot, 'solid-state-relay').values,
        operateAmps: [6e-3, 6e-3, 6e-3] as [number, number, number],
      },
    };
    const r = judge('solid-state-relay', pot, {
      parts: [part],
      picks: { 'solid-state-relay': 'mine' },
      resistorOhms: null,
    });
    expect(of(r, 'led').limit).toMatchObject({ value: 6e-3, origin: { from: 'maker' } });
    // (2.9 − 1.55) V over 8 mA is 169 Ω, /1.05: the next E12 value below, 150 Ω.
    expect(r.press.resistorOhms).toBe(150);
    expect(boundsOf(takenPart(pot, 'solid-state-relay'), 'operateAmps').nominal).toBe(3e-3);
  });
});
