import type { MachineState } from '../../ground/job';
import type { Build } from './build';
import type { Branch } from './linear';

/** An open contact, clean board. */
export const OPEN_OHMS = 2e9;
/** A conductor inside a network, Ω: small beside everything else. */
export const WIRE_OHMS = 0.05;
/** An output pin that drives a strobe or a bus line: common practice, some tens of ohms. */
export const DRIVER_OHMS = 60;

/** The two halves of what pulses; a control that does not pulse looks the same in both. */
export type StrobePhase = 'rest' | 'pulse';

/** Where and when a circuit is looked at: signal and far terminal, state, phase, what the supply gives now, the button's contact. */
export interface At {
  readonly s: 'A' | 'B';
  readonly c: 'A' | 'B';
  readonly state: MachineState;
  readonly phase: StrobePhase;
  readonly powered: boolean;
  readonly volts: number;
  readonly contact: Branch;
  /** The terminal that the red tip stands on, where it stands on one: junctions let an ohmmeter through one way. */
  readonly red: string;
}

/** A voltage source to ground behind its resistance. */
export const source = (b: Build, at: At): Branch => ({
  a: 'supply',
  b: 'ground',
  ohms: at.powered ? 0.5 : b.boardOhms,
  volts: at.volts,
});

/** A chip's pin without power: one junction lets an ohmmeter's red tip through to the dead supply, another the black one to ground. */
export const unpoweredPin = (b: Build, at: At, node: string): Branch =>
  at.red === node ? { a: node, b: 'supply', ohms: b.pinOhms } : { a: node, b: 'ground', ohms: b.pinBackOhms };

/** A pull resistor: on the board, or inside the chip, where only the pin's own junctions are left of it when unplugged. */
export const pull = (b: Build, at: At, node: string, rail: 'supply' | 'ground'): Branch =>
  b.inChip && !at.powered ? unpoweredPin(b, at, node) : { a: rail, b: node, ohms: b.seriesOhms };

/** A pin that drives: to a rail when powered, its junctions alone when not. */
export const driver = (b: Build, at: At, node: string, rail: 'supply' | 'ground', ohms = DRIVER_OHMS): Branch =>
  at.powered ? { a: node, b: rail, ohms } : unpoweredPin(b, at, node);

/** A conductor between two nodes. */
export const wire = (a: string, b: string, ohms = WIRE_OHMS): Branch => ({ a, b, ohms });
