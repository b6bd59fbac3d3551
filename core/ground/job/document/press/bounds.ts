import { boundsAt, type AnyFields } from '../../../field';
import { pressFields } from './fields';

/** Between which values a number of a press’s plan lies, by its path: `finger.hornMetres`; base units, undefined where there is none. */
export const pressBounds = (path: string): readonly [least: number, most: number] | undefined =>
  boundsAt(pressFields as unknown as AnyFields, path);
