import {
  APART,
  BUTTON,
  KEY,
  LOOP,
  RELAY,
  dryPair,
  finished,
  machine,
  moves,
  pressed,
  put,
  said,
  type Situation,
} from './situation';
import { type Hazard, type Job } from '../../core/ground/job';

const held =
  (hazard: Hazard) =>
  (j: Job): Job =>
    put(
      put(
        moves(
          machine({ kind: 'while-held', shortestPressSeconds: 0.05, longestPressSeconds: 60, runSeconds: null })(j),
          ['press', 30],
        ),
        'guard',
        { cutOff: 'none' },
      ),
      'wish',
      { hazards: [hazard] },
    );
const AND = ['guard', 'act', 'thumb'] as const;

/** What must never be green of times, loads and people. */
export const OF_PRESSES: readonly Situation[] = [
  {
    what: 'a press shorter than the machine sees',
    source: 'arithmetic',
    sound: BUTTON,
    make: (j) => moves(j, ['press', 0.02]),
    holds: (j) => (j.act.parts[0]!.shortestPressSeconds ?? 0) > 0.02,
    rooms: ['act'],
  },
  {
    what: 'a press longer than the machine takes',
    source: 'arithmetic',
    sound: BUTTON,
    make: (j) => moves(j, ['press', 5]),
    holds: (j) => (j.act.parts[0]!.longestPressSeconds ?? 0) < 5,
    rooms: ['act'],
  },
  {
    what: 'a press that the relay’s release makes longer than the machine takes',
    source: 'release with a diode, up to 3 times, relay makers’ application notes',
    sound: RELAY,
    make: (j) => moves(machine({ shortestPressSeconds: 0.01, longestPressSeconds: 0.03 })(j), ['press', 0.02]),
    rooms: AND,
  },
  {
    what: 'a press of which the relay’s own time leaves less than the machine sees',
    source: 'operate time 15 ms',
    sound: pressed(RELAY, { picks: { relay: 'relay-power' } }),
    make: (j) => moves(machine({ shortestPressSeconds: 0.01 })(j), ['press', 0.02]),
    rooms: AND,
  },
  {
    what: 'a press of 2 ms by a photo relay that takes 1 to 3 ms',
    source: 'turn-on of photo relays, data sheets',
    sound: BUTTON,
    make: (j) => moves(machine({ shortestPressSeconds: 0.001 })(j), ['press', 0.002]),
    rooms: AND,
  },
  {
    what: 'two presses so close that the machine takes them for one',
    source: 'arithmetic',
    sound: machine({ leastGapSeconds: 0.5 })(BUTTON),
    make: (j) => moves(j, ['press', 0.2], ['wait', 0.1], ['press', 0.2]),
    rooms: ['act'],
  },
  {
    what: 'a press of a scanned key that meets fewer scans than it wants',
    source: 'period times scans',
    sound: KEY,
    make: (j) => moves(pressed(j, { scan: { ...j.presses[0]!.scan, scansNeeded: 4 } }), ['press', 0.03]),
    rooms: AND,
  },
  ...(['unattended-heat', 'moving-door', 'pressure', 'gas', 'water', 'pinch', 'medical'] as const).map(
    (h): Situation => ({
      what: `a valve or drive that runs while it is held, and nothing ends it: ${h}`,
      source: 'IEC 60335-1 §22 and 60730-1: a failed controller must not hold it on',
      sound: put(BUTTON, 'wish', { hazards: ['mains'] }),
      make: held(h),
      rooms: ['guard'],
    }),
  ),
  {
    what: 'a one-shot of which a hung short press lasts longer than the machine takes',
    source: 'one-shot is as long as the longest press',
    sound: BUTTON,
    make: (j) => moves(machine({ longestPressSeconds: 40 })(j), ['press', 0.2], ['wait', 2], ['press', 30]),
    rooms: ['guard', 'act'],
  },
  {
    what: 'hazards that nobody looked through',
    source: 'ISO 12100, risk assessment',
    sound: BUTTON,
    make: (j) => put(j, 'wish', { hazards: [], hazardsReviewed: false }),
    rooms: ['wish', 'guard'],
  },
  {
    what: 'a damp room and open terminals',
    source: 'IEC 60664-1, pollution degree',
    sound: BUTTON,
    make: (j) => put(j, 'guard', { place: 'unknown' }),
    rooms: ['guard'],
  },
  {
    what: 'a machine of which nobody said what a press does',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ kind: 'unknown' }),
    rooms: ['act'],
  },
  {
    what: 'a machine that stays on after a power cut, with heat',
    source: 'IEC 60335-1 §20 and 22: unexpected restart',
    sound: BUTTON,
    make: machine({ afterPowerCut: 'on' }),
    holds: (j) => j.wish.hazards.includes('unattended-heat'),
    rooms: ['act', 'guard'],
    worst: 'tight',
  },
  {
    what: 'a machine whose first press only wakes it',
    source: 'arithmetic',
    sound: BUTTON,
    make: machine({ firstPressWakes: true, awakeSeconds: 5 }),
    holds: (j) => j.act.moves.every((m) => m.steps.filter((s) => s.do === 'press').length === 1),
    rooms: ['act'],
  },
  {
    what: 'presses of which nobody said how long they have to be',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ shortestPressSeconds: null }),
    rooms: ['act'],
  },
  {
    what: 'presses of which nobody said how long they may be',
    source: 'common practice',
    sound: BUTTON,
    make: machine({ longestPressSeconds: null }),
    rooms: ['act'],
  },
  {
    what: 'a transistor on AC',
    source: 'a junction is a diode',
    sound: pressed(LOOP, { way: 'solid-state-relay' }),
    make: () => pressed(finished(said([...APART, ...dryPair('24 VAC', 19.2)])), { way: 'optocoupler' }),
    rooms: ['thumb'],
  },
  {
    what: 'a loop of 24 V and 150 mA, which is a coil, without a diode',
    source: 'L·di/dt: 7.4 kV at 0.5 H into 200 pF, ngspice',
    sound: LOOP,
    make: () =>
      pressed(finished(said([...APART, ...dryPair('24 V', 150)])), {
        way: 'relay-contact',
        picks: { relay: 'relay-reed' },
      }),
    rooms: ['thumb', 'guard'],
    worst: 'unknown',
  },
  {
    what: 'a loop of 24 V and 150 mA on a photo relay',
    source: 'inductive energy, no clamp',
    sound: LOOP,
    make: () => pressed(finished(said([...APART, ...dryPair('24 V', 150)])), { way: 'solid-state-relay' }),
    rooms: ['thumb', 'guard'],
  },
  {
    what: 'a loop over the photo relay’s 60 V',
    source: 'load rating',
    sound: LOOP,
    make: () => pressed(finished(said([...APART, ...dryPair('60 VAC', 5)])), { way: 'solid-state-relay' }),
    rooms: ['thumb'],
  },
];
