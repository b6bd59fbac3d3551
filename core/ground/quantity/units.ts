/** Units that the bench uses; all numbers in the core are in these. */
export type Unit =
  | 'V'
  | 'A'
  | 'Ω'
  | 'W'
  | 's'
  | 'Hz'
  | 'F'
  | 'H'
  | 'm'
  | 'm²'
  | 'N'
  | 'N·m'
  | '°C'
  | 'K'
  | '%'
  | '1'
  | '°'
  | 'rpm'
  | 'kg'
  | 'Pa'
  | 'J'
  | 'lux'
  | 'l'
  | 'l/min';

/** A way to write a unit, and what it is in base units. */
export interface UnitName {
  readonly unit: Unit;
  /** Multiply what was typed by this to get the base unit. */
  readonly factor: number;
  /** `ac` or `dc` where the spelling says so, as in `VAC`. */
  readonly kind?: 'ac' | 'dc';
}

const METRES_PER_INCH = 0.0254;

/** Spellings of units, longest match wins. Case matters only where it must (`m` and `M` are prefixes). */
export const UNIT_NAMES: Readonly<Record<string, UnitName>> = {
  V: { unit: 'V', factor: 1 },
  v: { unit: 'V', factor: 1 },
  volt: { unit: 'V', factor: 1 },
  volts: { unit: 'V', factor: 1 },
  VAC: { unit: 'V', factor: 1, kind: 'ac' },
  'V AC': { unit: 'V', factor: 1, kind: 'ac' },
  vac: { unit: 'V', factor: 1, kind: 'ac' },
  VDC: { unit: 'V', factor: 1, kind: 'dc' },
  'V DC': { unit: 'V', factor: 1, kind: 'dc' },
  vdc: { unit: 'V', factor: 1, kind: 'dc' },
  A: { unit: 'A', factor: 1 },
  amp: { unit: 'A', factor: 1 },
  amps: { unit: 'A', factor: 1 },
  Ω: { unit: 'Ω', factor: 1 },
  '\u2126': { unit: 'Ω', factor: 1 },
  ohm: { unit: 'Ω', factor: 1 },
  ohms: { unit: 'Ω', factor: 1 },
  R: { unit: 'Ω', factor: 1 },
  W: { unit: 'W', factor: 1 },
  watt: { unit: 'W', factor: 1 },
  watts: { unit: 'W', factor: 1 },
  s: { unit: 's', factor: 1 },
  sec: { unit: 's', factor: 1 },
  min: { unit: 's', factor: 60 },
  h: { unit: 's', factor: 3600 },
  Hz: { unit: 'Hz', factor: 1 },
  hz: { unit: 'Hz', factor: 1 },
  F: { unit: 'F', factor: 1 },
  H: { unit: 'H', factor: 1 },
  m: { unit: 'm', factor: 1 },
  mm: { unit: 'm', factor: 1e-3 },
  cm: { unit: 'm', factor: 1e-2 },
  in: { unit: 'm', factor: METRES_PER_INCH },
  '"': { unit: 'm', factor: METRES_PER_INCH },
  inch: { unit: 'm', factor: METRES_PER_INCH },
  'm²': { unit: 'm²', factor: 1 },
  m2: { unit: 'm²', factor: 1 },
  mm2: { unit: 'm²', factor: 1e-6 },
  'mm²': { unit: 'm²', factor: 1e-6 },
  N: { unit: 'N', factor: 1 },
  gf: { unit: 'N', factor: 9.80665e-3 },
  kgf: { unit: 'N', factor: 9.80665 },
  kp: { unit: 'N', factor: 9.80665 },
  lbf: { unit: 'N', factor: 4.4482216152605 },
  Nm: { unit: 'N·m', factor: 1 },
  'N·m': { unit: 'N·m', factor: 1 },
  'N m': { unit: 'N·m', factor: 1 },
  Ncm: { unit: 'N·m', factor: 1e-2 },
  'N·cm': { unit: 'N·m', factor: 1e-2 },
  '°C': { unit: '°C', factor: 1 },
  C: { unit: '°C', factor: 1 },
  K: { unit: 'K', factor: 1 },
  '%': { unit: '%', factor: 1 },
  '°': { unit: '°', factor: 1 },
  deg: { unit: '°', factor: 1 },
  rpm: { unit: 'rpm', factor: 1 },
  kg: { unit: 'kg', factor: 1 },
  g: { unit: 'kg', factor: 1e-3 },
  Pa: { unit: 'Pa', factor: 1 },
  J: { unit: 'J', factor: 1 },
  lux: { unit: 'lux', factor: 1 },
  lx: { unit: 'lux', factor: 1 },
  l: { unit: 'l', factor: 1 },
  ml: { unit: 'l', factor: 1e-3 },
  'l/min': { unit: 'l/min', factor: 1 },
};

/** Decimal prefixes as typed at a bench; `u` stands for micro. */
export const PREFIXES: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  meg: 1e6,
  Meg: 1e6,
  G: 1e9,
};
