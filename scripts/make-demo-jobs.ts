// Writes the Marrow Street Kitchen jobs into demo/. All names and readings are invented.
import { writeFileSync } from 'node:fs';
import { readCapture } from '../core/capture';
import { applyEdit, BENCH_MAINS, freshFace, freshJob, freshRail, freshThumb, jobText, readNoteLine, type FreshWish, type Job, type JobEdit, type Keypad, type Survey } from '../core/job';
import { isolationOf, nextFor, surveyOf, takenFrom } from '../core/probe';
import { seededRandom } from '../core/quantity';
import { decodeKeypad, type LabelledTiming } from '../core/scan';
import { basisOf } from '../core/try';
import { buildFor, padCapture, PROOFER_PAD, STANDINS } from '../core/standin';

class Maker {
  private job: Job;
  private minute = 0;

  constructor(id: string, wish: FreshWish, private readonly day: string) {
    this.job = freshJob({ place: 'Marrow Street Kitchen', ...wish }, id, this.now());
  }

  private now(): string {
    const t = 14 * 60 + this.minute++;
    return `${this.day}T${String(Math.floor(t / 60)).padStart(2, '0')}:${String(t % 60).padStart(2, '0')}:00Z`;
  }

  edit(...edits: JobEdit[]): this {
    for (const e of edits) this.job = applyEdit(this.job, e, this.now());
    return this;
  }

  say(...lines: string[]): this {
    for (const line of lines) {
      const now = this.now();
      const u = readNoteLine(line, this.job, { id: `${this.job.id}-r${this.job.readings.length + 1}`, now });
      if (!u.ok) throw new Error(`${line}: ${u.message}`);
      this.job = applyEdit(this.job, u.edit, now);
    }
    return this;
  }

  /** Follows Probe's own proposals on the stand-in until nothing is worth another touch. */
  measure(model: string, control: string, seed: number): this {
    const standin = STANDINS[model]!;
    const random = seededRandom(seed);
    const id = `control-${control}`;
    this.edit({ do: 'change', section: 'standin', set: { model, seed }, say: `the ${standin.name} stands in` });
    if (this.job.survey.mains.feed === 'unknown') this.survey({ mains: BENCH_MAINS }, 'a plug that goes in either way round, its main switch closed while ohms are read, earth at the pin');
    if (!this.job.controls.some((c) => c.id === id)) this.say(`control ${control}`);
    for (let n = 0; n < 24; n++) {
      const next = nextFor(this.job, surveyOf(this.job, id));
      if (!next) break;
      const reading = takenFrom({ build: buildFor(standin, control), faults: standin.faults }, next, `${this.job.id}-r${this.job.readings.length + 1}`, this.now(), random);
      this.edit({ do: 'add-reading', reading, say: `${control}: ${next.title}, from the stand-in` });
    }
    if (isolationOf(this.job, id).verdict === 'unknown') throw new Error(`${control} is not surveyed to the end`);
    return this;
  }

  survey(set: Partial<Survey>, say: string): this {
    return this.edit({ do: 'change', section: 'survey', set, say });
  }

  tick(...steps: string[]): this {
    return this.edit(...steps.map((step): JobEdit => ({ do: 'tick', step, title: step.replace(/^dead-/, '').replace(/-/g, ' '), on: true })));
  }

  tried(step: string, count: number, observed: string, on: 'hand' | 'standin' = 'hand'): this {
    const now = this.now();
    return this.edit({ do: 'add-trial', say: `${step.replace(/-/g, ' ')}: ${observed}`, trial: { id: `${this.job.id}-t${this.job.trials.length + 1}`, step, at: now, outcome: 'as-expected', count, failed: 0, observed, on, by: 'the morning cook', basis: basisOf(this.job) } });
  }

  write(name: string): void {
    writeFileSync(new URL(`../demo/${name}.json`, import.meta.url), jobText(this.job));
  }
}

const DEAD = ['dead-isolate', 'dead-hold', 'dead-test-tester', 'dead-test-dead', 'dead-test-tester-again'];

new Maker('demo-rice-pot', { title: 'Rice pot', outcome: 'the pot starts by itself', when: 'before lunch on weekdays', never: 'start empty, or on a day nobody filled it' }, '2026-11-16')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains', 'unattended-heat'], hazardsReviewed: true, others: 'whoever is in the kitchen, by hand' }, say: 'hazards: mains inside, heat while nobody watches' })
  .tick(...DEAD)
  .say('mains plug turns', 'mains switch none', 'mains earth nowhere',
    'ground to mains off >20M', 'start A to mains off >20M', 'start B to mains off >20M', 'start A to earth on 0.3 VAC', 'start A to earth plug-turned 0.4 VAC', 'start look springs back', 'start B to ground off 0.1 ohm',
    'start A idle 4.98 V', 'start A-B pressed 0.4 ohm', 'start short 0.498 mA', 'start A pressed 3 mV', 'start A neighbour 4.98 V', 'start A neighbour 4.97 V', 'start A-B released 14k', 'supply main 5.02 V always', 'note: foam behind the board')
  .edit(
    { do: 'change', section: 'standin', set: { model: 'rice-pot' }, say: 'the rice pot stands in where it can' },
    { do: 'change', section: 'thumb', set: { way: 'solid-state-relay' }, say: 'way of pressing: solid-state relay' },
    { do: 'change', section: 'board', set: { pressPin: 5, armPin: 14, pullDown: true }, say: 'press on pin 5 with a resistor to ground, arm switch on pin 14' },
    { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 1, isolated: 'yes', leadMetres: 1, leadSquareMetres: 0.08e-6 }, say: 'own supply, 5 V, 1 A, class II, on a thin lead of 1 m' },
    { do: 'change', section: 'sense', set: { contact: 'at-rest', restsClosed: true }, say: 'the keep-warm lever closes a contact at rest' },
    { do: 'change', section: 'act', set: { machine: { kind: 'starts-and-stops-itself', shortestPressSeconds: 0.04, longestPressSeconds: 2, runSeconds: 1500, afterPowerCut: 'off' }, script: [{ do: 'press', seconds: 0.18 }] }, say: 'starts and stops by itself after 25 minutes; one press of 180 ms' },
    { do: 'change', section: 'guard', set: { place: 'damp', cutOff: 'one-shot' }, say: 'it stands where steam comes; a one-shot ends each press' },
    { do: 'change', section: 'wish', set: { heldBy: 'the arm switch, which whoever fills the pot sets by hand' }, say: 'held by the arm switch' },
    { do: 'change', section: 'sheet', set: { by: 'the morning cook' }, say: 'tested by the morning cook' },
    { do: 'change', section: 'board', set: { sensorPin: 12 }, say: 'rest contact on pin 12' },
    { do: 'change', section: 'routine', set: { sentences: [{ id: 'lunch', at: '10:40', days: [1, 2, 3, 4, 5], ifArmed: true }] }, say: 'at 10:40 on weekdays, if armed' })
  .tick('mains-cover', 'mains-apart', 'heat-cutout', 'heat-dry', 'own-devices')
  .tried('prove-dead', 1, 'no voltage between any pair')
  .tried('dummy-load', 1, 'lamp on for a blink, off again')
  .tried('restarts', 10, 'the contact stayed open through every power-up')
  .tried('one-press', 1, 'the pot clicked and began to heat')
  .tried('many-presses', 22, 'every press seen', 'standin')
  .tried('many-presses', 2302, 'every press counted over a night, its heater unplugged')
  .tried('hand-switch', 1, 'obeyed both times')
  .tried('never', 1, 'empty and unarmed it stayed at rest, through two power cuts as well')
  .tried('sign-off', 1, 'case closed, joint labelled')
  .write('rice-pot');

new Maker('demo-yard-gate', { title: 'Yard gate', outcome: 'the gate opens for deliveries and closes at night', when: 'deliveries, and 22:30', never: 'move by itself at power-up, or stay open overnight' }, '2026-11-19')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains', 'moving-door', 'pinch'], hazardsReviewed: true, others: 'two drivers with a hand remote' }, say: 'hazards: mains inside, closing door, pinch' })
  .tick(...DEAD)
  .say('mains plug turns', 'mains switch closed', 'mains earth case', 'strip back 6', 'back 1 wire red', 'back 2 wire blue', 'back 3 wire green', 'back 4 wire white', 'back 5 wire brown', 'back 6 wire yellow',
    ...[1, 2, 3, 4, 5, 6].map((t) => `back ${t} to mains off >20M`), 'back 1 to earth on 1.1 VAC', 'back 1 to earth plug-turned 1.3 VAC',
    'back 1-2 idle -24.3 V', 'back 1-3 idle -12.6 V', 'back 1-4 idle -24.2 V', 'back 1-5 idle 0.02 V', 'back 1-5 idle 0.1 VAC', 'back 1-6 idle 0.01 V', 'back 1-6 idle 0.1 VAC', 'back 5-6 idle 0.00 V', 'back 5-6 idle 0.0 VAC',
    'back 3-4 idle -11.62 V', 'back 3-4 loaded -4.81 V', 'back jumper 3-4 1k moves',
    'ground to mains off >20M', 'gate A to mains off >20M', 'gate B to mains off >20M', 'gate A to earth on 1.1 VAC', 'gate A to earth plug-turned 1.3 VAC', 'gate look terminals', 'gate B to ground off >20M', 'gate A-B idle 11.62 V', 'gate short 8.21 mA', 'gate A-B pressed 0.3 ohm', 'note: terminals 3 and 4, green and white')
  .edit({ do: 'change', section: 'standin', set: { model: 'yard-gate', seed: 3 }, say: 'the yard gate stands in' })
  .edit(
    { do: 'change', section: 'thumb', set: { way: 'relay-contact', picks: { relay: 'relay-signal' } }, say: 'way of pressing: relay contact, gold signal relay' },
    { do: 'change', section: 'board', set: { pressPin: 12 }, say: 'press on pin 12' },
    { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 1, isolated: 'yes', leadMetres: 1, leadSquareMetres: 0.08e-6 }, say: 'own supply, 5 V, 1 A, class II, on a thin lead of 1 m' },
    { do: 'change', section: 'act', set: { machine: { kind: 'open-stop-close-stop', shortestPressSeconds: 0.08, longestPressSeconds: 3, runSeconds: 16, afterPowerCut: 'off' }, script: [{ do: 'press', seconds: 0.5 }] }, say: 'opens, stops, closes, stops; 16 s from end to end; one press of 0.5 s' },
    { do: 'change', section: 'routine', set: { sentences: [{ id: 'night', at: '22:30', days: [1, 2, 3, 4, 5, 6, 7], ifArmed: false }] }, say: 'at 22:30 every day' },
    { do: 'change', section: 'guard', set: { place: 'damp', cutOff: 'one-shot' }, say: 'it stands outdoors; a one-shot ends each press' })
  .tick('mains-cover', 'mains-apart', 'own-devices')
  .write('yard-gate');

/** The proofer's pad as decoded from captures of its lines: one at rest, one per key held. */
async function prooferPad(): Promise<Keypad> {
  const random = seededRandom(11);
  const captures: LabelledTiming[] = [];
  for (const key of [null, ...PROOFER_PAD.keys.flat()]) {
    async function* pieces() {
      yield new TextEncoder().encode(padCapture(PROOFER_PAD, key, 40, random));
    }
    captures.push({ label: key ?? 'idle', timing: (await readCapture('pad.vcd', pieces())).timing });
  }
  const map = decodeKeypad(captures);
  if (map.problems.length || map.keys.length !== 12) throw new Error('the pad was not decoded');
  const at = (key: string) => ({ row: PROOFER_PAD.keys.findIndex((r) => r.includes(key)), column: PROOFER_PAD.keys.find((r) => r.includes(key))!.indexOf(key) });
  return { id: 'pad', name: 'front pad', rows: 4, columns: 3, scan: map.scan, keys: map.keys.map((k) => ({ label: k.label, ...at(k.label), lines: [k.strobe, k.sense], from: 'capture' })) };
}

const pad = await prooferPad();
new Maker('demo-dough-proofer', { title: 'Dough proofer', outcome: 'it begins to warm at night', when: '04:30 on baking days', never: 'run hotter than the dough stands' }, '2026-11-20')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains', 'unattended-heat'], hazardsReviewed: true, others: 'the bakers, on the same pad' }, say: 'hazards: mains inside, heat while nobody watches' })
  .tick(...DEAD)
  .measure('dough-proofer', 'warm', 5)
  .survey({ keypads: [pad] }, 'the front pad, decoded from thirteen captures')
  .survey({ rails: [{ ...freshRail('logic', 'logic 5 V'), openVolts: 4.96, loadedVolts: 4.81, loadAmps: 0.05, whileIdle: true, whileRunning: true, rippleVolts: 0.03, storedFarads: 470e-6, bleedOhms: 3e3, storedVolts: 16 }] }, 'supply logic 5 V: 4.96 V, 4.81 V at 50 mA')
  .survey({ faces: [{ ...freshFace('control-warm'), forceNewtons: 2.1, travelMetres: 0.0004, shape: 'flat', neighbourMetres: 0.003 }] }, 'warm: 2.1 N, 0.4 mm, 3 mm to its neighbour')
  .write('dough-proofer');

new Maker('demo-cold-room-alarm', { title: 'Cold-room alarm', outcome: 'the alarm is heard in the kitchen', when: 'whenever it beeps', never: 'be silenced unseen' }, '2026-11-22')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['lithium'], hazardsReviewed: true, others: 'whoever passes the cold room' }, say: 'hazards: lithium cell in the node' })
  .measure('cold-room-alarm', 'mute', 7)
  .measure('cold-room-alarm', 'test', 8)
  .survey({ rails: [{ ...freshRail('board', 'board 3.3 V'), openVolts: 3.28, loadedVolts: 3.02, loadAmps: 0.02, whileIdle: true, whileRunning: true, rippleVolts: 0.01, storedFarads: 100e-6, bleedOhms: 10e3, storedVolts: 3.3 }] }, 'supply board 3.3 V: 3.28 V, 3.02 V at 20 mA')
  .say('note: the beeper gets 2.7 kHz in bursts of half a second')
  .write('cold-room-alarm');

new Maker('demo-hatch-shutter', { title: 'Serving-hatch shutter', outcome: 'the shutter goes up before lunch and down after', when: '11:45 and 14:15', never: 'move while somebody reaches through' }, '2026-11-18')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['moving-door', 'pinch'], hazardsReviewed: true, others: 'the servers, by the old crank' }, say: 'hazards: closing shutter, pinch' })
  .measure('hatch-shutter', 'motor', 9)
  .survey({
    rails: [{ ...freshRail('motor', 'motor 12 V'), openVolts: 12.2, loadedVolts: 11.6, loadAmps: 1, whileIdle: true, whileRunning: true, rippleVolts: 0.12, storedFarads: 2200e-6, bleedOhms: 4.7e3, storedVolts: 12.2 }],
    pieces: [
      { id: 'crank', name: 'crank shaft', kind: 'shaft', readings: [0.00998, 0.00996, 0.00999], caliperMetres: 20e-6 },
      { id: 'tube', name: 'shutter tube', kind: 'tube', readings: [0.0402, 0.0399, 0.0404], caliperMetres: 50e-6 },
      { id: 'coupling', name: 'coupling bore', kind: 'bore', readings: [0.01008, 0.01006, 0.01009], caliperMetres: 20e-6 },
    ],
  }, 'supply motor 12 V; crank shaft 9.98 mm, shutter tube 40.2 mm, coupling bore 10.08 mm')
  .edit({ do: 'change', section: 'thumb', set: {
    way: 'reverse-motor', picks: { relay: 'relay-double', 'gear-motor': 'gear-worm' },
    given: ['motor.supplyVolts'], motor: { ...freshThumb().motor, wiring: 'double-pole', supplyVolts: 12, runningAmps: 0.9, stallAmps: 2.5, coastSeconds: 0.4 },
    hand: { ...freshThumb().hand, drive: 'tube', loadKilograms: 3.5, tubeMetres: 0.0402, turns: 9, fits: [{ inner: 'crank', outer: 'coupling' }] },
  }, say: 'way of pressing: the motor run both ways, by one double-pole relay and a power contact' })
  .edit({ do: 'change', section: 'act', set: { machine: { kind: 'starts-and-stops-itself', shortestPressSeconds: 0.1, longestPressSeconds: 30, runSeconds: 18, afterPowerCut: 'off' }, script: [{ do: 'press', seconds: 20 }] }, say: '18 s from end to end, where its end switches stop it' })
  .write('hatch-shutter');

new Maker('demo-extractor-rocker', { title: 'Extractor rocker', outcome: 'the extractor runs while the ovens do', when: '06:00 to 11:00 on baking days', never: 'be opened: the rocker sits in the wall' }, '2026-11-17')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains'], hazardsReviewed: true, others: 'everybody, by hand' }, say: 'hazards: mains behind the rocker' })
  .say('mains plug wired', 'mains switch none', 'mains earth nowhere', 'control rocker', 'rocker look rocker', 'note: the front is flat plastic, 80 mm by 80 mm; nobody may open it')
  .survey({ faces: [{ ...freshFace('control-rocker'), forceNewtons: 5.5, travelMetres: 0.003, access: 'from-front-only', shape: 'flat', neighbourMetres: 0.012 }] }, 'rocker: 5.5 N, 3 mm, 12 mm to its neighbour')
  .edit(
    { do: 'change', section: 'thumb', set: { way: 'finger', picks: { servo: 'servo-standard' }, finger: { on: 'rocker', hornMetres: 0.03, axisMetres: 0.021, restDegrees: 0, pressDegrees: 54, mount: 'screws', padLengthMetres: 0.06, padWidthMetres: 0.04, leverMetres: 0.035 }, given: ['finger.restDegrees'] }, say: 'way of pressing: a finger over the rocker' },
    { do: 'change', section: 'board', set: { pressPin: 5 }, say: 'servo on pin 5' },
    { do: 'change', section: 'feed', set: { supply: 'own plug-in supply', volts: 5, amps: 3, isolated: 'yes', leadMetres: 1, leadSquareMetres: 0.5e-6 }, say: 'own supply, 5 V, 3 A, class II' },
    { do: 'change', section: 'act', set: { machine: { kind: 'flips', shortestPressSeconds: 0.05, longestPressSeconds: 5, runSeconds: 1, afterPowerCut: 'as-before' }, script: [{ do: 'press', seconds: 0.5 }] }, say: 'each push flips it; half a second a push' })
  .write('extractor-rocker');

new Maker('demo-hood-fan', { title: 'Hood fan', outcome: 'it draws as hard as the stove is hot', when: 'whenever the stove is on', never: 'run with the grease filter out' }, '2026-11-15')
  .edit({ do: 'change', section: 'wish', set: { hazards: ['mains'], hazardsReviewed: true, others: 'the cook, by the knob' }, say: 'hazards: mains in the fan’s supply' })
  .tick(...DEAD)
  .say('mains plug turns', 'mains switch closed', 'mains earth pin', 'ground to mains off >20M', 'speed A to mains off >20M', 'speed B to mains off >20M', 'speed A to earth on 0.4 VAC', 'speed A to earth plug-turned 0.5 VAC', 'speed look turns to stops', 'speed B to ground off 0.1 ohm', 'speed A-B off 47k', 'speed A-B turning 0.4 ohm', 'speed A idle 4.96 V', 'note: 36 V fan; speed by pulses, two pulses back for each turn')
  .edit({ do: 'change', section: 'thumb', set: {
    way: 'drive-signal', machines: 2, stock: [{ name: 'NPN transistor, open collector, 40 V, 200 mA', price: 0.06, have: 20 }, { name: 'signal relay, changeover, gold contact', price: 1.9, have: 0 }],
    given: ['signal.highVolts'], signal: { ...freshThumb().signal, what: 'frequency', points: [{ step: 1, value: 41 }, { step: 3, value: 118 }, { step: 5, value: 201 }, { step: 8, value: 318 }], topStep: 8, highVolts: 5, enable: 'high', loadOhms: 47e3, returnVolts: 5, knob: 'changeover' },
  }, say: 'way of pressing: the speed pulses taken over from the knob' })
  .write('hood-fan');

new Maker('demo-larder-dehumidifier', { title: 'Larder dehumidifier', outcome: 'it runs again after a power cut', when: 'whenever the power comes back', never: 'run with a full tank' }, '2026-11-21')
  .say('control power', 'note: first press only wakes the display, second starts it')
  .write('larder-dehumidifier');
