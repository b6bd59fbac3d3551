import type { Finding } from '../../ground/finding';
import { leg, type End } from '../ends';

/** A wire by its ends. */
export type PanelWire = readonly [from: End, to: End];
/** A terminal of what stands at the controller. */
export const panelEnd = (words: string): End => leg('machine', words);

/** A part that is bought for what stands at the controller. */
export interface PanelPart {
  readonly name: string;
  readonly value: string;
  readonly quantity: number;
}

/** A hand, a sign or a sense as it is wired to the controller. */
export interface PanelDevice {
  readonly id: string;
  readonly name: string;
  /** What it is for, in one line. */
  readonly what: string;
  readonly wires: readonly PanelWire[];
  readonly parts: readonly PanelPart[];
  readonly findings: readonly Finding[];
}
