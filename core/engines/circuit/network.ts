import type { MachineState, Reading } from '../../ground/job';
import { unpoweredSetting, type Build } from './build';
import type { Branch } from './linear';
import { buttonNet } from './network-buttons';
import type { ModelKind } from './model-kinds';
import { otherNet } from './network-others';
import { strangerNet } from './network-strangers';
import { OPEN_OHMS, WIRE_OHMS, type At, type StrobePhase } from './network-parts';

export type { StrobePhase } from './network-parts';

/** Kinds that have no contact between their terminals. */
const NO_CONTACT: ReadonlySet<ModelKind> = new Set([
  'touch-pad',
  'motor-pair',
  'serial-bus',
  'encoder',
  'changeover',
  'variable-resistor',
  'sensor',
  'sounder',
  'indicator',
  'fed-elsewhere',
  'rails',
  'output',
]);

/** Whether the button's contact is closed in a state. */
function contactClosed(b: Build, state: MachineState): boolean {
  if (NO_CONTACT.has(b.kind)) return false;
  switch (b.kind) {
    case 'opens-when-pressed':
      return state !== 'pressed';
    case 'latching-switch':
      return state === 'pressed' || state === 'released';
    case 'switched-load':
      return state === 'pressed' || (b.flag && state === 'released');
    case 'selector':
      return b.flag !== (state === 'turning');
    default:
      return state === 'pressed';
  }
}

/** Where a contact has its other side: at a rail, floating with its loop, or nowhere of these. */
export type FarSide = 'ground' | 'supply' | 'floats' | null;

/** Kinds whose builds have it all at one place. */
export const ONE_FAR_SIDE: Readonly<Partial<Record<ModelKind, FarSide>>> = {
  'low-when-pressed': 'ground',
  'high-when-pressed': 'supply',
  'scanned-matrix': null,
  'touch-pad': null,
  'motor-pair': null,
  encoder: null,
  'serial-bus': null,
};

/** Where a build's contact has its other side. */
export function farSide(b: Build): FarSide {
  switch (b.kind) {
    case 'dry-pair':
      return b.layout === 'to-supply' ? 'supply' : b.groundOhms > FLOATS_OHMS ? 'floats' : 'ground';
    case 'switched-load':
      return b.layout === 'low-side' ? 'ground' : b.alternating ? null : 'supply';
    case 'latching-switch':
    case 'ladder':
      return b.layout.startsWith('to-supply') ? 'supply' : 'ground';
    case 'selector':
      return b.layout === 'driven' ? null : b.layout === 'to-supply' ? 'supply' : 'ground';
    default:
      return ONE_FAR_SIDE[b.kind] ?? null;
  }
}
const FLOATS_OHMS = 1e6;

/** Whether a control pulses in a state, so that its two phases differ. */
export function pulses(b: Build, state: MachineState): boolean {
  if (b.pulseShare <= 0) return false;
  switch (b.kind) {
    case 'scanned-matrix':
      return b.layout !== 'asleep' || state === 'pressed' || state === 'neighbour';
    case 'serial-bus':
    case 'output':
      return true;
    case 'encoder':
      return state === 'turning';
    case 'touch-pad':
    case 'indicator':
      return b.layout === 'oscillating';
    default:
      return false;
  }
}

/**
 * Plain circuit of a build in a state and phase; nodes are A, B, ground, supply and, where wanted, live, neutral, mains, earth.
 * @param red the node under the red tip.
 * @param withPins false where no tip stands on a mains pin: on an isolated side the pins then change nothing.
 */
export function circuitOf(
  b: Build,
  state: MachineState,
  kind: Reading['kind'],
  withPins = true,
  phase: StrobePhase = 'rest',
  red = b.signal as string,
): Branch[] {
  const s = b.signal;
  const c = s === 'A' ? 'B' : 'A';
  const powered = state !== 'off' && !unpoweredSetting(kind);
  const at: At = {
    s,
    c,
    state,
    phase,
    powered,
    red,
    volts: powered ? volts(b, kind) : 0,
    contact: { a: s, b: c, ohms: contactClosed(b, state) ? b.contactOhms : OPEN_OHMS },
  };
  const net = buttonNet(b, at) ?? strangerNet(b, at) ?? otherNet(b, at);
  if (!withPins || (b.kind === 'switched-load' && b.alternating)) return net;
  return [
    ...net,
    { a: 'neutral', b: 'ground', ohms: b.mainsOhms },
    { a: 'live', b: 'neutral', ohms: unpoweredSetting(kind) ? 2e3 : OPEN_OHMS },
    { a: 'earth', b: 'ground', ohms: 200e6 },
    { a: 'mains', b: 'neutral', ohms: WIRE_OHMS },
  ];
}

/** The AC part of a full wave without its capacitor, as a share of its mean: √(π²/8 − 1). */
const FULL_WAVE_AC_SHARE = Math.sqrt(Math.PI ** 2 / 8 - 1);

/** What a source gives on a setting, V: an alternating one nothing on DC, a rectified one its mean and its ripple. */
function volts(b: Build, kind: Reading['kind']): number {
  if (b.layout === 'unfiltered') return kind === 'volts-ac' ? FULL_WAVE_AC_SHARE * b.supplyVolts : b.supplyVolts;
  return b.alternating === (kind === 'volts-ac') ? b.supplyVolts : 0;
}
