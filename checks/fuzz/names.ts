/** The demo jobs: together they hold something in every part of a document. */
export const DEMO_NAMES = [
  'rice-pot',
  'yard-gate',
  'dough-proofer',
  'cold-room-alarm',
  'hatch-shutter',
  'extractor-rocker',
  'hood-fan',
  'larder-dehumidifier',
  'glass-washer',
] as const;
