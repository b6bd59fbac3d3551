// Judgements of all rooms worked out a second time: with formulas of our own, standards' numbers and handbook figures, none of the core's.
// Each row names its source; numbers of standards and handbooks are from memory unless the row says otherwise.
import { describe, expect, it } from 'vitest';
import { assess, type Assessment } from '../core/assess';
import { filesOf } from '../core/deliver';
import type { Finding, Verdict } from '../core/finding';
import type { Job, ThumbPlan, Way } from '../core/job';
import { formatQuantity } from '../core/quantity';
import { APART, dryPair, finished, ladderKey, latching, lowButton, mainsLoad, OHMS_APART, put, said, scannedKey } from './bench-jobs';

/** `value` within a share of `own`; `limit` the same; `verdict` one of these. What is left out is not judged. */
interface Row {
  readonly what: string;
  readonly source: string;
  readonly job: () => Job;
  readonly id: string;
  readonly own?: number;
  readonly limit?: number;
  readonly verdict?: Verdict | readonly Verdict[];
}

const plan = (job: Job, way: Way, set: Partial<ThumbPlan> = {}): Job => put(finished(job), 'thumb', { way, resistorOhms: null, ...set });
const button = said([...APART, ...lowButton(4.98, 10e3)]);
const weak = said([...APART, ...lowButton(4.98, 2.6e6).filter((l) => !l.includes('short')), 'it short 1.92 uA']);
const key = said([...APART, ...scannedKey(4.96), 'it B loaded-10k 1.55 V']);
const unreadKey = said([...APART, ...scannedKey(4.96)]);
const loop24 = said([...APART, ...dryPair('24 VAC', 19.2)]);
const loop12 = said([...APART, ...dryPair('11.6 V', 8.2)]);
const tied = said(['ground to mains off 120k', ...lowButton(4.98, 10e3)]);
const load = said([...APART, ...mainsLoad]);
const feed = (set: Partial<Job['feed']>): Job => put(plan(button, 'solid-state-relay'), 'feed', set);
const hot = (amps: number, doubling: number): number => amps * 2 ** (35 / doubling);
const not: readonly Verdict[] = ['tight', 'stop', 'unknown'];
const COPPER = 17.241e-9;

// Supply and pull at their corners as a 0.5 % + 2 digit voltmeter and a 1 % + 3 digit milliammeter leave them.
const VCC = { high: 4.98 * 1.005 + 0.02 + 0.005, low: 4.98 * 0.995 - 0.02 };

const ROWS: readonly Row[] = [
  // Thumb: levels, drive and ratings of the joints.
  { what: 'solid-state relay, pressed level under 0.3 of supply', source: "Ohm's law; CMOS levels, common practice", job: () => plan(button, 'solid-state-relay'), id: 'thumb.solid-state-relay.pressed-level', own: (VCC.high * 2.5) / 9800, limit: 0.3 * VCC.low, verdict: 'settled' },
  { what: 'solid-state relay, LED current at the cold corner', source: 'class values, common practice: VF 1.5 V + 25 K · 2 mV, 270 Ω + 5 %', job: () => plan(button, 'solid-state-relay'), id: 'thumb.solid-state-relay.led', own: (2.9 - 1.55) / (270 * 1.05), limit: 3e-3, verdict: 'settled' },
  { what: 'solid-state relay, pin current at the warm corner', source: 'class values, common practice: VF 1.1 V − 35 K · 2 mV', job: () => plan(button, 'solid-state-relay'), id: 'thumb.solid-state-relay.pin-current', own: (3.4 - 1.03) / (270 * 0.95), limit: 12e-3, verdict: 'settled' },
  { what: 'NPN, sink current for certain', source: 'forced gain 10, handbook practice; VBE 0.85 V + 50 mV cold', job: () => plan(button, 'npn-to-ground'), id: 'thumb.npn-to-ground.sink', own: (10 * (2.9 - 0.9)) / (3300 * 1.05), verdict: 'settled' },
  { what: 'NPN, button current under half of 200 mA', source: "Ohm's law; half of the rating, common practice", job: () => plan(button, 'npn-to-ground'), id: 'thumb.npn-to-ground.current', own: VCC.high / 9800, limit: 0.1, verdict: 'settled' },
  { what: 'MOSFET, gate voltage for certain', source: 'on-resistance stated at 2.5 V, class value', job: () => plan(button, 'nmos-to-ground'), id: 'thumb.nmos-to-ground.gate', own: 2.9, limit: 2.5, verdict: 'settled' },
  { what: 'small MOSFET on a 3.3 V pin never closes for certain', source: 'threshold up to 3 V, class value', job: () => plan(button, 'nmos-to-ground', { picks: { nmos: 'nmos-small' } }), id: 'thumb.nmos-to-ground.gate', own: 2.9, limit: 4.5, verdict: 'stop' },
  { what: 'optocoupler, aged, warm and at its least transfer', source: 'transfer 0.5 · 0.75 warm · 0.5 aged, class values', job: () => plan(button, 'optocoupler', { resistorOhms: 220 }), id: 'thumb.optocoupler.sink', own: 0.5 * 0.75 * 0.5 * ((2.9 - 1.45) / (220 * 1.05)), verdict: 'settled' },
  { what: 'optocoupler, dark current at 60 °C on a weak pull-up', source: '100 nA tenfold for each 25 K: 2.5 µA', job: () => plan(weak, 'optocoupler'), id: 'thumb.optocoupler.idle-level', verdict: 'stop' },
  { what: 'solid-state relay, warm leakage on a weak pull-up', source: '1 µA doubled for each 10 K: 11.3 µA', job: () => plan(weak, 'solid-state-relay'), id: 'thumb.solid-state-relay.idle-level', verdict: 'stop' },
  { what: 'NPN, warm leakage on 10 kΩ', source: '50 nA doubled for each 10 K', job: () => plan(button, 'npn-to-ground'), id: 'thumb.npn-to-ground.idle-level', own: VCC.low - hot(50e-9, 10) * 10.25e3, verdict: 'settled' },
  { what: 'relay, silver contact on half a milliampere', source: 'about 100 mA wanted by silver, common practice', job: () => plan(button, 'relay-contact'), id: 'thumb.relay-contact.minimum-load', limit: 0.1, verdict: 'tight' },
  { what: 'relay, silver contact on a ladder', source: 'the same', job: () => plan(said([...APART, ...ladderKey]), 'relay-contact'), id: 'thumb.relay-contact.minimum-load', limit: 0.1, verdict: 'tight' },
  { what: 'relay, coil current at the cold corner', source: 'copper, IEC 60028: 0.393 %/K from 20 °C; 70 Ω − 10 %', job: () => plan(button, 'relay-contact'), id: 'thumb.relay-contact.driver-current', own: 5 / (63 * (1 - 20 * 0.00393)), limit: 0.1, verdict: 'settled' },
  { what: 'relay, what a small NPN and a low supply leave of its voltage, warm', source: '0.75 of rated at 20 °C, copper to 60 °C', job: () => plan(button, 'relay-contact'), id: 'thumb.relay-contact.coil-volts', own: 5 * 0.95 - 0.2, limit: 0.75 * 5 * (1 + 40 * 0.00393), verdict: ['settled', 'tight'] },
  { what: 'relay behind a Darlington on 5 V does not pull in warm', source: 'VCE(sat) up to 1.1 V', job: () => plan(button, 'relay-contact', { picks: { npn: 'npn-darlington' } }), id: 'thumb.relay-contact.coil-volts', own: 5 * 0.95 - 1.1, limit: 0.75 * 5 * (1 + 40 * 0.00393), verdict: 'stop' },
  { what: 'relay, lets go up to three times its stated time', source: 'diode across the coil, common practice; 15 ms', job: () => plan(button, 'relay-contact'), id: 'thumb.relay-contact.release', own: 0.045 },
  { what: 'relay module, off while the pin is high, warm LEDs and a high supply', source: '5 V + 5 % − 2.9 V against 2.6 V − 2 · 70 mV', job: () => plan(button, 'relay-module'), id: 'thumb.relay-module.off', own: 5.25 - 2.9, limit: 2.6 - 0.14, verdict: 'tight' },
  { what: 'relay module with a bare transistor never lets go of a 3.3 V pin', source: 'base-emitter 0.55 V − 70 mV', job: () => plan(button, 'relay-module', { picks: { 'relay-module': 'module-base' } }), id: 'thumb.relay-module.off', own: 2.35, limit: 0.48, verdict: 'stop' },
  { what: 'analogue switch on 5 V wants a control level that a 3.3 V pin does not give', source: 'CMOS levels, common practice', job: () => plan(button, 'analogue-switch'), id: 'thumb.analogue-switch.control', own: 2.9, limit: 0.7 * VCC.high, verdict: 'stop' },
  { what: 'ladder, shift by a solid-state relay', source: 'voltage divider', job: () => plan(said([...APART, ...ladderKey]), 'solid-state-relay'), id: 'thumb.solid-state-relay.ladder', limit: 0.03, verdict: 'settled' },
  // Alternating current.
  ...(['npn-to-ground', 'nmos-to-ground', 'optocoupler'] as const).map((way): Row => ({ what: `24 VAC loop on a part that conducts one way: ${way}`, source: 'a junction rectifies; ngspice beside this: 11 of 19 mA flow while idle', job: () => plan(loop24, way), id: `thumb.${way}.alternating`, verdict: 'stop' })),
  { what: '24 VAC on a 60 V solid-state relay, at its peak', source: 'peak √2 · 1.1, four fifths of the rating', job: () => plan(loop24, 'solid-state-relay'), id: 'thumb.solid-state-relay.voltage', own: Math.SQRT2 * 1.1 * (24 * 1.01 + 0.3 + 3), limit: 48, verdict: ['settled', 'tight'] },
  { what: '24 VAC on a 20 V MOSFET is over its rating as well', source: 'the same', job: () => plan(loop24, 'nmos-to-ground'), id: 'thumb.nmos-to-ground.voltage', limit: 16, verdict: 'stop' },
  { what: '12 V loop on a contact', source: 'two tenths of the open voltage, common practice', job: () => plan(loop12, 'relay-contact', { picks: { relay: 'relay-signal' } }), id: 'thumb.relay-contact.pressed-level', verdict: 'settled' },
  { what: 'a pair that was read to pass 1.2 A carries a load, and no small transistor does', source: 'loops pass tens of milliamperes; half of 0.8 A', job: () => plan(said([...APART, ...dryPair('24 V', 1200)]), 'nmos-to-ground'), id: 'thumb.nmos-to-ground.load', verdict: ['stop', 'unknown'] },
  // Scanned keys.
  { what: 'a pull-up that nobody read leaves every level unknown', source: 'no reading, no judgement', job: () => plan(unreadKey, 'solid-state-relay'), id: 'thumb.solid-state-relay.pressed-level', verdict: 'unknown' },
  { what: 'the pull-up of a scanned key from 10 kΩ across it', source: 'voltage divider: 10 kΩ · (4.96/1.55 − 1)', job: () => key, id: 'probe.control-it.pullUpOhms', own: 10e3 * (4.96 / 1.55 - 1) },
  { what: 'answer to the strobe, its level through 2.2 kΩ', source: 'voltage divider; ngspice beside this', job: () => plan(said([...APART, ...scannedKey(4.96), 'it B loaded-10k 3.37 V']), 'strobe-answer'), id: 'thumb.strobe-answer.level', verdict: ['stop', 'tight'] },
  { what: 'controller off, pad on: current into a dead pin', source: '(V − 0.6 V)/2.2 kΩ, at most 1 mA', job: () => plan(key, 'strobe-answer'), id: 'thumb.strobe-answer.dead-pin', own: (4.96 * 1.005 + 0.02 - 0.6) / 2200, limit: 1e-3, verdict: 'stop' },
  { what: 'logic fed from the controller’s 3.3 V, its inputs bear the pad’s 5 V', source: 'class values 3.6 V and 5.5 V', job: () => plan(key, 'logic-injector'), id: 'thumb.logic-injector.fed', own: 3.4, limit: 3.6, verdict: ['settled', 'tight'] },
  // Isolation and insulation.
  { what: 'a Y capacitor of a class II supply gives way under 10 kΩ', source: '97.8 V open, 1.13 V loaded (native ngspice, 2.2 nF at 115 V); 0.25 mA of IEC 60335-1', job: () => said([...OHMS_APART, 'it A to earth on 97.8 VAC', 'it A to earth loaded-10k 1.13 VAC']), id: 'probe.control-it.isolation-ac', own: 113e-6, limit: 0.25e-3, verdict: 'settled' },
  { what: 'a tie does not', source: '230 V through 180 kΩ into 10 kΩ: 12 V', job: () => said([...OHMS_APART, 'it A to earth on 97.8 VAC', 'it A to earth loaded-10k 12.1 VAC']), id: 'probe.control-it.isolation-ac', own: 1.21e-3, limit: 0.25e-3, verdict: 'stop' },
  { what: '120 kΩ to mains is a tie', source: 'under 1 MΩ, common practice', job: () => tied, id: 'probe.control-it.isolation-ohms', own: 120e3, verdict: 'stop' },
  { what: 'insulation of 4 MΩ at 500 V is basic and not reinforced', source: 'IEC 60335-1: 2 and 7 MΩ', job: () => said([...OHMS_APART, 'ground to mains insulation 4M']), id: 'probe.control-it.insulation', own: 4e6, limit: 7e6, verdict: 'stop' },
  { what: 'tied machine, a 1 500 V solid-state relay between', source: 'IEC 60950-1, table 5B: 3 000 V reinforced at 230 V', job: () => plan(tied, 'solid-state-relay'), id: 'thumb.solid-state-relay.isolation-volts', own: 1500, limit: 3000, verdict: 'stop' },
  { what: 'tied machine, creepage in a damp place', source: 'IEC 60664-1, table F.5: 2 · 4.0 mm at 250 V, pollution degree 3, group III', job: () => put(plan(tied, 'optocoupler'), 'guard', { place: 'damp' }), id: 'thumb.optocoupler.creepage', own: 7e-3, limit: 8e-3, verdict: 'stop' },
  { what: 'tied machine, creepage in a dry place', source: 'IEC 60664-1, table F.5: 2 · 2.5 mm, pollution degree 2', job: () => plan(tied, 'optocoupler'), id: 'thumb.optocoupler.creepage', own: 7e-3, limit: 5e-3, verdict: 'settled' },
  { what: 'control box in fixed wiring: creepage not under the clearance of category III', source: 'IEC 60664-1: 4 kV impulse, reinforced 5.5 mm', job: () => plan(load, 'control-box', { picks: { 'relay-module': 'module-motor' } }), id: 'thumb.control-box.creepage', own: 8e-3, limit: 5.5e-3, verdict: ['settled', 'unknown'] },
  { what: 'the same at 120 V behind a plug', source: 'IEC 60664-1: 125 V, group III, 2 · 1.5 mm', job: () => put(plan(tied, 'optocoupler'), 'region', { mainsVolts: 120, mainsHertz: 60 }), id: 'thumb.optocoupler.creepage', own: 7e-3, limit: 3e-3, verdict: 'settled' },
  { what: 'tied machine, transistor to ground', source: 'it would join the controller to mains', job: () => plan(tied, 'npn-to-ground'), id: 'thumb.npn-to-ground.ground', verdict: 'stop' },
  { what: 'tied machine that feeds the controller', source: 'the same, by its rail', job: () => put(put(plan(tied, 'optocoupler'), 'survey', { rails: [{ id: 'r', name: 'logic', openVolts: 5, loadedVolts: 4.9, loadAmps: 0.6, whileIdle: true, whileRunning: true, rippleVolts: null, storedFarads: null, bleedOhms: null, storedVolts: null }] }), 'feed', { rail: 'r' }), id: 'feed.isolated', verdict: 'stop' },
  // Probe: rails and stored charge.
  ...[[4.99, 0.025], [4.75, 0.025], [4, 0.00625]].map(([loaded, own]): Row => ({ what: `rail that falls from 5 V to ${loaded} V at 50 mA`, source: 'half of a twentieth of sag, never more than half of what was tried', job: () => put(button, 'survey', { rails: [{ id: 'r', name: 'logic', openVolts: 5, loadedVolts: loaded!, loadAmps: 0.05, whileIdle: true, whileRunning: true, rippleVolts: null, storedFarads: null, bleedOhms: null, storedVolts: null }] }), id: 'probe.rail.r.usable', own: own! })),
  { what: 'discharge of 470 µF through 3 kΩ from 16 V to 10 V', source: 't = R·C·ln(V0/V)', job: () => put(button, 'survey', { rails: [{ id: 'r', name: 'logic', openVolts: 5, loadedVolts: null, loadAmps: null, whileIdle: null, whileRunning: null, rippleVolts: null, storedFarads: 470e-6, bleedOhms: 3e3, storedVolts: 16 }] }), id: 'probe.rail.r.wait', own: 3e3 * 470e-6 * Math.log(1.6), verdict: 'settled' },
  // Feed.
  { what: '24 V into a board for 5 V', source: '5.5 V at most, board as remembered', job: () => feed({ volts: 24 }), id: 'feed.most-volts', own: 24 * 1.05, limit: 5.5, verdict: 'stop' },
  { what: '2 V into it', source: '4.5 V at least', job: () => feed({ volts: 2 }), id: 'feed.least-volts', limit: 4.5, verdict: 'stop' },
  { what: 'ten metres of thin lead', source: 'IEC 60028, 17.241 nΩ·m; 0.08 mm²', job: () => feed({ leadMetres: 10 }), id: 'feed.least-volts', own: 4.75 - ((2 * 10 * COPPER) / 0.08e-6) * (0.4 + (3.2 - 1.25) / 270), verdict: 'stop' },
  { what: 'a supply of which nobody said whether it is isolated', source: 'not said, not known', job: () => feed({ isolated: 'unknown' }), id: 'feed.isolated', verdict: 'unknown' },
  { what: 'peak of controller and LED against four fifths of 2 A', source: 'sum of currents', job: () => feed({}), id: 'feed.peak', own: 0.4 + (3.2 - 1.25) / 270, limit: 1.6, verdict: 'settled' },
  // Guard: loads, presses, cautions.
  ...([['resistive', 200, 200 / 230, 8, 'settled'], ['resistive', 2200, 2200 / 230, 10, 'tight'], ['resistive', 3000, 3000 / 230, 10, 'stop'], ['motor', 1800, 1800 / (230 * 0.6), 2.5, 'stop'], ['filament', 600, 600 / 230, 4, 'settled']] as const).map(([loadKind, watts, amps, , verdict]): Row => ({ what: `${watts} W of ${loadKind} load on a 10 A contact`, source: 'P/(V·cosφ); 10 A silver: about 0.37 kW of motor, from memory', job: () => put(plan(load, 'relay-contact'), 'guard', { loadWatts: watts, loadKind }), id: 'guard.contact', own: amps, verdict })),
  { what: 'inrush of 300 W of lamps on a contact that bears 25 A', source: 'cold filament 15 times', job: () => put(plan(load, 'relay-contact'), 'guard', { loadWatts: 300, loadKind: 'filament' }), id: 'guard.inrush', own: (15 * 300) / 230, limit: 25, verdict: 'settled' },
  { what: 'inrush of 1 kW of lamps', source: 'the same', job: () => put(plan(load, 'relay-contact'), 'guard', { loadWatts: 1000, loadKind: 'filament' }), id: 'guard.inrush', own: (15 * 1000) / 230, limit: 25, verdict: 'stop' },
  { what: 'mains on a 60 V gold contact', source: 'its rating', job: () => plan(load, 'relay-contact', { picks: { relay: 'relay-signal' } }), id: 'guard.contact-volts', limit: 66, verdict: 'stop' },
  { what: 'a load that nobody entered', source: 'not said, not known', job: () => put(plan(button, 'switched-supply'), 'guard', { loadWatts: null }), id: 'guard.contact', verdict: 'unknown' },
  { what: 'heat while nobody watches, and nothing ends a press', source: 'single fault: the controller hangs', job: () => put(plan(button, 'solid-state-relay'), 'guard', { cutOff: 'none' }), id: 'guard.press-end', verdict: 'stop' },
  { what: 'the same while nobody looked through the hazards', source: 'not said, not known', job: () => put(put(plan(button, 'solid-state-relay'), 'guard', { cutOff: 'none' }), 'wish', { hazards: [], hazardsReviewed: false }), id: 'guard.press-end', verdict: 'unknown' },
  { what: 'a one-shot for 0.2 s, at its slowest', source: '0.7·R·C + 10 %, + 5 %, + 10 %; at most twice the press', job: () => plan(button, 'solid-state-relay'), id: 'guard.press-end', limit: 0.4, verdict: 'settled' },
  { what: 'cautions with nothing ticked', source: 'an empty list proves nothing', job: () => plan(button, 'solid-state-relay'), id: 'guard.ticks', verdict: 'unknown' },
  { what: 'proving dead where a plug goes into the machine, hazards unticked', source: 'mains is inside', job: () => put(plan(button, 'solid-state-relay'), 'wish', { hazards: [], hazardsReviewed: true }), id: 'guard.dead-isolate', verdict: 'unknown' },
  // Board.
  { what: 'a weakly high pin without a pull-down, NPN', source: '3.3 V through 30 kΩ into a base; ngspice beside this', job: () => put(plan(button, 'npn-to-ground'), 'board', { pressPin: 12, pullDown: false }), id: 'board.press-pin', verdict: 'stop' },
  { what: 'the same with 3.3 kΩ to ground', source: '3.3 V · 3.3/(3.3 + 30) = 0.33 V', job: () => put(plan(button, 'npn-to-ground'), 'board', { pressPin: 12, pullDown: true }), id: 'board.press-pin', verdict: 'settled' },
  { what: 'a module that is fed before its controller', source: '(5 − 2.46 − 0.6) V/1 kΩ = 1.9 mA, pulls in from 0.8 mA', job: () => put(plan(button, 'relay-module'), 'board', { pullDown: false }), id: 'board.press-pin', verdict: 'tight' },
  { what: 'a module pressed by a low pin, its one-shot triggered by the resistor to ground while the pin floats', source: 'a monostable holds what triggered it: 0.26 to 0.4 s, over the 0.04 s that the machine obeys', job: () => plan(button, 'relay-module'), id: 'board.press-pin', verdict: 'stop' },
  // Mechanics.
  { what: 'finger, force at the tip', source: 'torque over arm: 0.12 N·m/22 mm', job: () => plan(button, 'finger'), id: 'thumb.finger.force', own: 0.12 / 0.022, limit: 5.2 },
  { what: 'finger, strong servo on a button', source: '2.1 N·m/22 mm against 30 N', job: () => plan(button, 'finger', { picks: { servo: 'servo-strong' } }), id: 'thumb.finger.most-force', own: 2.1 / 0.022, limit: 30, verdict: 'stop' },
  { what: 'finger, pull under the tape by the stalled servo', source: 'F/A + 6·F·L/(w·l²), bending of a rectangle', job: () => plan(button, 'finger'), id: 'thumb.finger.tape', own: (0.18 / 0.022) * (1 / (0.025 * 0.06) + (6 * 0.03) / (0.025 * 0.06 ** 2)), limit: 30e3 },
  { what: 'finger, a press of an hour', source: 'a stalled servo, ten seconds at most', job: () => put(plan(button, 'finger'), 'act', { script: [{ do: 'press', seconds: 3600 }] }), id: 'thumb.finger.stall-time', own: 3600, limit: 10, verdict: 'stop' },
  // Act, Routine, Try.
  { what: 'a switch that stays down, pressed for 0.2 s', source: 'it runs while its contact is closed', job: () => plan(said([...APART, ...latching]), 'solid-state-relay'), id: 'act.hold', verdict: 'stop' },
  { what: 'presses for 99.9 % at 90 % confidence', source: 'success-run theorem: ln 0.1/ln 0.999', job: () => plan(button, 'solid-state-relay'), id: 'try.many-presses', verdict: 'unknown' },
  { what: 'a door pressed at a time of day', source: 'one button opens what is closed', job: () => put(put(plan(loop12, 'solid-state-relay'), 'act', { machine: { kind: 'open-stop-close-stop', shortestPressSeconds: 0.1, longestPressSeconds: 3, runSeconds: 15, afterPowerCut: 'off' } }), 'routine', { sentences: [{ id: 's', at: '22:30', days: [1], ifArmed: false }] }), id: 'routine.blind', verdict: 'stop' },
];

const found = (a: Assessment, id: string): Finding => {
  const f = a.findings.find((x) => x.id === id);
  if (!f) throw new Error(`no finding ${id}; there are ${a.findings.map((x) => x.id).join(', ')}`);
  return f;
};

describe('judgements worked out a second time', () => {
  it('are sixty at least, over every room that judges', () => {
    expect(ROWS.length).toBeGreaterThanOrEqual(60);
    expect([...new Set(ROWS.map((r) => r.id.split('.')[0]))].sort()).toEqual(['act', 'board', 'feed', 'guard', 'probe', 'routine', 'thumb', 'try']);
    for (const r of ROWS) expect(r.source.length).toBeGreaterThan(6);
  });

  it.each(ROWS.map((r) => [`${r.what} (${r.source})`, r] as const))('%s', (_, r) => {
    const f = found(assess(r.job()), r.id);
    const said_ = `${f.title}: ${f.value ? formatQuantity(f.value.value, f.value.unit) : 'no value'}`;
    // Estimates carry the meter's own bounds; our corners are taken to a hundredth of the value.
    if (r.own !== undefined) expect(Math.abs(f.value!.value / r.own - 1), `${said_}, own ${r.own}`).toBeLessThan(0.03);
    if (r.limit !== undefined) expect(Math.abs(f.limit!.value / r.limit - 1), `${said_}, limit ${f.limit!.value}, own ${r.limit}`).toBeLessThan(0.02);
    if (r.verdict !== undefined) expect(typeof r.verdict === 'string' ? [r.verdict] : r.verdict, said_).toContain(f.verdict);
  });
});

describe('what a screen must never say', () => {
  it('that a scanned key pressed by an optocoupler has its collector on the strobe that goes low', () => {
    const wires = assess(plan(key, 'optocoupler')).ways.find((w) => w.way === 'optocoupler')!.wires;
    // The strobe is A here, the sense line B: A alone shows pulses.
    expect(wires.find((w) => w.from === 'collector')!.to).toBe('it B');
    expect(wires.find((w) => w.from === 'emitter')!.to).toBe('it A');
  });
  it('with nothing read, that anything is settled or stopped, or a voltage that nobody measured', () => {
    const job = put(finished(said(['control it'])), 'thumb', { way: 'solid-state-relay' });
    const a = assess(job);
    for (const w of a.ways.filter((x) => x.applies && x.way !== 'finger')) expect(['unknown', 'tight'], w.way).toContain(w.verdict);
    expect(filesOf(job, a).find((f) => f.name === 'wiring.svg')!.text.replace(/<title>.*?<\/title>/, '')).not.toMatch(/\d(\.\d+)? ?k?(V|Ω)/);
  });
  it.each([230, 120])('that a mains conductor has another colour than its function has at %i V, whatever was chosen', (mainsVolts) => {
    const rules = mainsVolts === 230 ? { live: /^(brown|black|grey)$/, neutral: /^blue$/, earth: /^green-yellow$/ } : { live: /^(black|red)$/, neutral: /^(white|grey)$/, earth: /^(green|green-yellow)$/ };
    for (const way of ['control-box', 'switched-supply'] as const)
      for (const mirrored of [false, true])
        for (const colours of [{}, Object.fromEntries(Array.from({ length: 40 }, (_, i) => [String(i + 1), ['green-yellow', 'blue', 'orange'][i % 3]!]))]) {
          const job = put(put(plan(load, way, { colours, motor: { ...load.thumb.motor, mirrored } }), 'thumb', {}), 'region', { mainsVolts, mainsHertz: 50 });
          const { wires } = assess(job).ways.find((w) => w.way === way)!;
          const ends = (pattern: RegExp) => wires.filter((w) => pattern.test(w.from) || pattern.test(w.to));
          expect(ends(/earth$/).length).toBeGreaterThan(0);
          for (const w of ends(/earth$/)) expect(w.colour).toMatch(rules.earth);
          for (const w of ends(/neutral$/)) expect(w.colour).toMatch(rules.neutral);
          for (const w of ends(/live$/)) expect(w.colour).toMatch(rules.live);
          for (const w of wires.filter((x) => x.role === 'signal')) expect(w.colour).not.toMatch(/green|blue|brown/);
          // Each of two motors has its neutral, its earth, and run wires of its own.
          if (way === 'control-box' && mirrored) for (const end of ['M2 up', 'M2 down', 'M2 neutral', 'M2 earth']) expect(wires.some((w) => w.to === end || w.from === end), end).toBe(true);
        }
  });
  it('that no verdict is kinder than its inputs', () => {
    expect(not).not.toContain(found(assess(plan(button, 'solid-state-relay')), 'thumb.choice').verdict);
    expect(not).toContain(found(assess(plan(unreadKey, 'solid-state-relay')), 'thumb.choice').verdict);
  });
});
