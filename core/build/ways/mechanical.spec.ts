import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import { edited, type Job } from '../../ground/job';
import { changed, pressed, scripted } from '../../testing/jobs';
import { fan, judge, of, pot, rocker, shutter } from '../../testing/judge-way';

describe('a finger over the control', () => {
  it('passes on the extractor’s rocker, whose force and travel were measured', () => {
    const r = judge('finger', rocker);
    expect(r.verdict).toBe('settled');
    // 0.75 N·m at 30 mm against twice 5.5 N.
    expect(of(r, 'force')).toMatchObject({ value: { value: expect.closeTo(25, 6) }, limit: { value: 11 } });
    expect(of(r, 'rocker').value!.value).toBeCloseTo(0.03 * Math.sin((54 * Math.PI) / 180), 9);
    expect(r.press).toMatchObject({ sharesGround: false, input: 'pulses', draws: [{ name: 'servo', runAmps: 1.8 }] });
    // The usual force of a rocker is a guess until somebody says that it will do.
    const unmeasured = (given: string[]) =>
      judge('finger', changed(rocker, 'survey', { faces: [] }), { given: [...rocker.presses[0]!.given, ...given] });
    expect(of(unmeasured([]), 'force').verdict).toBe('tight');
    expect(of(unmeasured([]), 'defaults').title).toMatch(/force that it asks for, usual upper end of a rocker/);
    expect(of(unmeasured(['face.forceNewtons', 'face.travelMetres']), 'force')).toMatchObject({
      verdict: 'settled',
      limit: { value: 20 },
    });
  });
  it('is too weak with a long horn, and its remedy shortens it', () => {
    const long = pressed(rocker, { way: 'finger', finger: { ...rocker.presses[0]!.finger, hornMetres: 0.08 } });
    // Force, reach, over-travel and the room for a hand are met together, not one at the cost of another.
    const weak = of(judge('finger', long), 'force');
    expect(weak.verdict).toBe('stop');
    const mended = edited(long, weak.remedy!.edit!, '2026-03-02T14:00:00Z');
    for (const id of ['force', 'reach', 'over-travel', 'most-force'])
      expect(of(judge('finger', mended), id).verdict, id).not.toBe('stop');
    expect(of(judge('finger', mended), 'force').verdict).toBe('settled');
  });
  it('that does not reach says at which angle it would, and one that pushes too deep as well', () => {
    const at = (pressDegrees: number) => pressed(rocker, { finger: { ...rocker.presses[0]!.finger, pressDegrees } });
    const short = of(judge('finger', at(40)), 'reach');
    expect(short.verdict).toBe('stop');
    expect(of(judge('finger', edited(at(40), short.remedy!.edit!, '2026-03-02T14:00:00Z')), 'reach').verdict).toBe(
      'settled',
    );
    expect(of(judge('finger', at(75)), 'over-travel').verdict).toBe('stop');
  });
  it('has no tape on a curved front, no room for a hand over the button, and no use on glass', () => {
    const faces = rocker.survey.faces.map((f) => ({ ...f, shape: 'curved' as const }));
    const taped = { finger: { ...rocker.presses[0]!.finger, mount: 'foam-tape' as const } };
    expect(
      of(
        judge('finger', rocker, taped, {}, (j) => ({ ...j, survey: { ...j.survey, faces } })),
        'front',
      ).verdict,
    ).toBe('stop');
    // The servo pushes with all of 1 N·m over 30 mm, 33 N, and not with the button's own 11 N: tape tears.
    expect(of(judge('finger', rocker, taped), 'tape').verdict).toBe('stop');
    expect(
      of(
        judge('finger', rocker, {
          picks: { servo: 'servo-strong' },
          finger: { ...rocker.presses[0]!.finger, on: 'button', hornMetres: 0.022 },
        }),
        'most-force',
      ),
    ).toMatchObject({ verdict: 'stop', limit: { value: 30 } });
    expect(of(judge('finger', scripted(rocker, [{ do: 'press', seconds: 3600 }])), 'stall-time').verdict).toBe('stop');
    expect(
      of(judge('finger', rocker, { finger: { ...rocker.presses[0]!.finger, axisMetres: 0.01 } }), 'gap').verdict,
    ).toBe('tight');
    expect(judge('finger', rocker, {}, { leading: 'touch-pad' })).toMatchObject({
      applies: false,
      reason: expect.stringContaining('skin'),
    });
    expect(judge('finger', fan).applies).toBe(false);
  });
  // Every remedy of force, reach and over-travel is taken, over buttons and both halves of rockers, from 0.5 to 20 N: nothing of the
  // finger is stopped after it but what a person must move. Where no servo does it, that is said without a button.
  it('gets a servo, a horn, angles and a hold that meet everything together, where any servo here does', () => {
    let [taken, none] = [0, 0];
    const moved = ['gap', 'dwell', 'front'];
    for (const on of ['button', 'rocker'] as const)
      for (const forceNewtons of [0.5, 1.5, 3.4, 8, 20])
        for (const axisMetres of [0.012, 0.02, 0.045])
          for (const servo of ['servo-micro', 'servo-metal', 'servo-standard', 'servo-strong']) {
            const faces = rocker.survey.faces.map((f) => ({ ...f, forceNewtons, travelMetres: 3e-3 }));
            const otherDegrees = on === 'rocker' ? -40 : null;
            const job = pressed(
              { ...changed(rocker, 'survey', { faces }), bench: { ...rocker.bench, picks: { servo } } },
              {
                finger: {
                  ...rocker.presses[0]!.finger,
                  ...{ on, otherDegrees, axisMetres, mount: 'foam-tape', padLengthMetres: 0.03, restDegrees: 0 },
                },
              },
            );
            const stops = (j: Job) =>
              judge('finger', j).findings.filter(
                (f) => f.verdict === 'stop' && !moved.some((m) => f.id === `thumb.finger.${m}`),
              );
            const remedy = ['force', 'most-force', 'reach', 'over-travel'].flatMap((id) => {
              const f = of(judge('finger', job), id);
              return f.verdict === 'stop' ? [f.remedy!] : [];
            })[0];
            if (!remedy) continue;
            if (!remedy.edit) none++;
            else {
              taken++;
              const left = stops(edited(job, remedy.edit, '2026-03-02T14:00:00Z')).map((f) => f.id);
              expect(left, `${on} ${forceNewtons} N ${axisMetres} m ${servo}: ${remedy.label}`).toEqual([]);
            }
          }
    expect(taken).toBeGreaterThan(50);
    expect(none).toBeLessThan(taken);
  });
  it('needs a press long enough for its way there', () => {
    const hasty = scripted(rocker, [{ do: 'press', seconds: 0.1 }]);
    const f = of(judge('finger', hasty), 'dwell');
    expect(f.verdict).toBe('stop');
    expect(of(judge('finger', edited(hasty, f.remedy!.edit!, '2026-03-02T14:00:00Z')), 'dwell').verdict).toBe(
      'settled',
    );
  });
});

describe('a motor run both ways', () => {
  // Of direct current under 30 V silver breaks its rating, and half of it with a coil in the load: 4 A of 8.
  it('is judged by its stalled current: entered, or supply over winding, twice for two motors', () => {
    expect(of(judge('reverse-motor', shutter), 'stall')).toMatchObject({
      value: { value: 2.5 },
      limit: { value: 4 },
      verdict: 'settled',
    });
    const plan = shutter.presses[0]!.motor;
    expect(
      of(judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null, windingOhms: 2 } }), 'stall').value!
        .value,
    ).toBe(6);
    expect(
      of(
        judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null, windingOhms: 2, mirrored: true } }),
        'stall',
      ),
    ).toMatchObject({ value: { value: 12 }, verdict: 'stop' });
    expect(
      of(judge('reverse-motor', shutter, { motor: { ...plan, stallAmps: null } }, { parameters: {} }), 'stall').verdict,
    ).toBe('unknown');
    // A motor draws most when it stands.
    expect(judge('reverse-motor', shutter, { motor: { ...plan, runningAmps: 0.9, stallAmps: 0.2 } }).verdict).toBe(
      'unknown',
    );
  });
  it('wants two poles for the double-pole wiring, and another bridge for a strong motor', () => {
    expect(of(judge('reverse-motor', shutter, { picks: { relay: 'relay-power' } }), 'poles').verdict).toBe('stop');
    const bridge = judge('reverse-motor', shutter, { motor: { ...shutter.presses[0]!.motor, wiring: 'bridge' } });
    expect(of(bridge, 'most-volts').verdict).toBe('stop');
    const large = judge('reverse-motor', shutter, {
      motor: { ...shutter.presses[0]!.motor, wiring: 'bridge' },
      picks: { bridge: 'bridge-large' },
    });
    expect(large.verdict).toBe('settled');
    expect(of(large, 'never-short').title).toMatch(/module’s own logic/);
  });
  it('hands its order on to Act', () => {
    const a = assess(shutter);
    expect(a.findings.filter((f) => f.id.startsWith('act.sequence-')).map((f) => f.title)).toEqual([
      expect.stringMatching(/First K1, the direction, then .* K2, the power/),
      expect.stringMatching(/First K2 off, then 0\.4 s|400 ms later K1/),
    ]);
    expect(judge('reverse-motor', pot).applies).toBe(false);
    // Where nobody timed the coast of the motor, what rests on it is tight, and the contact's own time is settled.
    const order = (job: Job): string[] =>
      assess(job)
        .findings.filter((f) => f.id.startsWith('act.sequence-'))
        .map((f) => f.verdict);
    const untimed = pressed(shutter, { given: [] });
    expect(order(shutter)).toEqual(['settled', 'settled']);
    expect(order(untimed)).toEqual(['settled', 'tight']);
    const remedy = assess(untimed).findings.find((f) => f.id === 'act.sequence-1')!.remedy!;
    expect(order(edited(untimed, remedy.edit!, '2026-03-02T14:00:00Z'))).toEqual(['settled', 'settled']);
    expect(order({ ...shutter, board: { ...shutter.board, pins: [] } })).toEqual(['unknown', 'unknown']);
  });
});

describe('a motor on the hand mechanism', () => {
  it('carries the shutter with a worm gear, and not with a small stepper', () => {
    const worm = judge('hand-mechanism', shutter);
    // 3.5 kg · 9.80665 · 20.1 mm = 0.69 N·m against a third of 2.5 N·m.
    expect(of(worm, 'torque')).toMatchObject({
      value: { value: expect.closeTo(0.69, 2) },
      limit: { value: expect.closeTo(2.5 / 3, 6) },
      verdict: 'settled',
    });
    const stepper = judge('hand-mechanism', shutter, {
      hand: { ...shutter.presses[0]!.hand, motor: 'stepper', rewired: true },
    });
    expect(of(stepper, 'torque').verdict).toBe('stop');
    expect(of(stepper, 'driver')).toMatchObject({
      verdict: 'tight',
      remedy: { text: expect.stringContaining('70.7 mA') },
    });
    expect(
      of(
        judge('hand-mechanism', shutter, {
          hand: { ...shutter.presses[0]!.hand, motor: 'stepper', rewired: true },
          picks: { stepper: 'stepper-four' },
        }),
        'tap',
      ).verdict,
    ).toBe('stop');
  });
  it('reads its fits off the caliper, and falls back without a worm', () => {
    expect(of(judge('hand-mechanism', shutter), 'fit-0')).toMatchObject({
      verdict: 'settled',
      title: expect.stringMatching(/slides in/),
    });
    expect(
      of(
        judge('hand-mechanism', shutter, {
          hand: { ...shutter.presses[0]!.hand, fits: [{ inner: 'crank', outer: 'gone' }] },
        }),
        'fit-0',
      ).verdict,
    ).toBe('unknown');
    expect(of(judge('hand-mechanism', shutter, { picks: { 'gear-motor': 'gear-spur' } }), 'holds').verdict).toBe(
      'tight',
    );
    expect(judge('hand-mechanism', pot).applies).toBe(false);
  });
});
