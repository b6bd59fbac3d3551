import type { Build } from './build';
import type { Branch } from './linear';
import { driver, OPEN_OHMS, unpoweredPin, pull, source, wire, WIRE_OHMS, type At } from './network-parts';

/** A running motor draws about an eighth of its stall current, since it generates a voltage of its own: common practice. */
const RUNNING_FACTOR = 8;
/** A bridge's own switch, Ω: common practice. */
const BRIDGE_OHMS = 0.5;
/** An output behind a series resistor, as of an encoder or a pad's chip, Ω: common practice. */
const OUTPUT_OHMS = 300;
/** A finger on a pad that swings loads it about so, as a multiple of what the pad hangs on: common practice. */
const PAD_TOUCHED = 2;

/** Circuits of pairs, loads, pads, motors, knobs and buses. */
export function otherNet(b: Build, at: At): Branch[] {
  const { s, c, contact } = at;
  switch (b.kind) {
    case 'dry-pair':
      return pair(b, at);
    case 'switched-load':
      return b.alternating ? mainsLoad(b, at) : load(b, at);
    case 'touch-pad':
      return pad(b, at);
    case 'motor-pair':
      return motor(b, at);
    case 'encoder':
      return encoder(b, at);
    case 'serial-bus': {
      // Both phases list the same branches, so that a simulator may switch between them one by one.
      const open = b.layout === 'open-drain';
      const line = (node: string): Branch[] => {
        const low = at.phase === 'pulse' && b.pulseShare > 0;
        if (open)
          return [
            wire('supply', node, b.seriesOhms),
            low ? driver(b, at, node, 'ground') : wire(node, 'ground', OPEN_OHMS),
          ];
        return [driver(b, at, node, low ? 'ground' : 'supply')];
      };
      return [source(b, at), ...line(s), ...(b.flag ? [wire(c, 'ground')] : line(c))];
    }
    default:
      return [contact];
  }
}

/** A loop between two terminals; its return may float, or be the ground or the supply of the board. */
function pair(b: Build, at: At): Branch[] {
  const { s, c, contact } = at;
  const loadAcross: Branch[] = at.state === 'loaded' ? [{ a: s, b: c, ohms: 1000 }] : [];
  if (b.layout === 'to-supply')
    return [source(b, at), wire(c, 'supply'), wire(s, 'ground', b.seriesOhms), contact, ...loadAcross];
  // Unplugged, the loop goes on through what the dead supply shows.
  return [
    { a: s, b: c, ohms: b.seriesOhms + (at.powered ? 0 : b.boardOhms), volts: at.volts },
    { a: c, b: 'ground', ohms: b.groundOhms },
    contact,
    ...loadAcross,
  ];
}

/** A contact that carries a load: above it, or between it and ground. Junctions in the load leave nothing to an ohmmeter. */
function load(b: Build, at: At): Branch[] {
  const { s, c, contact } = at;
  const ohms = !at.powered && b.dropVolts > 0 ? b.pinOhms : b.seriesOhms;
  if (b.layout !== 'low-side') return [source(b, at), wire(s, 'ground', ohms), wire(c, 'supply'), contact];
  const closed = contact.ohms < OPEN_OHMS;
  // Open, the load hands on its supply less what its junctions take; closed, they carry the load's own current.
  return [
    source(b, at),
    { a: s, b: 'supply', ohms, volts: at.powered && !closed ? -Math.min(b.dropVolts, at.volts) : 0 },
    wire(c, 'ground'),
    contact,
  ];
}

/** A contact in the live conductor of a mains load. */
function mainsLoad(b: Build, at: At): Branch[] {
  const { s, c, powered, volts, contact } = at;
  return [
    { a: s, b: 'neutral', ohms: b.seriesOhms },
    { a: c, b: 'live', ohms: WIRE_OHMS },
    { a: 'live', b: 'neutral', ohms: powered ? 0.5 : OPEN_OHMS, volts },
    { a: 'neutral', b: 'earth', ohms: powered ? 1 : OPEN_OHMS },
    { a: 'earth', b: 'ground', ohms: 1e6 },
    { a: 'mains', b: 'neutral', ohms: WIRE_OHMS },
    contact,
  ];
}

/** Two pads, or a pad and the output of its chip: each held at a mean level behind megohms, or swung between the rails. */
function pad(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const board = source(b, at);
  if (b.layout === 'usual')
    return [board, { a: 'supply', b: s, ohms: b.seriesOhms }, { a: 'supply', b: c, ohms: b.seriesOhms * 1.3 }];
  const touched = at.state === 'pressed' ? [wire(s, 'ground', PAD_TOUCHED * b.seriesOhms)] : [];
  const sensing = (node: string): Branch => {
    if (!at.powered) return unpoweredPin(b, at, node);
    if (b.layout === 'oscillating') return wire(node, at.phase === 'pulse' ? 'supply' : 'ground', b.seriesOhms);
    return { a: node, b: 'ground', ohms: b.seriesOhms, volts: at.volts * b.pulseShare };
  };
  const high = b.flag !== (at.state === 'pressed');
  return [
    board,
    sensing(s),
    ...touched,
    b.layout === 'output' ? driver(b, at, c, high ? 'supply' : 'ground', OUTPUT_OHMS) : sensing(c),
  ];
}

/** A winding between two halves of a bridge. Where an end switch stands open, only its diode is left in the path of an ohmmeter. */
function motor(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const forward = at.state === 'moving';
  const driven = at.powered && (forward || at.state === 'moving-back');
  const blocked = b.dropVolts > 0 && !driven;
  const winding: Branch = {
    a: s,
    b: c,
    ohms: blocked
      ? at.red === s && !at.powered
        ? b.keyOhms
        : OPEN_OHMS
      : b.seriesOhms * (driven ? RUNNING_FACTOR : 1),
  };
  if (driven)
    return [
      source(b, at),
      winding,
      wire(forward ? s : c, 'supply', BRIDGE_OHMS),
      wire(forward ? c : s, 'ground', BRIDGE_OHMS),
    ];
  const held = b.layout === 'relay' || (b.layout === 'brakes' && at.powered);
  return [
    source(b, at),
    winding,
    wire(s, 'ground', held ? BRIDGE_OHMS : b.groundOhms),
    wire(c, 'ground', held ? BRIDGE_OHMS : b.groundOhms),
  ];
}

/** Two contacts a quarter turn apart, each with its pull, or two outputs; the tips stand on both, or on one and the common. */
function encoder(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const turned = at.state === 'turning' && at.phase === 'pulse';
  const toSupply = b.layout === 'to-supply' || b.layout === 'common-to-supply';
  const drivenLines = b.layout === 'driven' || b.layout === 'common-driven';
  const [rail, far] = toSupply ? (['ground', 'supply'] as const) : (['supply', 'ground'] as const);
  const line = (node: string, closed: boolean, towards: string): Branch[] => {
    if (drivenLines) return [driver(b, at, node, closed ? 'ground' : 'supply', OUTPUT_OHMS)];
    return [pull(b, at, node, rail), { a: node, b: towards, ohms: closed ? b.contactOhms : OPEN_OHMS }];
  };
  // Unplugged and turned by a step, it stands where one of them has moved.
  const elsewhere = at.state === 'turning' && !at.powered;
  const first = b.flag !== (turned || (elsewhere && b.movesFirst));
  const second = b.second !== (turned || (elsewhere && !b.movesFirst));
  // On the common, one phase alone is seen.
  if (b.layout.startsWith('common')) return [source(b, at), wire(c, far), ...line(s, first, c)];
  return [source(b, at), ...line(s, first, far), ...line(c, second, far)];
}
