import { formatQuantity, type Unit } from '../../core/ground/quantity';

/** What an axis wants of a scale of d3: where its ticks are, and where a value lies. */
export interface Scale {
  (value: number): number;
  ticks(count?: number): number[];
}

export interface Tick {
  readonly value: number;
  readonly at: number;
  readonly text: string;
}

/** The ticks of a scale with their words in the unit's own prefixes; every chart of the house takes its axis from here. */
export const axisTicks = (scale: Scale, unit: Unit, count = 6): readonly Tick[] =>
  scale.ticks(count).map((value) => ({ value, at: scale(value), text: formatQuantity(value, unit) }));
