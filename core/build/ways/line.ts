import { LOGIC_LOW_VOLTS } from './driver-levels';
import { present } from '../../ground/lists';
import {
  constant,
  derive,
  judged,
  worst,
  type Finding,
  type Limit,
  type Origin,
  type RangedInput,
  type Step,
} from '../../ground/finding';
import { type SourceKey } from '../../ground/sources';
import type { ControlFact } from '../../ground/facts';
import type { Control, Way } from '../../ground/job';
import type { Interval } from '../../ground/quantity';

/** The button's line as Probe knows it: what a closed switch must pull, and the levels that the machine obeys. */
export interface ControlLine {
  readonly polarity: 'low' | 'high';
  readonly alternating: ControlFact['alternating'];
  readonly supply: RangedInput;
  readonly pull: RangedInput;
  readonly lowBelow: InputLevel;
  readonly highAbove: InputLevel;
  /** The same with the supply at one of its ends: what is pulled up from it and what takes it for a level have one supply. */
  readonly at: Readonly<Record<'low' | 'high', Levels>>;
}
/** What is taken for low and for high. */
type Levels = Readonly<Record<'lowBelow' | 'highAbove', InputLevel>>;

/** A level that the machine obeys, V; `steps` where it follows from its supply. */
export interface InputLevel {
  readonly volts: number;
  readonly origin: Origin;
  readonly name: string;
  readonly steps?: readonly Step[];
}

/** Where a value of a control came from: its readings, or what such controls usually have. */
export const probed = (fact: ControlFact, key: string): Origin => {
  const at = fact.read[key];
  return at === undefined
    ? { from: 'prior', what: 'what such controls usually have: nobody read it here' }
    : { from: 'estimated', at, what: 'estimated in Probe from its readings' };
};

/** A level as a share of the supply at one of its ends. */
export function shareLevel(
  symbol: string,
  name: string,
  k: number,
  supply: RangedInput,
  end: 'low' | 'high',
  key: SourceKey,
): InputLevel {
  const step = derive(name, symbol, 'k * V_CC', 'V', [
    constant('k', 'share of the supply', k, '1', key),
    {
      symbol: 'V_CC',
      name: `${supply.name}, ${end === 'low' ? 'lowest' : 'highest'}`,
      of: supply.name,
      value: supply.range[end],
      unit: 'V',
      origin: supply.origin,
      usual: supply.range.nominal,
    },
  ]);
  return { volts: step.result.value, origin: { from: 'source', key }, name, steps: [step] };
}
/** Kinds whose button joins two points of a plain logic line; a sense line and its strobe are such a pair while the strobe is on. */
const HAS_LINE: readonly ControlFact['leading'][] = [
  'low-when-pressed',
  'high-when-pressed',
  'dry-pair',
  'latching-switch',
  'selector',
  'scanned-matrix',
];

/** The line of a control, or null for kinds that have none (a switched load carries the load itself). */
export function lineOf(fact: ControlFact, control: Control): ControlLine | null {
  const p = fact.parameters;
  if (!HAS_LINE.includes(fact.leading)) return null;
  const dry = fact.leading === 'dry-pair';
  const high = fact.farSide === 'supply' || (fact.leading === 'scanned-matrix' && fact.strobesLow === 'no');
  const pulled = dry ? 'loopOhms' : fact.leading === 'high-when-pressed' ? 'pullDownOhms' : 'pullUpOhms';
  const supply: Interval | undefined = dry ? p['loopVolts'] : p['supplyVolts'];
  const pull = p[pulled];
  if (!supply || !pull) return null;
  const base = {
    polarity: high ? ('high' as const) : ('low' as const),
    alternating: fact.alternating,
    supply: {
      symbol: 'V_CC',
      name: dry ? 'open loop voltage' : 'appliance supply',
      range: supply,
      unit: 'V' as const,
      origin: probed(fact, dry ? 'loopVolts' : 'supplyVolts'),
    },
    pull: {
      symbol: 'R',
      name: dry ? 'loop resistance' : high ? 'pull-down' : 'pull-up',
      range: pull,
      unit: 'Ω' as const,
      origin: probed(fact, pulled),
    },
  };
  const levels = (low: 'low' | 'high', high: 'low' | 'high'): Levels =>
    dry ? dryLevels(base.supply, low, high) : inputLevels(control, base.supply, low, high);
  // Against a level that comes from elsewhere each limit stands at its harder end; a loop has nothing but itself.
  return {
    ...base,
    ...levels('low', dry ? 'low' : 'high'),
    at: { low: levels('low', 'low'), high: levels('high', 'high') },
  };
}

const dryLevels = (supply: RangedInput, low: 'low' | 'high', high: 'low' | 'high'): Levels => ({
  lowBelow: shareLevel('V_IL', 'a fifth of the open voltage', DRY.low, supply, low, 'dry-pair-levels'),
  highAbove: shareLevel('V_IH', 'seven tenths of the open voltage', DRY.high, supply, high, 'dry-pair-levels'),
});

/** Levels as shares of the supply: of a dry pair's loop (`dry-pair-levels`) and of CMOS inputs (`cmos-levels`); TTL's high level, V. */
const DRY = { low: 0.2, high: 0.7 } as const;
const CMOS = { low: 0.3, high: 0.7 } as const;
const TTL_HIGH_VOLTS = 2;

function inputLevels(control: Control, supply: RangedInput, low: 'low' | 'high', high: 'low' | 'high'): Levels {
  if (control.levels === 'own' && control.lowBelowVolts !== null && control.highAboveVolts !== null) {
    const own = { from: 'maker', what: 'from the data sheet of the appliance’s controller' } as const;
    return {
      lowBelow: { volts: control.lowBelowVolts, origin: own, name: 'low level (VIL)' },
      highAbove: { volts: control.highAboveVolts, origin: own, name: 'high level (VIH)' },
    };
  }
  if (control.levels === 'ttl') {
    const ttl = { from: 'source', key: 'ttl-levels' } as const;
    return {
      lowBelow: { volts: LOGIC_LOW_VOLTS, origin: ttl, name: 'low level (VIL)' },
      highAbove: { volts: TTL_HIGH_VOLTS, origin: ttl, name: 'high level (VIH)' },
    };
  }
  return {
    lowBelow: shareLevel('V_IL', 'low level (VIL), 0.3 of supply', CMOS.low, supply, low, 'cmos-levels'),
    highAbove: shareLevel('V_IH', 'high level (VIH), 0.7 of supply', CMOS.high, supply, high, 'cmos-levels'),
  };
}

/** A level as a limit. */
export const levelLimit = (sense: Limit['sense'], l: InputLevel): Limit => ({
  sense,
  value: l.volts,
  unit: 'V',
  name: l.name,
  origin: l.origin,
  ...(l.steps ? { steps: l.steps } : {}),
});

/** What stands for the closed and the open switch at the corners. */
export interface SwitchModel {
  readonly saturation?: RangedInput;
  readonly onOhms?: RangedInput;
  readonly leakage: RangedInput;
}

const FORMULAS = {
  low: {
    pressed: { sat: 'V_sat + R_wire * (V_CC - V_sat) / R', ohms: 'V_CC * R_on / (R + R_on)' },
    // Leakage takes no more than there is.
    idle: 'max(0, V_CC - I_leak * R)',
  },
  high: {
    pressed: { sat: 'V_CC - V_sat', ohms: 'V_CC * R / (R + R_on)' },
    idle: 'min(V_CC, I_leak * R)',
  },
} as const;

/**
 * The pressed and the idle level at their worst corners against what the machine obeys. The supply that pulls is the one that the
 * machine reads by: both ends of it are tried, and the worse one is told.
 */
export function levelFindings(way: Way, line: ControlLine, sw: SwitchModel, wireOhms: RangedInput): Finding[] {
  const f = FORMULAS[line.polarity];
  const closed = sw.saturation ?? present(sw.onOhms);
  const wire = sw.saturation && line.polarity === 'low' ? [wireOhms] : [];
  const low = line.polarity === 'low';
  // A margin of a tenth of the supply leaves room for noise and for what was not measured.
  const common = { tightShare: 0.1, span: line.supply.range.high };
  const pressed = worseEnd(line, low, (supply) =>
    worst(
      low ? 'highest' : 'lowest',
      'level while pressed',
      'V_pressed',
      sw.saturation ? f.pressed.sat : f.pressed.ohms,
      'V',
      [supply, line.pull, closed, ...wire],
    ),
  );
  const idle = worseEnd(line, !low, (supply) =>
    worst(low ? 'lowest' : 'highest', 'level while idle', 'V_idle', f.idle, 'V', [supply, line.pull, sw.leakage]),
  );
  return [
    judged('thumb', `${way}.pressed-level`, {
      title: `Pressed level ${low ? 'under' : 'over'} the machine's ${low ? 'low' : 'high'} level`,
      caption: 'pressed level',
      ...pressed,
      source: ['ohm'],
      ...common,
    }),
    judged('thumb', `${way}.idle-level`, {
      title: `Idle level ${low ? 'over' : 'under'} the machine's ${low ? 'high' : 'low'} level`,
      caption: 'idle level',
      ...idle,
      source: ['ohm', 'temperature'],
      ...common,
    }),
  ];
}

/**
 * A level and its limit with the supply at the end at which less is left between them.
 * @param under whether it must be under the low level
 */
function worseEnd(
  line: ControlLine,
  under: boolean,
  level: (supply: RangedInput) => Step,
): { readonly steps: readonly Step[]; readonly limit: Limit } {
  const [one, other] = (['low', 'high'] as const).map((end) => {
    const volts = line.supply.range[end];
    const step = level({
      ...line.supply,
      name: `${line.supply.name}, ${end === 'low' ? 'lowest' : 'highest'}`,
      range: { low: volts, nominal: volts, high: volts },
    });
    const { lowBelow, highAbove } = line.at[end];
    const limit = under ? levelLimit('at most', lowBelow) : levelLimit('at least', highAbove);
    const left = under ? limit.value - step.result.value : step.result.value - limit.value;
    return { steps: [step], limit, left };
  });
  const { steps, limit } = present(one).left <= present(other).left ? present(one) : present(other);
  return { steps, limit };
}
