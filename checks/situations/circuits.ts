import { SHIPPED_PARTS } from '../../core/engines/parts';
import { demoJob } from '../../core/testing/jobs';
import type { Job, OwnPart } from '../../core/ground/job';
import {
  APART,
  BUTTON,
  KEY,
  LOOP,
  RELAY,
  dryPair,
  edit,
  finished,
  lowButton,
  mainsLoad,
  onPin,
  pressed,
  said,
  source,
  type Situation,
} from './situation';

const way = (job: Job, w: Job['presses'][number]['way'], picks: Record<string, string> = {}): Job =>
  pressed(job, { way: w, picks });
/** The values of a class of the table, for a part of one's own that is otherwise as such parts are. */
const shipped = (id: string): OwnPart['values'] =>
  structuredClone(SHIPPED_PARTS.find((p) => p.id === id)!.values) as OwnPart['values'];
/** A part of one's own, taken. */
const own = (job: Job, part: OwnPart): Job =>
  pressed(edit(job, { do: 'put', list: 'bench.parts', item: part }), {
    picks: { ...job.bench.picks, [part.kind]: part.id },
  });

const NPN = way(BUTTON, 'npn-to-ground', { npn: 'npn-small' });
const NMOS = way(BUTTON, 'nmos-to-ground', { nmos: 'nmos-logic' });
const COUPLER = way(BUTTON, 'optocoupler', { optocoupler: 'opto-plain' });
const MODULE = pressed(way(BUTTON, 'relay-module', { 'relay-module': 'module-high' }), { moduleMode: 'momentary' });
const SWITCH = way(BUTTON, 'analogue-switch', { 'analogue-switch': 'switch-low' });
const PAD = demoJob('dough-proofer');
/** A button of 12 V and 2.2 kΩ. */
const TWELVE = way(finished(said([...APART, ...lowButton(12, 2.2e3)])), 'solid-state-relay');
const REMOTE = pressed(BUTTON, { way: 'spare-remote', remote: { has: 'yes', batteryVolts: 3, pullOhms: 100e3 } });

/** What must never be green of what stands between a pin and a pair. */
export const OF_CIRCUITS: readonly Situation[] = [
  {
    what: 'a pair of 24 V on a MOSFET of 20 V',
    source: 'absolute maximum of the drain',
    sound: way(finished(said([...APART, ...lowButton(12, 2.2e3)])), 'nmos-to-ground', { nmos: 'nmos-logic' }),
    make: () => way(finished(said([...APART, ...lowButton(24, 4.7e3)])), 'nmos-to-ground', { nmos: 'nmos-logic' }),
    rooms: ['thumb'],
  },
  {
    what: 'a pair of 24 V and 2.4 A on a coupler of 50 mA',
    source: 'output current of couplers',
    sound: COUPLER,
    make: () => way(finished(said([...APART, ...lowButton(12, 100)])), 'optocoupler', { optocoupler: 'opto-plain' }),
    rooms: ['thumb'],
  },
  {
    what: 'a pull-up of 220 Ω, which a coupler of 50 % does not pull low',
    source: 'transfer: 0.5 × 5 mA against 22 mA',
    sound: COUPLER,
    make: () => way(finished(said([...APART, ...lowButton(4.98, 220)])), 'optocoupler', { optocoupler: 'opto-plain' }),
    rooms: ['thumb'],
  },
  {
    what: 'a MOSFET stated at 4.5 V on a pin of 3.3 V',
    source: 'on-resistance is stated at a gate voltage: threshold up to 3 V',
    sound: NMOS,
    make: (j) => pressed(j, { picks: { nmos: 'nmos-small' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a transistor of one’s own with a gain of 3',
    source: 'forced gain',
    sound: NPN,
    make: (j) =>
      own(pressed(j, { resistorOhms: 10e3 }), {
        id: 'weak',
        kind: 'npn',
        name: 'weak',
        values: { ...shipped('npn-small'), gain: [0.5, 1, 3] },
      }),
    rooms: ['thumb'],
  },
  {
    what: 'a transistor of one’s own that leaks a milliampere while it is open',
    source: 'leakage × pull-up: 1 mA × 10 kΩ',
    sound: NPN,
    make: (j) =>
      own(j, {
        id: 'leaky',
        kind: 'npn',
        name: 'leaky',
        values: { ...shipped('npn-small'), leakageAmps: [0, 1e-4, 1e-3] },
      }),
    rooms: ['thumb'],
  },
  {
    what: 'a relay of one’s own whose contact bears 3 V',
    source: 'contact rating',
    sound: RELAY,
    make: (j) =>
      own(j, {
        id: 'toy',
        kind: 'relay',
        name: 'toy',
        values: { ...shipped('relay-signal'), contactVolts: [3, 3, 3] },
      }),
    rooms: ['thumb'],
  },
  {
    what: 'a relay of one’s own with a coil of 20 Ω on a small transistor',
    source: 'I_C: 5 V / 20 Ω = 250 mA of 0.2 A',
    sound: RELAY,
    make: (j) =>
      own(j, {
        id: 'hungry',
        kind: 'relay',
        name: 'hungry',
        values: { ...shipped('relay-signal'), coilOhms: [18, 20, 22] },
      }),
    rooms: ['thumb'],
  },
  {
    what: 'a module for 5 V on a supply of 12 V',
    source: 'rated supply of a module',
    sound: MODULE,
    make: (j) => source(j, { volts: 12 }),
    rooms: ['feed', 'thumb'],
  },
  {
    what: 'a module that presses on low from 5 V, on a pin of 3.3 V, with a bare transistor at its input',
    source: 'a pin’s high of 3.3 V leaves 1.7 V over 1 kΩ and a junction: it never lets go',
    sound: MODULE,
    make: (j) => pressed(j, { picks: { 'relay-module': 'module-base' } }),
    rooms: ['thumb', 'board'],
  },
  {
    what: 'a loop of 24 V AC on a coupler',
    source: 'a coupler carries one way only',
    sound: way(finished(said([...APART, ...dryPair('11.6 V', 8.2)])), 'optocoupler'),
    make: () => way(finished(said([...APART, ...dryPair('24 VAC', 19.2)])), 'optocoupler'),
    rooms: ['thumb'],
  },
  {
    what: 'a loop of 38 V on a reed of one’s own limit, broken at 0.9 A',
    source: 'contact rating 0.5 A',
    sound: way(LOOP, 'relay-contact', { relay: 'relay-reed' }),
    make: () => way(finished(said([...APART, ...dryPair('38 V', 900)])), 'relay-contact', { relay: 'relay-reed' }),
    rooms: ['thumb'],
  },
  {
    what: 'a button of 12 V on an analogue switch of 5.5 V',
    source: 'absolute maximum of the switch',
    sound: SWITCH,
    make: () =>
      way(finished(said([...APART, ...lowButton(12, 2.2e3)])), 'analogue-switch', { 'analogue-switch': 'switch-low' }),
    rooms: ['thumb'],
  },
  {
    what: 'an analogue switch of 1 050 Ω on a pull-up of 2.2 kΩ',
    source: 'divider: 1050/(1050 + 2200) of the supply is no low',
    sound: SWITCH,
    make: () =>
      way(finished(said([...APART, ...lowButton(4.98, 2.2e3)])), 'analogue-switch', {
        'analogue-switch': 'switch-cmos',
      }),
    rooms: ['thumb'],
  },
  {
    what: 'a scanned key pressed by a transistor to ground',
    source: 'a held column reads every row of it, any handbook of keypads',
    sound: way(KEY, 'solid-state-relay'),
    make: (j) => way(j, 'npn-to-ground'),
    rooms: ['thumb'],
  },
  {
    what: 'a scanned key answered by a program that takes 8 ms, in a strobe of 2 ms',
    source: 'the answer must stand while the strobe lasts',
    sound: PAD,
    make: (j) => pressed(j, { way: 'strobe-answer' }),
    rooms: ['thumb'],
  },
  {
    what: 'a key answered by logic whose press is shorter than the scans that the machine wants',
    source: 'period times scans',
    sound: PAD,
    make: (j) => pressed(j, { scan: { ...j.presses[0]!.scan, scansNeeded: 40, holdSeconds: 0.05 } }),
    rooms: ['thumb', 'act'],
  },
  {
    what: 'a spare remote that nobody has',
    source: 'common practice',
    sound: REMOTE,
    make: (j) => pressed(j, { remote: { ...j.presses[0]!.remote, has: 'unknown' } }),
    rooms: ['thumb'],
  },
  {
    what: 'a photo relay between mains and hands that is 3 mm wide inside',
    source: 'IEC 60664-1: reinforced at 230 V wants 5.5 mm and more',
    sound: way(finished(said([...APART, ...mainsLoad])), 'relay-contact', { relay: 'relay-power' }),
    make: (j) => way(j, 'solid-state-relay', { 'solid-state-relay': 'ssr-60' }),
    rooms: ['thumb'],
  },
  {
    what: 'a press on a pin that is an input only',
    source: 'abilities of the chip',
    sound: BUTTON,
    make: (j) => onPin(j, 17),
    rooms: ['board'],
  },
  {
    what: 'a relay driven from a pin that floats at power-up, without a pull-down',
    source: 'floating base, common practice',
    sound: RELAY,
    make: (j) => pressed(j, { pullDown: false }),
    rooms: ['board'],
  },
  {
    what: 'a MOSFET’s gate on a pin that floats, without a pull-down',
    source: 'floating gate, any handbook of MOSFETs',
    sound: NMOS,
    make: (j) => pressed(j, { pullDown: false }),
    rooms: ['board'],
  },
  {
    what: 'the machine’s 12 V on a pin by a shared ground that nobody proved',
    source: 'IEC 61140',
    sound: way(TWELVE, 'npn-to-ground'),
    make: (j) =>
      edit(
        j,
        ...j.readings
          .filter((r) => ['mains', 'earth'].includes(r.to.kind))
          .map((r) => ({ do: 'strike-reading' as const, id: r.id, struck: true })),
      ),
    rooms: ['thumb', 'guard', 'probe'],
  },
];
