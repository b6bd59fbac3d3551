import { CONTROL_KINDS } from '../../ground/job';

/**
 * What a control may be that is none of the kinds: met on the same boards, known by its own readings, and pressed by nothing that is put
 * across it (`strangers`).
 */
export const STRANGER_KINDS = [
  'opens-when-pressed',
  'changeover',
  'variable-resistor',
  'sensor',
  'lamp-across',
  'two-levels',
  'sounder',
  'indicator',
  'fed-elsewhere',
  'rails',
  'output',
] as const;
/** One of `STRANGER_KINDS`. */
export type StrangerKind = (typeof STRANGER_KINDS)[number];

/** All that readings are held against: the kinds, and what is none of them. */
export const MODEL_KINDS = [...CONTROL_KINDS, ...STRANGER_KINDS] as const;
/** One of `MODEL_KINDS`. */
export type ModelKind = (typeof MODEL_KINDS)[number];

/** Whether something is none of the kinds. */
export const isStranger = (kind: ModelKind): kind is StrangerKind =>
  (STRANGER_KINDS as readonly string[]).includes(kind);
