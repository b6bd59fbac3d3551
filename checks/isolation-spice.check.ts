// Isolation of structures between mains and the low side, each reading that is asked for taken in native ngspice with models of
// its own: junctions, light-emitting diodes, droppers, Y capacitors, windings. Models: textbook Shockley diodes, from memory.
import { describe, expect, it } from 'vitest';
import { HAND_METER, type MainsSide, type Meter, type Point } from '../core/ground/job';
import { readOut } from './bench/untested';
import type { Answer, Spec } from './bench/reading';
import { point, transient } from './spice';

const MODELS = `
.model rect d(is=14n n=1.9 rs=0.04 bv=1000)
.model small d(is=2.5n n=1.75 rs=0.6 bv=75)
.model led d(is=1e-18 n=1.9 rs=2 bv=6)
`;
/** The low side: a button with a pull resistor, its B on ground. */
const LOW_SIDE = 'rpull a v 10k\nrboard v g 2.9k\nrb b g 0.1';
const APART = 'rleakp g p 5g\nrleakq g q 5g';
const BRIDGE = 'd1 p hv rect\nd2 q hv rect\nd3 hn p rect\nd4 hn q rect\nrbleed hv hn 470k\nchv hv hn 10u ic=0';

/** Parts between the pins P and Q, the low side's ground G and earth E. */
const SOUND: Readonly<Record<string, string>> = {
  'a switch-mode supply with a Y capacitor': `${BRIDGE}\ncy hn g 2.2n\n${APART}`,
  'a transformer': `rwind p q 220\ncw p g 100p\n${APART}`,
  'a supply whose low side is bonded to earth': `${BRIDGE}\ncy hn g 2.2n\nrbond g e 0.1\n${APART}`,
  'a filter to earth before a transformer': `rwind p q 220\ncy1 p e 2.2n\ncy2 q e 2.2n\ncge g e 10n\n${APART}`,
};
const TIED: Readonly<Record<string, string>> = {
  'a capacitive dropper with a bridge': `cx p m 330n\nrx p m 1meg\nd1 m vp small\nd2 q vp small\nd3 g m small\nd4 g q small\nrz vp g 4.7k`,
  'a capacitive dropper, one diode': `cx p m 330n\nrx p m 1meg\nd1 m vp small\nd2 g m small\nrz vp g 4.7k\nrq g q 0.05`,
  'a step-down converter behind a bridge': `${BRIDGE}\nrg hn g 0.05`,
  'the gate of a triac': 'rload p q 100\nrgate g q 330',
  'a live chassis': 'rload p q 470\nrch g p 10',
  'a neutral behind the closed switch': 'rload p q 90\nrn g q 0.05',
  'two junctions in a row': 'rload p q 600k\nd1 g m small\nd2 m q small',
  'two junctions in a row, the other way': 'rload p q 600k\nd1 p m small\nd2 m g small',
  'an optocoupler’s diode and its resistor': 'rload p q 600k\ndo g m led\nro m p 47k',
  'a bleeder of megohms': `rload p q 600k\nrbl g p 9.4meg`,
  'a damp board': `rload p q 600k\nrdamp g q 3meg`,
};

const NODES: Partial<Record<Point['kind'], string>> = { ground: 'g', live: 'p', neutral: 'q', mains: 'p', earth: 'e' };
const node = (p: Point): string => (p.kind === 'contact' ? p.name.toLowerCase() : NODES[p.kind]!);
const INPUT_OHMS = 10e6;
const BATTERY = 9.2;
const MOST_OHMS = 20e6;
const number = (value: number, digit: number): Answer => ({ value, digit, relation: '=', said: '' });

/** An unplugged meter that puts so many volts behind so many ohms on its tips: the volts across them. */
function unplugged(parts: string, s: Spec, volts: number, ohms: number): number {
  const [from, to] = [node(s.from), node(s.to)];
  const clip = [s.from, s.to].some((p) => p.kind === 'mains') ? 'rclip p q 0.05' : '';
  // Nothing in the room is apart without end, and a simulator wants a way to its own ground.
  const netlist = [
    '* unplugged',
    MODELS,
    parts,
    LOW_SIDE,
    clip,
    `rroom ${to} 0 1`,
    ...['a', 'b', 'g', 'v', 'p', 'q', 'e', 'm'].map((n) => `rleak_${n} ${n} 0 1t`),
    `vm tip ${to} ${volts}`,
    `rm tip ${from} ${ohms}`,
    '.end',
  ].join('\n');
  return point(netlist, [`v(${from})-v(${to})`])[0]!;
}

/** AC volts r.m.s. from a place to earth, plugged in, by a meter of 10 MΩ with what is clipped across it. */
function toEarth(parts: string, s: Spec): number {
  const turned = s.state === 'plug-turned' || s.state === 'turned-100k';
  const [live, neutral] = turned ? ['q', 'p'] : ['p', 'q'];
  const at = node(s.from.kind === 'earth' ? s.to : s.from);
  const loaded = s.state === 'loaded-100k' || s.state === 'turned-100k';
  const netlist = [
    '* plugged in',
    MODELS,
    parts,
    LOW_SIDE,
    `vmains ${live} ${neutral} sin(0 325 50)`,
    `rneutral ${neutral} 0 0.5`,
    'rearth e 0 0.5',
    'croom g e 60p',
    ...['a', 'g', 'm'].map((n) => `rleak_${n} ${n} 0 1t`),
    `rmeter ${at} e ${loaded ? 1 / (1e-5 + 1 / INPUT_OHMS) : INPUT_OHMS}`,
    '.tran 0.1m 0.3 0.2 0.1m',
    '.end',
  ].join('\n');
  const rows = transient(netlist, [`v(${at})`, 'v(e)']).map(([, v, e]) => v! - e!);
  const mean = rows.reduce((sum, v) => sum + v, 0) / rows.length;
  return Math.sqrt(rows.reduce((sum, v) => sum + (v - mean) ** 2, 0) / rows.length);
}

function answer(parts: string, s: Spec): Answer {
  if (s.kind === 'volts-ac') return number(Math.round(toEarth(parts, s) * 100) / 100, 0.01);
  if (s.kind === 'battery')
    return number(Math.round((BATTERY - unplugged(parts, s, BATTERY, INPUT_OHMS)) * 1000) / 1000, 1e-3);
  const volts = unplugged(parts, s, 0.4, 100e3);
  const ohms = volts / Math.max(1e-15, (0.4 - volts) / 100e3);
  return ohms > MOST_OHMS ? { value: MOST_OHMS, digit: 0, relation: '>', said: '' } : number(ohms, ohms / 2000);
}

const mains = (feed: MainsSide['feed'], tester: MainsSide['tester']): MainsSide => ({
  feed,
  mainSwitch: 'closed',
  cables: 'none',
  earth: 'pin',
  tester,
  batteryVolts: tester === 'none' ? BATTERY : null,
});
const METER = { inputOhms: INPUT_OHMS, stated: true };
const verdict = (parts: string, side: MainsSide, meter: Meter): string =>
  readOut({ mains: side, meter }, (s) => answer(parts, s));

describe('isolation by readings that a simulator takes', () => {
  const meter = { ...HAND_METER, ...METER };

  it.each(Object.entries(SOUND))('is reached: %s', (_, parts) => {
    expect(verdict(parts, mains('plug-turns', 'none'), meter)).toBe('isolated');
    expect(verdict(parts, mains('plug-one-way', 'none'), meter)).toBe('low-voltage');
    expect(verdict(parts, mains('wired', 'none'), { ...meter, stated: false })).toBe('low-voltage');
  });

  it.each(Object.entries(TIED))('is never said: %s', (_, parts) => {
    for (const side of [mains('plug-turns', 'none'), mains('plug-one-way', 'none'), mains('wired', 'none')])
      expect(['not-isolated', 'unknown'], side.feed).toContain(verdict(parts, side, meter));
  });
});
