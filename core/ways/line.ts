import { atLeast, atMost, judged, worst, type Finding, type Origin, type RangedInput } from '../finding';
import type { Control, ControlFact, Way } from '../job';
import type { Interval } from '../quantity';

/** The button's line as Probe knows it: what a closed switch must pull, and the levels that the machine obeys. */
export interface Line {
  readonly polarity: 'low' | 'high';
  readonly supply: RangedInput;
  readonly pull: RangedInput;
  readonly lowBelow: { volts: number; origin: Origin; name: string };
  readonly highAbove: { volts: number; origin: Origin; name: string };
}

const origin = (fact: ControlFact, what: string): Origin =>
  fact.lastReadingAt ? { from: 'measured', at: fact.lastReadingAt, what } : { from: 'source', key: 'kind-priors' };

/** Kinds whose button joins two points of a plain logic line; a sense line and its strobe are such a pair while the strobe is on. */
const HAS_LINE: readonly ControlFact['leading'][] = ['low-when-pressed', 'high-when-pressed', 'dry-pair', 'latching-switch', 'selector', 'scanned-matrix'];

/** The line of a control, or null for kinds that have none (a switched load carries the load itself). */
export function lineOf(fact: ControlFact, control: Control): Line | null {
  const p = fact.parameters;
  if (!HAS_LINE.includes(fact.leading)) return null;
  const dry = fact.leading === 'dry-pair';
  const high = fact.leading === 'high-when-pressed';
  const supply: Interval | undefined = dry ? p['loopVolts'] : p['supplyVolts'];
  const pull = dry ? p['loopOhms'] : high ? p['pullDownOhms'] : p['pullUpOhms'];
  if (!supply || !pull) return null;
  const base = {
    polarity: high ? ('high' as const) : ('low' as const),
    supply: { symbol: 'V_CC', name: dry ? 'open loop voltage' : 'appliance supply', range: supply, unit: 'V' as const, origin: origin(fact, 'estimated in Probe') },
    pull: { symbol: 'R', name: dry ? 'loop resistance' : high ? 'pull-down' : 'pull-up', range: pull, unit: 'Ω' as const, origin: origin(fact, 'estimated in Probe') },
  };
  if (dry) {
    const key = { from: 'source', key: 'dry-pair-levels' } as const;
    return { ...base, lowBelow: { volts: 0.2 * supply.low, origin: key, name: 'a fifth of the open voltage' }, highAbove: { volts: 0.7 * supply.low, origin: key, name: 'seven tenths of the open voltage' } };
  }
  return { ...base, ...inputLevels(control, supply) };
}

function inputLevels(control: Control, supply: Interval): Pick<Line, 'lowBelow' | 'highAbove'> {
  if (control.levels === 'own' && control.lowBelowVolts !== null && control.highAboveVolts !== null) {
    const own = { from: 'maker', what: 'from the data sheet of the appliance’s controller' } as const;
    return { lowBelow: { volts: control.lowBelowVolts, origin: own, name: 'low level (VIL)' }, highAbove: { volts: control.highAboveVolts, origin: own, name: 'high level (VIH)' } };
  }
  if (control.levels === 'ttl') {
    const ttl = { from: 'source', key: 'ttl-levels' } as const;
    return { lowBelow: { volts: 0.8, origin: ttl, name: 'low level (VIL)' }, highAbove: { volts: 2.0, origin: ttl, name: 'high level (VIH)' } };
  }
  const cmos = { from: 'source', key: 'cmos-levels' } as const;
  return { lowBelow: { volts: 0.3 * supply.low, origin: cmos, name: 'low level (VIL), 0.3 of supply' }, highAbove: { volts: 0.7 * supply.high, origin: cmos, name: 'high level (VIH), 0.7 of supply' } };
}

/** What stands for the closed and the open switch at the corners. */
export interface SwitchModel {
  readonly saturation?: RangedInput;
  readonly onOhms?: RangedInput;
  readonly leakage: RangedInput;
}

const FORMULAS = {
  low: {
    pressed: { sat: 'V_sat + R_wire * (V_CC - V_sat) / R', ohms: 'V_CC * R_on / (R + R_on)' },
    idle: 'V_CC - I_leak * R',
  },
  high: {
    pressed: { sat: 'V_CC - V_sat', ohms: 'V_CC * R / (R + R_on)' },
    idle: 'I_leak * R',
  },
} as const;

/** The pressed and the idle level at their worst corners against what the machine obeys. */
export function levelFindings(way: Way, line: Line, sw: SwitchModel, wireOhms: RangedInput): Finding[] {
  const f = FORMULAS[line.polarity];
  const closed = sw.saturation ?? sw.onOhms!;
  const wire = sw.saturation && line.polarity === 'low' ? [wireOhms] : [];
  const supplyTop = line.supply.range.high;
  const lowLimit = atMost(line.lowBelow.volts, 'V', line.lowBelow.name, line.lowBelow.origin);
  const highLimit = atLeast(line.highAbove.volts, 'V', line.highAbove.name, line.highAbove.origin);
  const low = line.polarity === 'low';
  const pressed = worst(low ? 'highest' : 'lowest', 'level while pressed', 'V_pressed', sw.saturation ? f.pressed.sat : f.pressed.ohms, 'V', [line.supply, line.pull, closed, ...wire]);
  const idle = worst(low ? 'lowest' : 'highest', 'level while idle', 'V_idle', f.idle, 'V', [line.supply, line.pull, sw.leakage]);
  // A margin of a tenth of the supply leaves room for noise and for what was not measured.
  const common = { tightShare: 0.1, span: supplyTop };
  return [
    judged('thumb', `${way}.pressed-level`, {
      title: `Pressed level ${low ? 'under' : 'over'} the machine's ${low ? 'low' : 'high'} level`, caption: 'pressed level', steps: [pressed], limit: low ? lowLimit : highLimit, source: ['ohm'], ...common,
    }),
    judged('thumb', `${way}.idle-level`, {
      title: `Idle level ${low ? 'over' : 'under'} the machine's ${low ? 'high' : 'low'} level`, caption: 'idle level', steps: [idle], limit: low ? highLimit : lowLimit, source: ['ohm'], ...common,
    }),
  ];
}
