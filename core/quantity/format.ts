import type { Unit } from './units';

const ENGINEERING: readonly (readonly [number, string])[] = [
  [1e9, 'G'],
  [1e6, 'M'],
  [1e3, 'k'],
  [1, ''],
  [1e-3, 'm'],
  [1e-6, 'µ'],
  [1e-9, 'n'],
  [1e-12, 'p'],
];

const BENCH: ReadonlySet<Unit> = new Set(['V', 'A', 'Ω', 'W']);
const PLAIN: ReadonlySet<Unit> = new Set(['%', '°C', 'K', '1', '°', 'rpm', 'kg']);

/** Writes a number with three significant figures and no needless zeros: 4.98, 0.003, 12.0 becomes 12. */
export function threeFigures(value: number): string {
  if (value === 0) return '0';
  return String(Number(value.toPrecision(3)));
}

/**
 * Writes a quantity in engineering notation with three significant figures: `4.98 V`, `470 Ω`, `3.1 mA`, `0.19 V`.
 * Durations of a minute and more are written as `1 h 20 min`, `2 min 5 s`.
 * @param value in the base unit; infinity is written as a word.
 */
export function formatQuantity(value: number, unit: Unit): string {
  if (Number.isNaN(value)) return 'unknown';
  if (!Number.isFinite(value)) return value > 0 ? 'no limit' : 'none';
  if (unit === 's' && Math.abs(value) >= 60) return formatLongTime(value);
  if (PLAIN.has(unit)) return unit === '1' ? threeFigures(value) : `${threeFigures(value)} ${unit}`;
  if (unit === 'm²') return `${threeFigures(value * 1e6)} mm²`;
  const size = Math.abs(value);
  if (size === 0) return `0 ${unit}`;
  // 999.6 Ω rounds to 1.00 kΩ: the prefix is chosen after rounding.
  const rounded = Number(size.toPrecision(3));
  // People at a bench say 0.5 mA and 0.19 V, not 500 µA and 190 mV; above one they say 470 Ω, not 0.47 kΩ.
  const least = (s: number): number => (BENCH.has(unit) && s <= 1 ? s / 10 : s);
  const [scale, prefix] = ENGINEERING.find(([s]) => rounded >= least(s)) ?? ENGINEERING[ENGINEERING.length - 1]!;
  return `${threeFigures(value / scale)} ${prefix}${unit}`;
}

function formatLongTime(seconds: number): string {
  const sign = seconds < 0 ? '−' : '';
  const whole = Math.round(Math.abs(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const rest = whole % 60;
  const parts = [hours ? `${hours} h` : '', minutes ? `${minutes} min` : '', !hours && rest ? `${rest} s` : ''];
  return sign + parts.filter(Boolean).join(' ');
}
