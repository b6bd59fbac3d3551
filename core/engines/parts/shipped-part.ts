import type { SourceKey } from '../../ground/sources';
import type { Bounds, PartKind } from '../../ground/job';

/** A class of parts that ships: values as the trade knows them, each row with its source. */
export interface ShippedPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly name: string;
  readonly source: SourceKey;
  readonly values: Readonly<Record<string, Bounds>>;
}

/** A value without spread. */
export const at = (x: number): Bounds => [x, x, x];
/** Within a tenth either way. */
export const tenth = (x: number): Bounds => [0.9 * x, x, 1.1 * x];
/** One row of the tables of parts. */
export const row = (
  id: string,
  kind: PartKind,
  name: string,
  source: SourceKey,
  values: Readonly<Record<string, Bounds>>,
): ShippedPart => ({ id, kind, name, source, values });
