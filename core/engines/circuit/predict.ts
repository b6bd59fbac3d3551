import { HAND_METER, type Meter, type Point, type Reading } from '../../ground/job';
import { touchesPins, type Build, type ReadingSpec } from './build';
import { ampsBetween, ohmsBetween, voltsBetween, type Branch } from './linear';
import { circuitOf, pulses, type StrobePhase } from './network';

/** The node a probe tip stands on. */
export const nodeOf = (p: Point): string => (p.kind === 'contact' ? p.name : p.kind === 'rail' ? 'supply' : p.kind);

/** A counter on a meter needs about this swing, V: common practice. */
const COUNTER_SWING_VOLTS = 0.6;
/** A wire as a jumper, Ω: no wire has none. */
const WIRE_OHMS = 0.01;
/** What an averaging meter, scaled for sine waves, multiplies the mean deviation by: π/(2·√2). */
const SINE_FORM_FACTOR = Math.PI / (2 * Math.SQRT2);

/** States that the circuit does not tell from rest. */
const plain = (state: Reading['state']): Reading['state'] =>
  ['always', 'running', 'plug-turned', 'loaded-10k', 'turned-10k'].includes(state) ? 'idle' : state;
/** States that put a resistor across the tips, Ω. */
const ACROSS: Partial<Record<Reading['state'], number>> = { 'loaded-10k': 10e3, 'turned-10k': 10e3 };

/**
 * What a meter would show for this build: volts, ohms, amperes, hertz, or the share of time high.
 * A jumper gives the share of the open voltage that is left across the tips; a look has no number and gives 0.
 * Pulsing circuits are solved in both phases: DC settings average them, AC and counter settings see their difference.
 * @param jumperOhms resistor of a jumper reading.
 */
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
  switch (spec.kind) {
    case 'ohms':
    case 'insulation':
    case 'continuity':
      return ohmsBetween(net('rest'), from, to);
    case 'amps':
      return Math.abs(mean((n) => ampsBetween(n, from, to, meter.burdenOhms)));
    case 'volts-dc':
      return mean(volts);
    case 'volts-ac': {
      if (build.alternating || share === 0) return Math.abs(volts(net('rest')));
      const swing = Math.abs(volts(net('pulse', 'volts-dc')) - volts(net('rest', 'volts-dc')));
      return swing * (meter.trueRms ? Math.sqrt(share * (1 - share)) : SINE_FORM_FACTOR * 2 * share * (1 - share));
    }
    case 'hertz':
    case 'duty': {
      const swing = share > 0 ? volts(net('pulse')) - volts(net('rest')) : 0;
      if (Math.abs(swing) < COUNTER_SWING_VOLTS)
        return spec.kind === 'duty' && volts(net('rest')) > COUNTER_SWING_VOLTS ? 1 : 0;
      return spec.kind === 'hertz' ? 1 / build.periodSeconds : swing > 0 ? share : 1 - share;
    }
    case 'jumper': {
      const n = net('rest', build.alternating ? 'volts-ac' : 'volts-dc');
      const open = Math.abs(voltsBetween(n, from, to, 1e9));
      return open < 0.05 ? 1 : Math.abs(voltsBetween(n, from, to, Math.max(WIRE_OHMS, jumperOhms))) / open;
    }
    case 'look':
      return 0;
  }
}
