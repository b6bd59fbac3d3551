// What a board of the bench is, and the words its circuits are written in.
import type { ControlKind, Look, MachineState } from '../../core/ground/job';
import type { Part } from './solve';

/** A stretch of time in which nothing changes, with its share of the period. */
export interface Phase {
  readonly share: number;
  readonly parts: readonly Part[];
}

/** One control as it is built, whatever the tool thinks of it. Nodes: A, B, G (its ground), V (its supply). */
export interface Control {
  readonly kind: ControlKind;
  readonly variant: string;
  readonly look: Look;
  /** True where mains itself is on its contact. */
  readonly onMains?: boolean;
  readonly battery?: boolean;
  phases(state: MachineState): Phase[];
  /** Unplugged, in a state that hands can hold. */
  dead(state: MachineState): Part[];
  /** How often its phases repeat, Hz; 0 where nothing moves. */
  hertz(state: MachineState): number;
}

/** Circuit words; what is powered is decided once. */
export class Sheet {
  readonly parts: Part[] = [];
  constructor(
    readonly powered: boolean,
    supplyVolts: number,
    boardOhms: number,
  ) {
    if (powered) this.v('V', 'G', supplyVolts, 0.4);
    else this.r('V', 'G', boardOhms);
  }
  r(a: string, b: string, ohms: number): this {
    this.parts.push({ is: 'r', a, b, ohms });
    return this;
  }
  v(a: string, b: string, volts: number, ohms: number): this {
    this.parts.push({ is: 'v', a, b, volts, ohms });
    return this;
  }
  d(a: string, b: string, drop = 0.6, ohms = 8, weakOhms = 4e6): this {
    this.parts.push({ is: 'd', a, b, drop, ohms, weakOhms });
    return this;
  }
  /** A chip's pin: driven, or not, with its clamp diodes; unpowered it only has these. */
  pin(node: string, level: 'high' | 'low' | 'open', ohms: number): this {
    if (this.powered && level !== 'open') this.r(node, level === 'high' ? 'V' : 'G', ohms);
    else this.r(node, 'G', 3e8);
    // A chip's pins clamp less sharply than a single diode, and hardly pass anything at what an ohmmeter puts on them.
    return this.d(node, 'V', 0.7, 30, 2e7).d('G', node, 0.7, 30, 2e7);
  }
  /** A pull resistor on the board, or inside a chip: that one is gone with the supply. */
  pull(node: string, to: 'V' | 'G', ohms: number, inChip: boolean): this {
    return inChip && !this.powered ? this.pin(node, 'open', 1) : this.r(node, to, ohms);
  }
  contact(a: string, b: string, closed: boolean, ohms: number): this {
    return this.r(a, b, closed ? ohms : 3e9);
  }
}

/** A control that stands still. */
export function still(
  base: Pick<Control, 'kind' | 'variant' | 'look'> & Partial<Pick<Control, 'battery' | 'onMains'>>,
  volts: number,
  boardOhms: number,
  draw: (s: Sheet, state: MachineState) => void,
): Control {
  const at = (powered: boolean, state: MachineState): Part[] => {
    const s = new Sheet(powered, volts, boardOhms);
    draw(s, state);
    return s.parts;
  };
  return {
    ...base,
    phases: (state) => [{ share: 1, parts: at(true, state) }],
    dead: (state) => at(false, state),
    hertz: () => 0,
  };
}

/** A control that steps through phases in some states. */
export function moving(
  base: Pick<Control, 'kind' | 'variant' | 'look'>,
  volts: number,
  boardOhms: number,
  shares: readonly number[],
  hertz: number,
  moves: (state: MachineState) => boolean,
  draw: (s: Sheet, state: MachineState, phase: number) => void,
): Control {
  const at = (powered: boolean, state: MachineState, phase: number): Part[] => {
    const s = new Sheet(powered, volts, boardOhms);
    draw(s, state, phase);
    return s.parts;
  };
  return {
    ...base,
    phases: (state) =>
      moves(state)
        ? shares.map((share, i) => ({ share, parts: at(true, state, i) }))
        : [{ share: 1, parts: at(true, state, -1) }],
    dead: (state) => at(false, state, -1),
    hertz: (state) => (moves(state) ? hertz : 0),
  };
}
