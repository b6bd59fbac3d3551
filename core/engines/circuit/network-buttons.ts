import type { Build } from './build';
import type { Branch } from './linear';
import { DRIVER_OHMS, driver, OPEN_OHMS, pull, source, wire, WIRE_OHMS, type At } from './network-parts';

/** Circuits of what is pressed, latched or turned to a place; undefined for other kinds. */
export function buttonNet(b: Build, at: At): Branch[] | undefined {
  const { s, c, contact } = at;
  const toSupply = b.layout === 'to-supply' || b.layout === 'to-supply-at-line';
  const [rail, far] = toSupply ? (['ground', 'supply'] as const) : (['supply', 'ground'] as const);
  switch (b.kind) {
    case 'low-when-pressed':
      return [source(b, at), pull(b, at, s, 'supply'), wire(c, 'ground', b.returnOhms), contact];
    case 'high-when-pressed':
      return [source(b, at), pull(b, at, s, 'ground'), wire(c, 'supply', b.returnOhms), contact];
    case 'latching-switch':
      return [source(b, at), pull(b, at, s, rail), wire(c, far, b.returnOhms), contact];
    case 'selector':
      return [
        source(b, at),
        pull(b, at, s, rail),
        b.layout === 'driven' ? driver(b, at, c, 'ground') : wire(c, far, b.returnOhms),
        contact,
      ];
    case 'ladder':
      return [source(b, at), ...ladder(b, at, rail, far), contact];
    case 'scanned-matrix':
      return [source(b, at), ...scanned(b, at)];
    default:
      return undefined;
  }
}

function ladder(b: Build, at: At, rail: 'supply' | 'ground', far: 'supply' | 'ground'): Branch[] {
  const { s, c } = at;
  const neighbour = (node: string): Branch[] => (at.state === 'neighbour' ? [wire(node, far, b.neighbourOhms)] : []);
  switch (b.layout) {
    case 'at-line':
    case 'to-supply-at-line':
      return [wire(rail, 'line', b.seriesOhms), wire('line', s, b.keyOhms), wire(c, far), ...neighbour('line')];
    case 'chain':
      // A neighbour nearer to the line takes this tap's level with it; one further off divides it. `flag` tells which.
      return b.flag
        ? [
            wire(rail, 'line', b.seriesOhms),
            wire('line', s, b.keyOhms),
            wire(c, far),
            ...(at.state === 'neighbour' ? [wire('line', far, WIRE_OHMS + b.contactOhms)] : []),
          ]
        : [wire(rail, 'line', b.seriesOhms), wire('line', s, b.keyOhms), wire(c, far), ...neighbour(s)];
    default:
      return [wire(rail, s, b.seriesOhms), wire(c, far, b.keyOhms + WIRE_OHMS), ...neighbour(s)];
  }
}

/** The strobe is driven while its turn lasts; the sense line is pulled to the level at which strobes rest. */
function scanned(b: Build, at: At): Branch[] {
  const { s: strobe, c: sense } = at;
  const [rest, active] = b.flag ? (['supply', 'ground'] as const) : (['ground', 'supply'] as const);
  // Asleep, every strobe waits at its active level until a key joins it to its sense line.
  const asleep = b.layout === 'asleep' && at.state !== 'pressed' && at.state !== 'neighbour';
  const turn = asleep || at.phase === 'pulse';
  const line: Branch =
    b.layout === 'released' && !turn && at.powered
      ? wire(strobe, 'ground', b.pinOhms)
      : driver(b, at, strobe, turn ? active : rest);
  // A neighbour that shares the sense line pulls it in its own turn; both are never looked at together.
  const pulled = at.powered && at.state === 'neighbour' && at.phase === 'pulse' && b.neighbourOhms < 1e6;
  return [
    line,
    pull(b, at, sense, rest),
    key(b, at, turn),
    wire(sense, active, pulled ? DRIVER_OHMS + b.contactOhms : OPEN_OHMS),
  ];
}

/** The key between strobe and sense line; its diode lets current through in its turn alone, and an ohmmeter sees little through it. */
function key(b: Build, at: At, turn: boolean): Branch {
  if (b.dropVolts === 0 || at.contact.ohms >= OPEN_OHMS) return at.contact;
  // It conducts from the sense line to a strobe that goes low, the other way round to one that goes high.
  if (!at.powered) return { ...at.contact, ohms: (at.red === at.s) === b.flag ? OPEN_OHMS : b.keyOhms };
  return turn
    ? { a: at.c, b: at.s, ohms: at.contact.ohms, volts: b.flag ? b.dropVolts : -b.dropVolts }
    : { ...at.contact, ohms: OPEN_OHMS };
}
