import type { MachineState, Reading } from '../job';
import { unpoweredSetting, type Build } from './build';
import type { Branch } from './linear';

/** An open contact, clean board. */
const OPEN_OHMS = 2e9;
const WIRE_OHMS = 0.05;
/** An output pin that drives a strobe or a bus line: common practice, some tens of ohms. */
const DRIVER_OHMS = 60;

/** A running motor draws about an eighth of its stall current, since it generates a voltage of its own: common practice. */
const RUNNING_FACTOR = 8;

/** The two halves of what pulses; a control that does not pulse looks the same in both. */
export type Phase = 'rest' | 'pulse';

/** Whether the button's contact is closed in a state. */
export function contactClosed(b: Build, state: MachineState): boolean {
  switch (b.kind) {
    case 'touch-pad':
    case 'motor-pair':
    case 'serial-bus':
    case 'encoder':
      return false;
    case 'latching-switch':
      return state === 'pressed' || state === 'released';
    case 'selector':
      return b.flag !== (state === 'turning');
    default:
      return state === 'pressed';
  }
}

/** Whether a control pulses in a state, so that its two phases differ. */
export function pulses(b: Build, state: MachineState): boolean {
  return (b.kind === 'scanned-matrix' || b.kind === 'serial-bus' || (b.kind === 'encoder' && state === 'turning')) && b.pulseShare > 0;
}

/**
 * Plain circuit of a build in a state and phase; nodes are A, B, ground, supply and, where wanted, live, neutral, mains, earth.
 * @param withPins false where no tip stands on a mains pin: on an isolated side the pins then change nothing.
 */
export function circuitOf(b: Build, state: MachineState, kind: Reading['kind'], withPins = true, phase: Phase = 'rest'): Branch[] {
  const s = b.signal;
  const c = s === 'A' ? 'B' : 'A';
  const powered = state !== 'off' && !unpoweredSetting(kind);
  const volts = powered && b.alternating === (kind === 'volts-ac') ? b.supplyVolts : 0;
  const contact: Branch = { a: s, b: c, ohms: contactClosed(b, state) ? b.contactOhms : OPEN_OHMS };
  const mains: Branch[] = !withPins ? [] : [
    { a: 'neutral', b: 'ground', ohms: b.mainsOhms },
    { a: 'live', b: 'neutral', ohms: unpoweredSetting(kind) ? 2e3 : OPEN_OHMS },
    { a: 'earth', b: 'ground', ohms: 200e6 },
    { a: 'mains', b: 'neutral', ohms: WIRE_OHMS },
  ];
  const source: Branch = { a: 'supply', b: 'ground', ohms: powered ? 0.5 : b.boardOhms, volts };
  const load: Branch[] = state === 'loaded' ? [{ a: s, b: c, ohms: 1000 }] : [];
  const pull: Branch = { a: 'supply', b: s, ohms: b.seriesOhms };
  switch (b.kind) {
    case 'low-when-pressed':
    case 'latching-switch':
    case 'selector':
      return [source, pull, { a: c, b: 'ground', ohms: WIRE_OHMS }, contact, ...mains];
    case 'high-when-pressed':
      return [source, { a: s, b: 'ground', ohms: b.seriesOhms }, { a: c, b: 'supply', ohms: WIRE_OHMS }, contact, ...mains];
    case 'ladder':
      return [source, pull, { a: c, b: 'ground', ohms: b.keyOhms + WIRE_OHMS }, contact, ...(state === 'neighbour' ? [{ a: s, b: 'ground', ohms: b.neighbourOhms }] : []), ...mains];
    case 'scanned-matrix': {
      // The strobe is driven both ways; the sense line is pulled to the level at which strobes rest.
      const low = b.flag === (phase === 'pulse');
      const strobe: Branch = powered ? { a: s, b: low ? 'ground' : 'supply', ohms: DRIVER_OHMS } : { a: s, b: 'supply', ohms: OPEN_OHMS };
      return [source, strobe, { a: c, b: b.flag ? 'supply' : 'ground', ohms: b.seriesOhms }, contact, ...mains];
    }
    case 'dry-pair':
      return [{ a: s, b: c, ohms: b.seriesOhms, volts }, { a: c, b: 'ground', ohms: b.groundOhms }, contact, ...load, ...mains];
    case 'switched-load':
      return b.alternating ? mainsLoad(b, s, c, powered, volts, contact) : [source, { a: s, b: 'ground', ohms: b.seriesOhms }, { a: c, b: 'supply', ohms: WIRE_OHMS }, contact, ...mains];
    case 'touch-pad':
      // Both terminals are pads of their own; the sensing circuit holds each at a small mean level behind megohms.
      return [source, pull, { a: 'supply', b: c, ohms: b.seriesOhms * 1.3 }, ...mains];
    case 'motor-pair': {
      const forward = state === 'moving';
      const driven = powered && (forward || state === 'moving-back');
      const bridge: Branch[] = driven
        ? [{ a: forward ? s : c, b: 'supply', ohms: 0.5 }, { a: forward ? c : s, b: 'ground', ohms: 0.5 }]
        : [{ a: s, b: 'ground', ohms: b.groundOhms }, { a: c, b: 'ground', ohms: b.groundOhms }];
      return [source, { a: s, b: c, ohms: b.seriesOhms * (driven ? RUNNING_FACTOR : 1) }, ...bridge, ...mains];
    }
    case 'encoder': {
      const turned = state === 'turning' && phase === 'pulse';
      const closed = (ohms: boolean): number => (ohms ? b.contactOhms : OPEN_OHMS);
      return [source, pull, { a: 'supply', b: c, ohms: b.seriesOhms }, { a: s, b: 'ground', ohms: closed(b.flag !== turned) }, { a: c, b: 'ground', ohms: closed(turned) }, ...mains];
    }
    case 'serial-bus': {
      const line = (node: string, low: boolean): Branch => (powered ? { a: node, b: low ? 'ground' : 'supply', ohms: DRIVER_OHMS } : { a: node, b: 'supply', ohms: b.seriesOhms });
      return [source, line(s, phase === 'pulse'), b.flag ? { a: c, b: 'ground', ohms: WIRE_OHMS } : line(c, phase === 'pulse'), ...mains];
    }
  }
}

/** A contact in the live conductor of a mains load. */
function mainsLoad(b: Build, s: string, c: string, powered: boolean, volts: number, contact: Branch): Branch[] {
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
