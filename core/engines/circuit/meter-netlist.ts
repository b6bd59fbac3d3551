import { itemAt } from '../../ground/lists';
import { HAND_METER, type Meter } from '../../ground/job';
import { touchesPins, type Build, type ReadingSpec } from './build';
import type { Branch } from './linear';
import { circuitOf, pulses } from './network';
import { nodeOf } from './predict';

const num = (x: number): string => x.toExponential(8);

/**
 * A SPICE netlist of a control with the meter across the tips, for a volts or milliampere reading.
 * Nodes keep their names; `to` is node 0. A control that pulses is run over two periods with its two phases switched,
 * and the mean is asked for by `.meas` under the name `shown`; a still one gets the same treatment over a millisecond.
 */
export function meterNetlist(build: Build, spec: ReadingSpec, meter: Meter = HAND_METER): string {
  const state = spec.state;
  const pins = touchesPins(spec);
  const to = nodeOf(spec.to);
  const node = (name: string): string => (name === to ? '0' : name.toLowerCase());
  const from = node(nodeOf(spec.from));
  const rest = circuitOf(build, state, spec.kind, pins, 'rest');
  const pulse = circuitOf(build, state, spec.kind, pins, 'pulse');
  const moving = pulses(build, state);
  const period = moving ? build.periodSeconds : 1e-3;
  const lines: string[] = [];
  let n = 0;
  const branch = (b: Branch, gate: 'always' | 'rest' | 'pulse'): void => {
    n++;
    let a = node(b.a);
    if (b.volts) {
      lines.push(`V${n} ${a} m${n} DC ${num(b.volts)}`);
      a = `m${n}`;
    }
    if (gate !== 'always') {
      lines.push(`S${n} ${a} g${n} ${gate === 'pulse' ? 'clk 0' : 'rest 0'} gate`);
      a = `g${n}`;
    }
    lines.push(`R${n} ${a} ${node(b.b)} ${num(b.ohms)}`);
  };
  rest.forEach((b, i) => {
    const p = itemAt(pulse, i);
    const same = b.a === p.a && b.b === p.b && b.ohms === p.ohms && b.volts === p.volts;
    branch(b, same || !moving ? 'always' : 'rest');
    if (!same && moving) branch(p, 'pulse');
  });
  const burden = spec.kind === 'amps' ? meter.burdenOhms : meter.inputOhms;
  return [
    `* ${build.kind}, meter of ${burden} ohms`,
    ...lines,
    `Rmeter ${from} 0 ${num(burden)}`,
    ...[...new Set(rest.flatMap((b) => [b.a, b.b]).map(node))]
      .filter((x) => x !== '0')
      .map((x, i) => `Rfloat${i} ${x} 0 1e13`),
    `Vclk clk 0 PULSE(0 1 ${num(period * (1 - build.pulseShare))} ${num(period / 1e5)} ` +
      `${num(period / 1e5)} ${num(period * build.pulseShare)} ${num(period)})`,
    // The clock's complement closes the branches of the other phase.
    'Vone one 0 DC 1',
    'Erest rest 0 one clk 1',
    '.model gate SW(VT=0.5 VH=0 RON=1e-3 ROFF=1e13)',
    '.options reltol=1e-5 method=gear',
    '.end',
    '',
  ].join('\n');
}
