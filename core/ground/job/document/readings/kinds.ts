/** The ways a control can be built. */
export const CONTROL_KINDS = [
  'low-when-pressed',
  'high-when-pressed',
  'ladder',
  'scanned-matrix',
  'dry-pair',
  'switched-load',
  'touch-pad',
  'motor-pair',
  'latching-switch',
  'selector',
  'encoder',
  'serial-bus',
] as const;
/** One of `CONTROL_KINDS`. */
export type ControlKind = (typeof CONTROL_KINDS)[number];
