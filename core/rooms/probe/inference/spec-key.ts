import type { ReadingSpec } from '../../../engines/circuit';

/** Stable name of a spec: what is measured, where, in which state. */
export const specKey = (s: ReadingSpec): string =>
  `${s.kind}|${s.from.kind}${s.from.kind === 'rail' ? '' : s.from.name}|${s.to.kind}${s.to.name}|${s.state}`;
