import {
  atMost,
  chosen,
  carried,
  constant,
  derive,
  derivedLimit,
  finding,
  judged,
  type Finding,
  type Input,
  type Step,
} from '../../ground/finding';
import { pressBounds, type JobEdit, type Way } from '../../ground/job';
import { partValue, takenPart, valueOf, type TakenPart } from '../../engines/parts';
import { formatQuantity } from '../../ground/quantity';
import type { WayContext } from './context';
import { probed, type ControlLine } from './line';
import { isSupplyRead } from './read-motor';

/** Peak over nominal of an alternating voltage: √2, and mains a tenth over its nominal value (`part-share`). */
const PEAK_OVER = 1.1;

const top = (line: ControlLine): Input => ({
  symbol: 'V_CC',
  name: `${line.supply.name}, highest`,
  value: line.supply.range.high,
  unit: 'V',
  origin: line.supply.origin,
  usual: line.supply.range.nominal,
});

/** The voltage that stands across an open switch, at its peak and either way round, V. */
function peakVolts(line: ControlLine): Step {
  return line.alternating === 'no'
    ? derive('voltage across the open switch', 'V_peak', 'V_CC', 'V', [top(line)])
    : derive('peak across the open switch', 'V_peak', 'sqrt(2) * k * V_CC', 'V', [
        constant('k', 'over its nominal value', PEAK_OVER, '1', 'part-share'),
        top(line),
      ]);
}

/** The open switch under four fifths of its voltage rating. */
export function openVoltage(way: Way, line: ControlLine, part: TakenPart, rating: string, title: string): Finding {
  const limit = derive('four fifths of its rating', 'V_use', 'k_V * V_rated', 'V', [
    constant('k_V', 'share used', 0.8, '1', 'part-share'),
    partValue(part, rating, 'V_rated'),
  ]);
  return judged('thumb', `${way}.voltage`, {
    title,
    caption: 'open voltage',
    steps: [peakVolts(line)],
    limit: derivedLimit('at most', [limit], 'four fifths of its rating'),
    tightShare: 'met',
  });
}

/** How far a current that was read may lie over what the line's values give before one of the readings is wrong. */
export const AGREES_WITHIN = 1.5;

/** No input of electronics takes as much, A: what does is a coil, a lamp, or a supply (common practice). */
export const INPUT_AMPS = 0.03;
/** What a cold lamp takes for its rated current, times (`inrush`). */
const COLD_LAMP = 10;

/** What the pair feeds, where that matters to the switch: a coil kicks when it is let go, a lamp takes more while it is cold. */
function fedBy(way: Way, c: WayContext, amps: Step): Finding[] {
  const { feeds, id } = c.control;
  const say = (to: typeof feeds, words: string): JobEdit => ({
    do: 'change-control',
    id,
    set: { feeds: to },
    say: words,
  });
  if (feeds === 'unknown' && amps.result.value > INPUT_AMPS)
    return [
      finding('thumb', `${way}.feeds`, {
        verdict: 'unknown',
        title: 'Closing this pair lets more flow than an input takes: whether that is a coil is not said',
        caption: 'a coil?',
        value: amps.result,
        steps: [amps],
        source: ['coil-kick'],
        remedy: {
          text: 'Look what hangs on it: a coil without a diode makes thousands of volts when it is let go. Say it above.',
        },
      }),
    ];
  if (feeds === 'coil')
    return [
      finding('thumb', `${way}.feeds`, {
        verdict: 'stop',
        title: 'This pair feeds a coil that nothing clamps: what opens it meets thousands of volts',
        caption: 'coil without diode',
        source: ['coil-kick'],
        remedy: {
          text:
            c.line?.alternating === 'no'
              ? 'Put a diode across the coil, its ring towards plus.'
              : 'Put a varistor or a resistor with a capacitor across the coil.',
          label: 'It is there',
          edit: say('coil-with-diode', 'the coil of the machine has a diode across it'),
        },
      }),
    ];
  return feeds === 'lamp' ? [coldLamp(way, c, amps)] : [];
}

/** A lamp's cold filament against what the switch bears. */
function coldLamp(way: Way, c: WayContext, amps: Step): Finding {
  const kind = way === 'relay-contact' ? 'relay' : way === 'relay-module' ? 'relay-module' : null;
  const part = kind && takenPart(c.job, kind);
  const peak = derive('what it takes while it is cold', 'I_cold', 'k * I_on', 'A', [
    constant('k', 'of a cold filament', COLD_LAMP, '1', 'inrush'),
    carried(amps),
  ]);
  return part
    ? judged('thumb', `${way}.feeds`, {
        title: 'A cold lamp against the inrush that the contact bears',
        caption: 'cold lamp',
        steps: [amps, peak],
        limit: atMost(valueOf(part, 'inrushAmps'), 'A', 'inrush that the contact bears', part.origin),
        tightShare: 0.1,
        remedy: { text: 'Take a contact that bears more inrush.' },
      })
    : finding('thumb', `${way}.feeds`, {
        verdict: 'unknown',
        title: 'Whether this part bears a cold lamp is not known',
        caption: 'cold lamp?',
        source: ['inrush'],
        remedy: { text: 'Take a relay contact: its inrush is rated.' },
      });
}

/** The closed switch under half of its current rating: by what the line gives, or by what was read through it, whichever is more. */
export function closedCurrent(way: Way, c: WayContext, line: ControlLine, part: TakenPart, rating: string): Finding[] {
  const read = c.fact.mostAmps;
  const pull: Input = {
    symbol: 'R',
    name: `${line.pull.name}, lowest`,
    value: line.pull.range.low,
    unit: 'Ω',
    origin: line.pull.origin,
    usual: line.pull.range.nominal,
  };
  const own = line.supply.range.high / line.pull.range.low;
  const peak = line.alternating === 'no' ? '' : ' * sqrt(2)';
  const amps =
    read !== null && read > own
      ? derive('current through the closed switch, as read', 'I_on', `I_read${peak}`, 'A', [
          {
            symbol: 'I_read',
            name: 'read through the meter',
            value: read,
            unit: 'A',
            origin: { from: 'measured', at: c.fact.lastReadingAt, what: 'the pair joined through the meter' },
          },
        ])
      : derive('current through the closed switch', 'I_on', `V_CC / R${peak}`, 'A', [top(line), pull]);
  const half = derive('half of its rating', 'I_half', 'k_I * I_rated', 'A', [
    constant('k_I', 'share used', 0.5, '1', 'part-share'),
    partValue(part, rating, 'I_rated'),
  ]);
  const out = [
    judged('thumb', `${way}.current`, {
      title: 'Current through the closed switch under half of its rating',
      caption: 'switched current',
      steps: [amps],
      limit: derivedLimit('at most', [half], 'half of its rating'),
      tightShare: 'met',
    }),
  ];
  out.push(...fedBy(way, c, amps));
  if (read !== null && read > AGREES_WITHIN * own) {
    out.push(
      finding('thumb', `${way}.current-read`, {
        verdict: 'unknown',
        title:
          `The closed pair passed ${formatQuantity(read, 'A')}, and its other readings ` +
          `give ${formatQuantity(own, 'A')} at most: both cannot be right`,
        caption: 'current disagrees',
        source: ['outliers'],
        remedy: { text: 'Repeat the short-circuit reading and the open volts; it may be a load and no line.' },
      }),
    );
  }
  return out;
}

/** A switch that conducts one way only on a voltage that alternates. Empty where that is no matter. */
export function directCurrentOnly(way: Way, line: ControlLine | null): Finding[] {
  if (!line || line.alternating === 'no') return [];
  const sure = line.alternating === 'yes';
  return [
    finding('thumb', `${way}.alternating`, {
      verdict: sure ? 'stop' : 'unknown',
      title: sure
        ? 'This pair alternates: a part that conducts one way only rectifies it, and half of it flows into the controller’s pins'
        : 'Whether this pair alternates is not known, and this part conducts one way only',
      caption: sure ? 'AC on a polar part' : 'AC or DC?',
      source: ['ohm'],
      remedy: {
        text: sure ? 'Take a contact or a solid-state relay with MOSFET output.' : 'Read it on AC volts in Probe.',
      },
    }),
  ];
}

/**
 * A value of a way's plan as an input, within the bounds of its field: the maker's where given or confirmed, else a default that nobody
 * confirmed.
 */
export function planned(
  c: WayContext,
  path: string,
  symbol: string,
  name: string,
  value: number,
  unit: Input['unit'],
): Input {
  const input = chosen(symbol, name, value, unit, 'set in Thumb', pressBounds(path));
  return { ...input, origin: planOrigin(c, path) };
}

/** Where a value of a way's plan came from. */
export const planOrigin = (c: WayContext, path: string): Input['origin'] =>
  c.press.given.includes(path)
    ? { from: 'maker', what: 'set in Thumb' }
    : path === 'motor.supplyVolts' && isSupplyRead(c)
      ? probed(c.fact, 'motorVolts')
      : { from: 'default', what: 'as the plan begins; nobody confirmed it', path };

/** A stalled motor that is said to draw less than a running one: both cannot be right, and nothing is judged by either. */
export function stallRead(way: Way, c: WayContext): Finding[] {
  const { stallAmps, runningAmps } = c.press.motor;
  if (stallAmps === null || runningAmps === null || stallAmps >= runningAmps) return [];
  return [
    finding('thumb', `${way}.stall-read`, {
      verdict: 'unknown',
      title:
        `Stalled ${formatQuantity(stallAmps, 'A')} and running ` +
        `${formatQuantity(runningAmps, 'A')} cannot both be right: a motor draws most ` +
        'when it stands',
      caption: 'currents contradict',
      source: ['stall-rating'],
      remedy: {
        text: 'Read both off the plate again, or measure the winding: supply over its resistance flows when it stands.',
      },
    }),
  ];
}
