import { usual, ZERO, type Corner, type Element, type ElementOf } from './element';

/** Least resistance that is written, Ω: a circuit simulator takes no source without one beside another. */
const LEAST_OHMS = 1e-6;
/** A diode with a corner of half a millivolt, and what it drops at milliamperes, V. */
const SHARP = '.model sharp D(IS=1e-12 N=0.02)';
const SHARP_VOLTS = 0.012;
/** Closer than usual: before a node that floats a simulator else stops at volts that no current agrees with. */
const CLOSE = '.options reltol=1e-6';

/**
 * A circuit as a netlist that a circuit simulator runs as it is. Junctions are sharp diodes behind their volts, followers sources that
 * such a diode ends, channels and converters sources of our own; nodes are numbered, and named in comments.
 * @param at which value of each element is written; the usual ones where nothing is said.
 */
export function netlistOfElements(title: string, elements: readonly Element[], at: Corner = usual): string {
  const numbers = new Map<string, string>([[ZERO, '0']]);
  const node = (name: string): string => {
    const known = numbers.get(name);
    if (known !== undefined) return known;
    const made = `n${numbers.size}`;
    numbers.set(name, made);
    return made;
  };
  const order = new Map(elements.map((e, i) => [e.id, i + 1]));
  const lines = elements.flatMap((e, i) => [`* ${plain(e.id)}`, ...elementLines(e, i + 1, node, order, at)]);
  const floats = [...numbers.values()].filter((n) => n !== '0').map((n, i) => `Rfar${i + 1} ${n} 0 1e12`);
  return [
    `* ${plain(title)}`,
    ...[...numbers].map(([name, n]) => `* node ${n}: ${plain(name)}`),
    ...lines,
    '* a far path to zero for what floats',
    ...floats,
    SHARP,
    CLOSE,
    '.op',
    '.end',
    '',
  ].join('\n');
}

/** What a comment may hold: one line, letters that every simulator reads. */
const plain = (text: string): string => text.replace(/[^\x20-\x7e]+/g, ' ').trim();
const n6 = (x: number): string => x.toPrecision(9);

function elementLines(
  e: Element,
  i: number,
  node: (name: string) => string,
  order: ReadonlyMap<string, number>,
  at: Corner,
): string[] {
  const [a, b] = [node(e.a), node(e.b)];
  switch (e.is) {
    case 'resistor':
      return [`R${i} ${a} ${b} ${n6(Math.max(LEAST_OHMS, at(e.id, 'ohms', e.ohms)))}`];
    case 'drain':
      return [`I${i} ${a} ${b} DC ${n6(at(e.id, 'amps', e.amps))}`];
    case 'source':
      return [
        `V${i} p${i} ${b} DC ${n6(at(e.id, 'volts', e.volts))}`,
        `R${i} p${i} ${a} ${n6(Math.max(LEAST_OHMS, at(e.id, 'ohms', e.ohms)))}`,
      ];
    case 'junction':
      return junctionLines(e, i, a, b, at);
    case 'follower': {
      const driver = order.get(e.of) ?? 0;
      // It draws what it follows, and what is too much comes back over a sharp diode once no more than its least volts are left.
      return [
        `Rq${i} ${a} r${i} ${n6(Math.max(1e-3, at(e.id, 'ohms', e.ohms)))}`,
        `F${i} r${i} ${b} Vs${driver} ${n6(at(e.id, 'gain', e.gain))}`,
        `Bq${i} q${i} ${b} V=${n6(at(e.id, 'leastVolts', e.leastVolts) + SHARP_VOLTS + 1)}*tanh(1e6*max(0,I(Vs${driver})))-1`,
        `D${i} q${i} r${i} sharp`,
      ];
    }
    case 'channel': {
      const [from, to] = [at(e.id, 'thresholdVolts', e.thresholdVolts), at(e.id, 'fullVolts', e.fullVolts)];
      const share = `min(1,max(0,(V(${node(e.gate)},${b})-${n6(from)})/${n6(Math.max(1e-6, to - from))}))`;
      return [`B${i} ${a} ${b} I=V(${a},${b})*${share}/${n6(at(e.id, 'ohms', e.ohms))}`];
    }
    case 'converter':
      return converterLines(e, i, node, at);
  }
}

function junctionLines(e: ElementOf<'junction'>, i: number, a: string, b: string, at: Corner): string[] {
  return [
    `Vs${i} ${a} s${i} DC ${n6(at(e.id, 'volts', e.volts) - SHARP_VOLTS)}`,
    `D${i} s${i} t${i} sharp`,
    `Rs${i} t${i} ${b} ${n6(Math.max(1e-3, at(e.id, 'ohms', e.ohms)))}`,
  ];
}

function converterLines(e: ElementOf<'converter'>, i: number, node: (name: string) => string, at: Corner): string[] {
  const [a, b, out] = [node(e.a), node(e.b), node(e.out)];
  const [v, drop] = [at(e.id, 'volts', e.volts), at(e.id, 'dropVolts', e.dropVolts)];
  const input = `V(${a},${b})`;
  const makes =
    e.startsAt === null
      ? `min(${n6(v)},max(0,${input}-${n6(drop)}))`
      : `${n6(v)}*min(1,max(0,(${input}-${n6(e.startsAt)})*1e6))`;
  const efficiency = at(e.id, 'efficiency', e.efficiency);
  const draws =
    efficiency === 0 ? `I(Vo${i})` : `V(${out},${b})*I(Vo${i})/(${n6(efficiency)}*max(${input},${n6(v / 4)}))`;
  return [
    `B${i} c${i} ${b} V=${makes}`,
    `Vo${i} c${i} ${out} DC 0`,
    `Bi${i} ${a} ${b} I=max(0,${draws})+${n6(at(e.id, 'idleAmps', e.idleAmps))}*min(1,max(0,${input}))`,
  ];
}
