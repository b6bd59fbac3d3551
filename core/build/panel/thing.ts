import type { Finding } from '../../ground/finding';

/** A wire by its ends: the id of a line stands for the pin that it lies on. */
export type PanelWire = readonly [from: string, to: string];

export interface PanelPart {
  readonly name: string;
  readonly value: string;
  readonly quantity: number;
}

/** A hand, a sign or a sense as it is wired to the controller. */
export interface PanelThing {
  readonly id: string;
  readonly name: string;
  /** What it is for, in one line. */
  readonly what: string;
  readonly wires: readonly PanelWire[];
  readonly parts: readonly PanelPart[];
  readonly findings: readonly Finding[];
}
