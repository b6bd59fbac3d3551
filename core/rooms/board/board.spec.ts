import { describe, expect, it } from 'vitest';
import { assess } from '../../house/assess';
import type { PressFact } from '../../ground/facts';
import { edited, freshHand } from '../../ground/job';
import { changed, demoJob, fed, findingOf, machined, onPin, pressed } from '../../testing/jobs';
import { linesOf, type Line } from '../../build/lines';
import { assignPins, contactOver, pinFit, longestClosed, pinAt, SHIPPED_BOARDS } from '.';

const profile = SHIPPED_BOARDS[0]!;
const pin = (gpio: number) => pinAt(profile, gpio)!;
/** The line of a press on its first pin. */
const lineOf = (press: PressFact): Line => linesOf(demoJob('yard-gate'), [press])[0]!;
const base: PressFact = {
  id: 'press',
  name: 'gate',
  control: 'control-gate',
  pins: [{ end: 'pin', part: '', direction: 'out', sort: 'level', acts: true }],
  pullDown: false,
  way: 'relay-contact',
  verdict: 'settled',
  pulses: null,
  sharesGround: false,
  galvanicallyApart: true,
  turnOnVolts: 0.4,
  turnOnAmps: 5e-6,
  holdOhms: null,
  pinAmps: 5e-3,
  draws: [],
  resistorOhms: 270,
  input: 'level',
  pressesOn: 'high',
  outputs: 1,
  select: null,
  sequence: [],
  contact: null,
  mains: false,
  deadRailCloses: false,
  applies: true,
  latchSeconds: 0,
  jerks: false,
};
const led: PressFact = { ...base, way: 'optocoupler', turnOnVolts: 1, turnOnAmps: 100e-6 };
const low: PressFact = { ...base, way: 'relay-module', pressesOn: 'low' };
const mosfet: PressFact = { ...base, way: 'nmos-to-ground', turnOnVolts: 0.4, turnOnAmps: 6e-6, holdOhms: 100e3 };
const closedFor = (gpio: number, press: PressFact, pullDown = false): number =>
  longestClosed(contactOver(pin(gpio), press, pullDown, profile), 'closed');

describe('the contact while the controller wakes', () => {
  it('closes for a tenth of a second behind a transistor on a weakly high pin', () => {
    expect(closedFor(12, base)).toBeCloseTo(0.1, 9);
  });

  // 3.3 V · 3.3k/(3.3k + 30k) = 0.33 V, under the 0.4 V that hold any driver off; 10 kΩ would leave 0.83 V of the strongest pull-up.
  it('stays open with a pull-down, or behind an LED that the weak pull-up cannot feed', () => {
    expect(closedFor(12, base, true)).toBe(0);
    expect(closedFor(12, led)).toBe(0);
    expect(contactOver(pin(12), base, true, profile)[1]!.why).toMatch(/0\.33 V/);
    // A sensitive optocoupler passes enough at (3.3 − 1) V / 30 kΩ = 77 µA.
    expect(closedFor(12, { ...led, turnOnAmps: 25e-6 })).toBeCloseTo(0.1, 9);
  });

  // 3.3 V · 100k/(100k + 30k) = 2.5 V lifts a gate; with 3.3 kΩ beside it 3.3 V · 3.19k/(3.19k + 30k) = 0.32 V does not.
  it('stays open on a floating pin where the gate has a resistor of its own, which a weak pull-up still lifts', () => {
    const maybe = (press: PressFact): number => longestClosed(contactOver(pin(5), press, false, profile), 'maybe');
    expect(maybe(base)).toBeGreaterThan(0);
    expect(maybe(mosfet)).toBe(0);
    expect(closedFor(12, mosfet)).toBeCloseTo(0.1, 9);
    expect(closedFor(12, mosfet, true)).toBe(0);
  });

  it('is closed all the while on a high pin, and on a low one for a driver that presses on low', () => {
    expect(closedFor(16, base)).toBeCloseTo(0.35, 9);
    expect(closedFor(15, base)).toBe(0);
    expect(closedFor(15, low)).toBeCloseTo(0.35, 9);
    expect(closedFor(5, low)).toBe(0);
  });

  it('may close while a transistor floats', () => {
    expect(contactOver(pin(5), base, false, profile)[0]!.contact).toBe('maybe');
    expect(contactOver(pin(5), base, true, profile)[0]!.contact).toBe('open');
    expect(contactOver(pin(5), led, false, profile)[0]!.contact).toBe('open');
  });
});

describe('judging pins', () => {
  const gate = demoJob('yard-gate');

  it('stops the gate on pin 12 and mends it with one press', () => {
    const f = findingOf(gate, 'board.press-pin');
    expect(f).toMatchObject({ verdict: 'stop', caption: 'pin 12 twitches' });
    expect(f.title).toMatch(/907 ms at power-up.*the one-shot holds it/);
    expect(findingOf(edited(gate, f.remedy!.edit!, '2026-03-02T14:00:00Z'), 'board.press-pin').verdict).toBe('settled');
  });

  it('calls a twitch tight where the machine overlooks it', () => {
    const slow = machined(gate, { shortestPressSeconds: 0.4 });
    // Of 100 ms by itself; a one-shot makes a whole press of them.
    expect(findingOf(slow, 'board.press-pin').verdict).toBe('stop');
    expect(findingOf(changed(slow, 'guard', { cutOff: 'none' }), 'board.press-pin')).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('for 100 ms at power-up'),
    });
  });

  it.each([
    [0, /may not start/],
    [7, /taken/],
    [1, /closes the contact/],
  ])('stops pin %i', (gpio, why) => {
    const fit = pinFit(lineOf(base), pin(gpio), gate, profile);
    expect(fit.verdict).toBe('stop');
    expect(fit.title).toMatch(why);
  });

  it('places a press on a still pin and leaves used ones alone', () => {
    const arm = { ...freshHand('arm', 'arm switch'), kind: 'arm' as const };
    const job = onPin({ ...gate, hands: [arm], board: { ...gate.board, pins: [] } }, 5, 'arm');
    const done = assignPins(job, linesOf(job, [{ ...base, id: job.presses[0]!.id, pullDown: true }]), profile);
    expect(done).toMatchObject({ ok: true });
    if (!done.ok) return;
    expect(done.pins.find((p) => p.line === 'arm')!.gpio).toBe(5);
    expect([4, 12, 13, 14]).toContain(done.pins.find((p) => p.line !== 'arm')!.gpio);
  });

  it('wants a pull-up for a contact, and one job for one pin', () => {
    const pot = demoJob('rice-pot');
    expect(findingOf(onPin(pot, 16, 'arm'), 'board.pin.arm').verdict).toBe('stop');
    expect(findingOf(onPin(pot, 5, 'arm'), 'board.pin.arm').title).toMatch(/two jobs/);
    expect(findingOf(onPin(pot, 2, pot.senses[0]!.id), `board.pin.${pot.senses[0]!.id}`).verdict).toBe('tight');
    expect(findingOf(onPin(pot, null, 'arm'), 'board.pin.arm').verdict).toBe('unknown');
    expect(findingOf(changed(pot, 'board', { profile: 'mystery' }), 'board.profile').verdict).toBe('stop');
  });
});

describe('ways that a level does not press', () => {
  const pulses: PressFact = { ...base, way: 'finger', input: 'pulses', pressesOn: 'high' };
  it('are not pressed by a weak or a high pin at power-up, and may be by one that toggles', () => {
    expect(closedFor(12, pulses)).toBe(0);
    expect(contactOver(pin(1), pulses, false, profile).some((s) => s.contact === 'maybe')).toBe(true);
  });

  it('may jerk, where they are a servo, whatever the pin does', () => {
    const servo: PressFact = { ...pulses, jerks: true };
    expect(contactOver(pin(5), servo, true, profile).every((s) => s.contact === 'maybe')).toBe(true);
    expect(findingOf(demoJob('extractor-rocker'), 'board.press-pin')).toMatchObject({
      verdict: 'tight',
      caption: 'servo may jerk',
    });
  });

  // The module's LEDs of 2.6 V and a clamp of 0.6 V leave 1.8 mA of 5 V through 1 kΩ while the controller's rail is
  // dead: it pulls in from 0.8 mA on.
  it('are pressed by a module that is fed before its controller, for as long as that rail is late', () => {
    const onLow: PressFact = { ...low, deadRailCloses: true };
    expect(closedFor(5, onLow)).toBeCloseTo(0.02, 9);
    const pulled = pressed(demoJob('rice-pot'), { way: 'relay-module' });
    // A resistor to ground presses what presses on low, and is taken away.
    expect(findingOf(pulled, 'board.press-pin')).toMatchObject({
      verdict: 'stop',
      remedy: { label: 'Take the resistor away' },
    });
    const job = pressed(pulled, { pullDown: false });
    expect(findingOf(job, 'board.press-pin')).toMatchObject({
      verdict: 'tight',
      title: expect.stringContaining('dead rail'),
    });
    expect(findingOf(machined(job, { shortestPressSeconds: 0.01 }), 'board.press-pin').verdict).toBe('stop');
    expect(findingOf(machined(job, { shortestPressSeconds: null }), 'board.press-pin').verdict).toBe('unknown');
  });

  it('tell of every output that they take', () => {
    const shutter = demoJob('hatch-shutter');
    const job = onPin({ ...shutter, board: { ...shutter.board, pins: [] } }, 5);
    expect(assess(job).lines.filter((l) => l.of === 'press')).toHaveLength(2);
    expect(findingOf(job, 'board.lines').title).toMatch(/lines have no pin yet: .* K2/);
  });
});

describe('what a servo asks of its supply', () => {
  it('is its stalled current at the peak', () => {
    const rocker = demoJob('extractor-rocker');
    // 0.4 A in bursts of the module and 1.8 A of the stalled servo, of 3 A less a fifth.
    expect(findingOf(rocker, 'feed.peak')).toMatchObject({
      value: { value: expect.closeTo(2.2, 1) },
      limit: { value: expect.closeTo(2.4, 6) },
      verdict: 'tight',
    });
    expect(findingOf(fed(rocker, { amps: 1 }), 'feed.peak').verdict).toBe('stop');
    expect(findingOf(fed(rocker, { volts: 12 }), 'feed.high@rocker')).toMatchObject({
      verdict: 'stop',
      limit: { value: expect.closeTo(6, 6) },
    });
  });
});
