import type { Build } from './build';
import type { Branch } from './linear';
import { driver, OPEN_OHMS, pull, source, unpoweredPin, wire, type At } from './network-parts';

/** A lamp's own resistor, Ω, and what an ohmmeter sees of its junction: common practice. */
const LAMP_OHMS = 220;
const LAMP_SHUT_OHMS = 5e6;
/** What drives a sounder is open while it is silent, and leaks. */
const SILENT_OHMS = 5e6;
/** How far a resistor goes with the finger or the warmth of a hand. */
const TOUCHED = 0.6;

/** Circuits of what is none of the kinds; undefined for those that are. */
export function strangerNet(b: Build, at: At): Branch[] | undefined {
  const { s, c, contact } = at;
  const toSupply = b.layout === 'to-supply';
  const [rail, far] = toSupply ? (['ground', 'supply'] as const) : (['supply', 'ground'] as const);
  switch (b.kind) {
    case 'opens-when-pressed':
      return opener(b, at, rail, far);
    case 'changeover':
      return [source(b, at), ...changeover(b, at)];
    case 'variable-resistor':
    case 'sensor':
      return [source(b, at), ...resistor(b, at, rail, far)];
    case 'lamp-across':
      return [source(b, at), wire(rail, s, b.seriesOhms), lamp(b, at), wire(c, far), contact];
    case 'two-levels':
      return [
        source(b, at),
        wire('supply', s, b.seriesOhms),
        wire(s, 'ground', b.keyOhms),
        wire('supply', c, b.neighbourOhms),
        wire(c, 'ground', b.returnOhms),
        contact,
      ];
    case 'sounder':
      return [source(b, at), ...sounder(b, at)];
    case 'indicator':
      return [source(b, at), ...indicator(b, at)];
    case 'fed-elsewhere':
      return [source(b, at), input(b, at), wire(c, 'ground', b.groundOhms)];
    case 'output':
      return [source(b, at), ...output(b, at), wire(c, 'ground')];
    case 'rails':
      return [source(b, at), wire(s, 'supply'), wire(c, 'ground')];
    default:
      return undefined;
  }
}

/** A contact that rests closed: at a rail with a pull on the other side, or in a loop that floats. */
function opener(b: Build, at: At, rail: 'supply' | 'ground', far: string): Branch[] {
  const { s, c, contact } = at;
  if (b.layout !== 'loop') return [source(b, at), pull(b, at, s, rail), wire(c, far, b.returnOhms), contact];
  // Unplugged, the loop goes on through what the dead supply shows.
  return [
    { a: s, b: c, ohms: b.seriesOhms + (at.powered ? 0 : b.boardOhms), volts: at.volts },
    { a: c, b: 'ground', ohms: b.groundOhms },
    contact,
  ];
}

/** A coil or a disc between the supply and what drives it. */
function sounder(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const driven = at.powered ? wire(c, 'ground', SILENT_OHMS) : unpoweredPin(b, at, c);
  return [wire(s, c, b.seriesOhms), wire(s, 'supply'), driven];
}

/** The junction of an input lets an ohmmeter through one way, if at all. */
const input = (b: Build, at: At): Branch => wire(at.s, at.c, at.powered || at.red === at.s ? b.keyOhms : OPEN_OHMS);

/** The common of a changeover and one of its two other contacts, each at a rail: at rest on the one, pressed on the other. */
function changeover(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const pressed = at.state === 'pressed';
  const [rest, active] = b.layout === 'to-supply' ? (['supply', 'ground'] as const) : (['ground', 'supply'] as const);
  const to = (rail: string, closed: boolean): Branch => wire(s, rail, closed ? b.contactOhms : OPEN_OHMS);
  // The other tip is on the contact that it rests on, or on the one that it is pressed to.
  return [wire(c, b.flag ? rest : active), to(rest, !pressed), to(active, pressed)];
}

/** A resistor that a hand or the world moves, with the rest of a divider: its other end, or a pull. */
function resistor(b: Build, at: At, rail: string, far: string): Branch[] {
  const { s, c } = at;
  const moved = at.state === 'turning' || at.state === 'pressed';
  if (b.kind === 'sensor')
    return [wire(rail, s, b.seriesOhms), wire(s, c, b.keyOhms * (moved && b.flag ? TOUCHED : 1)), wire(c, far)];
  const share = at.state === 'turning' ? 1 - b.pulseShare : b.pulseShare;
  const rest = b.layout === 'behind-pull' ? b.neighbourOhms : b.seriesOhms * (1 - share);
  return [wire(rail, s, rest), wire(s, c, Math.max(1, b.seriesOhms * share)), wire(c, far)];
}

/** A line that something else drives, to both rails or to ground alone behind a pull: at rest, or with its pulses. */
function output(b: Build, at: At): Branch[] {
  const low = (at.phase === 'pulse' && b.pulseShare > 0) !== b.second;
  if (b.layout !== 'open-drain') return [driver(b, at, at.s, low ? 'ground' : 'supply')];
  return [wire('supply', at.s, b.seriesOhms), low ? driver(b, at, at.s, 'ground') : wire(at.s, 'ground', OPEN_OHMS)];
}

/** A lamp between two pins of a chip: lit in its turn, lit for good, or dark. */
function indicator(b: Build, at: At): Branch[] {
  const { s, c } = at;
  const lit = at.powered && (b.layout === 'oscillating' ? at.phase === 'pulse' : b.flag);
  const way: Branch = lit
    ? { a: s, b: c, ohms: b.seriesOhms, volts: Math.min(b.dropVolts, at.volts) }
    : { a: s, b: c, ohms: at.powered ? OPEN_OHMS : LAMP_SHUT_OHMS };
  return [way, driver(b, at, s, lit ? 'supply' : 'ground'), driver(b, at, c, lit ? 'ground' : 'supply')];
}

/** A lamp across a contact: it takes its volts of what is there, and an ohmmeter sees it shut. */
const lamp = (b: Build, at: At): Branch => {
  const { s, c } = at;
  if (!at.powered || at.volts <= b.dropVolts) return { a: s, b: c, ohms: LAMP_SHUT_OHMS };
  // Beside a closed contact nothing is left for it.
  if (at.contact.ohms < OPEN_OHMS) return { a: s, b: c, ohms: OPEN_OHMS };
  return { a: s, b: c, ohms: LAMP_OHMS, volts: b.layout === 'to-supply' ? -b.dropVolts : b.dropVolts };
};
