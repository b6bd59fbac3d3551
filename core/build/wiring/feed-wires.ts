import { itemAt } from '../../ground/lists';
import { CONTROLLER, type FeedConverter, type FeedLink, type FeedSource, type Job } from '../../ground/job';
import { formatQuantity } from '../../ground/quantity';
import { GROUND, legOf, RAIL, voltsEnd, type End } from '../ends';
import { CELLS, isConverter, placeOf, sourceVolts, type SupplyNode, type SupplyTree } from '../../engines/supply';
import type { Part, WireEnds } from '../ways';

/** Where both conductors of a supply are taken from. */
export interface Poles {
  readonly plus: End;
  readonly minus: End;
}

/** Wires of one part of the tree of supplies, or of one load of one's own. */
export interface FeedWires {
  readonly id: string;
  readonly name: string;
  readonly wires: readonly WireEnds[];
}

/** What a part of the tree is called on paper: its name, with its number where another has the same. */
function namesOf({ nodes }: SupplyTree): readonly string[] {
  return nodes.map((n, i) => {
    const before = nodes.slice(0, i).filter((x) => x.name === n.name).length;
    return before === 0 ? n.name : `${n.name} (${before + 1})`;
  });
}

/**
 * From where what hangs on each part of the tree takes its two conductors: a lead is the conductors themselves, and a fuse stands in the
 * plus alone. Null for what hangs on nothing.
 */
export function polesOf(tree: SupplyTree): readonly (Poles | null)[] {
  const names = namesOf(tree);
  const poles: (Poles | null)[] = [];
  for (const [i, n] of tree.nodes.entries()) {
    const name = itemAt(names, i);
    const part = (label: string): End => legOf(`supply ${name}`, name, label);
    const above = n.parent < 0 ? null : itemAt(poles, n.parent);
    if (n.kind === 'source') {
      const ac = n.item.current === 'ac';
      poles.push({ plus: part(ac ? 'AC 1' : '+'), minus: part(ac ? 'AC 2' : '−') });
    } else if (isConverter(n)) poles.push({ plus: part('out +'), minus: part('out −') });
    else if (n.kind === 'fuse') poles.push(above && { plus: part('2'), minus: above.minus });
    else poles.push(above);
  }
  return poles;
}

/** The wires of supplies, converters, fuses and capacitors, of the controller's own feed, and of loads of one's own. */
export function feedWires(job: Job, tree: SupplyTree): readonly FeedWires[] {
  const names = namesOf(tree);
  const poles = polesOf(tree);
  const nodes = tree.nodes.flatMap((n, i): FeedWires[] => {
    const above = n.parent < 0 ? null : itemAt(poles, n.parent);
    if (!above) return [];
    const name = itemAt(names, i);
    const wires = intoNode(n, name, above);
    return wires.length === 0 ? [] : [{ id: n.id, name, wires }];
  });
  const at = (load: string): Poles | null => poles[placeOf(job.feed, tree, load)] ?? null;
  const board = at(CONTROLLER);
  const own = job.feed.loads.flatMap((l): FeedWires[] => {
    const p = at(l.id);
    const end = (label: string): End => legOf(`load ${l.name}`, l.name, label);
    return p ? [{ id: l.id, name: l.name, wires: both(p, end('+'), end('−')) }] : [];
  });
  const into = job.feed.duty.into === 'chip' ? RAIL : voltsEnd('controller, supply in');
  return [
    ...nodes,
    ...(board ? [{ id: CONTROLLER, name: 'controller', wires: both(board, into, GROUND) }] : []),
    ...own,
  ];
}

const both = (from: Poles, plus: End, minus: End): WireEnds[] => [
  [from.plus, plus],
  [from.minus, minus],
];

/** What leads into one part of the tree. */
function intoNode(n: SupplyNode, name: string, above: Poles): WireEnds[] {
  const part = (label: string): End => legOf(`supply ${name}`, name, label);
  if (isConverter(n)) return both(above, part('in +'), part('in −'));
  if (n.kind === 'fuse') return [[above.plus, part('1')]];
  return n.kind === 'capacitor' ? both(above, part('+'), part('−')) : [];
}

/** What is bought for the tree of supplies, for one machine; a rail of the machine is there. */
export function feedParts(job: Job, tree: SupplyTree): readonly Part[] {
  return tree.nodes.flatMap((n): Part[] => {
    if (n.kind === 'source') return sourcePart(job, n.item);
    if (isConverter(n)) return [converterPart(n.item)];
    return [linkPart(n.item)];
  });
}

const amps = (value: number | null): string => (value === null ? 'amperes not said' : formatQuantity(value, 'A'));
const volts = (value: number | null): string => (value === null ? 'volts not said' : formatQuantity(value, 'V'));

function sourcePart(job: Job, s: FeedSource): Part[] {
  const rated = `${volts(sourceVolts(job, s))}${s.current === 'ac' ? ' AC' : ''}, ${amps(s.amps)}`;
  switch (s.kind) {
    case 'rail':
      return [];
    case 'cells':
      return [
        {
          name: 'cell',
          value: `${s.chemistry.replaceAll('-', ' ')}, ${volts(CELLS[s.chemistry].nominalVolts)}`,
          quantity: s.series * s.parallel,
        },
      ];
    case 'bank':
      return [{ name: 'power bank', value: rated, quantity: 1 }];
    case 'mains-module':
      return [{ name: 'mains module', value: rated, quantity: 1 }];
    case 'plug-in':
      return [{ name: 'plug-in supply', value: rated, quantity: 1 }];
  }
}

const converterPart = (c: FeedConverter): Part => ({
  name: { linear: 'linear regulator', 'step-down': 'step-down converter', 'step-up': 'step-up converter' }[c.kind],
  value: `set to ${volts(c.volts)}, ${amps(c.amps)}`,
  quantity: 1,
});

function linkPart(l: FeedLink): Part {
  switch (l.kind) {
    case 'fuse':
      return { name: 'fuse, slow', value: amps(l.amps), quantity: 1 };
    case 'capacitor':
      return {
        name: 'electrolytic capacitor',
        value: `${l.farads === null ? 'size not said' : formatQuantity(l.farads, 'F')}, ${volts(l.bearsVolts)}`,
        quantity: 1,
      };
    case 'lead': {
      const area =
        l.squareMetres === null ? 'cross-section not said' : `${Number((l.squareMetres * 1e6).toPrecision(3))} mm²`;
      const length = l.metres === null ? 'length not said' : formatQuantity(l.metres, 'm');
      return { name: 'lead, two conductors', value: `${area}, ${length}`, quantity: 1 };
    }
  }
}
