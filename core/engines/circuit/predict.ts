import { HAND_METER, type Meter, type Point, type Reading } from '../../ground/job';
import { touchesPins, type Build, type ReadingSpec } from './build';
import { ampsBetween, ohmsBetween, voltsBetween, type Branch } from './linear';
import { DIODE_RANGE, TEST_BATTERY_VOLTS } from './meter';
import { circuitOf, pulses, type StrobePhase } from './network';

/** The node a probe tip stands on. */
export const nodeOf = (p: Point): string => (p.kind === 'contact' ? p.name : p.kind === 'rail' ? 'supply' : p.kind);

/** A counter on a meter needs about this swing, V: common practice. */
const COUNTER_SWING_VOLTS = 0.6;
/** A wire as a jumper, Ω: no wire has none. */
const WIRE_OHMS = 0.01;
/** A look that loads nothing, Ω, and what counts as no voltage for a jumper to pull down, V. */
const UNLOADED_OHMS = 1e9;
const NO_VOLTS = 0.05;
/** What an averaging meter, scaled for sine waves, multiplies the mean deviation by: π/(2·√2). */
const SINE_FORM_FACTOR = Math.PI / (2 * Math.SQRT2);

/** States that the circuit does not tell from rest. */
const plain = (state: Reading['state']): Reading['state'] =>
  ['always', 'running', 'plug-turned', 'loaded-10k', 'turned-10k', 'loaded-100k', 'turned-100k'].includes(state)
    ? 'idle'
    : state;
/** States that put a resistor across the tips, Ω. */
const ACROSS: Partial<Record<Reading['state'], number>> = {
  'loaded-10k': 10e3,
  'turned-10k': 10e3,
  'loaded-100k': 100e3,
  'turned-100k': 100e3,
};

/**
 * What a meter would show for this build: volts, ohms, amperes, hertz, or the share of time high.
 * A jumper gives the share of the open voltage that is left across the tips; a look has no number and gives 0.
 * Pulsing circuits are solved in both phases: DC settings average them, AC and counter settings see their difference.
 * @param jumperOhms resistor of a jumper reading.
 */
// eslint-disable-next-line complexity -- a plain switch over what a meter is set to
export function predict(build: Build, spec: ReadingSpec, meter: Meter = HAND_METER, jumperOhms = 1000): number {
  const state = plain(spec.state);
  const pins = touchesPins(spec);
  const [from, to] = [nodeOf(spec.from), nodeOf(spec.to)];
  const across = ACROSS[spec.state];
  const net = (phase: StrobePhase, kind = spec.kind): Branch[] => {
    const circuit = circuitOf(build, state, kind, pins, phase, from);
    return across ? [...circuit, { a: from, b: to, ohms: across }] : circuit;
  };
  const share = pulses(build, state) ? build.pulseShare : 0;
  const mean = (f: (net: Branch[]) => number): number => {
    const rest = f(net('rest'));
    return share > 0 ? (1 - share) * rest + share * f(net('pulse')) : rest;
  };
  const volts = (n: Branch[]): number => voltsBetween(n, from, to, meter.inputOhms);
  const swing = (kind = spec.kind): number => (share > 0 ? volts(net('pulse', kind)) - volts(net('rest', kind)) : 0);
  switch (spec.kind) {
    case 'ohms':
    case 'insulation':
    case 'continuity':
      return ohmsBetween(net('rest'), from, to);
    case 'diode':
      return Math.min(DIODE_RANGE.volts, DIODE_RANGE.amps * ohmsBetween(net('rest'), from, to));
    case 'battery':
      return (TEST_BATTERY_VOLTS * meter.inputOhms) / (meter.inputOhms + ohmsBetween(net('rest'), from, to));
    case 'amps':
      return Math.abs(mean((n) => ampsBetween(n, from, to, meter.burdenOhms)));
    case 'volts-dc':
      return mean(volts);
    case 'volts-ac':
      if (build.alternating || share === 0) return Math.abs(volts(net('rest')));
      return Math.abs(swing('volts-dc')) * acShown(share, meter);
    case 'hertz':
      return Math.abs(swing()) < COUNTER_SWING_VOLTS ? 0 : 1 / build.periodSeconds;
    case 'duty':
      if (Math.abs(swing()) < COUNTER_SWING_VOLTS) return volts(net('rest')) > COUNTER_SWING_VOLTS ? 1 : 0;
      return swing() > 0 ? share : 1 - share;
    case 'jumper':
      return openShare(net('rest', build.alternating ? 'volts-ac' : 'volts-dc'), from, to, jumperOhms);
    case 'look':
      return 0;
  }
}

/** What an AC setting shows of a swing of one volt that is there for a share of the time. */
const acShown = (share: number, meter: Meter): number =>
  meter.trueRms ? Math.sqrt(share * (1 - share)) : SINE_FORM_FACTOR * 2 * share * (1 - share);

/** Share of the open voltage that a resistor across the tips leaves; 1 where there is none to leave. */
function openShare(net: Branch[], from: string, to: string, ohms: number): number {
  const open = Math.abs(voltsBetween(net, from, to, UNLOADED_OHMS));
  return open < NO_VOLTS ? 1 : Math.abs(voltsBetween(net, from, to, Math.max(WIRE_OHMS, ohms))) / open;
}
