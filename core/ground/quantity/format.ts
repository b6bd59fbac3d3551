import { lastItem } from '../lists';
import { parseQuantity } from './parse';
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
const PLAIN: ReadonlySet<Unit> = new Set(['%', '°C', 'K', '1', '°', 'rpm', 'kg', 'lux', 'l', 'l/min']);

/** Writes a number with three significant figures and no needless zeros: 4.98, 0.003, 12.0 becomes 12. */
function threeFigures(value: number): string {
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
  const [scale, prefix] = prefixFor(rounded, unit);
  return `${threeFigures(value / scale)} ${prefix}${unit}`;
}

function prefixFor(size: number, unit: Unit): readonly [scale: number, prefix: string] {
  const least = (s: number): number => (BENCH.has(unit) && s <= 1 ? s / 10 : s);
  return ENGINEERING.find(([s]) => size >= least(s)) ?? lastItem(ENGINEERING);
}

const JUST = /^-?\d+(\.\d+)?(e[+-]\d+)?$/;

/**
 * The shortest text that `parseQuantity` reads back to the very same number; what a box shows, where `formatQuantity`, which
 * rounds, is what a sentence shows.
 * @param value finite, in the base unit.
 */
export function quantityText(value: number, unit: Unit): string {
  const same = (text: string): boolean => {
    const read = parseQuantity(text, unit);
    return read.ok && read.quantity.value === value && read.quantity.relation === '=';
  };
  const short = formatQuantity(value, unit);
  if (same(short)) return short;
  const name = unit === '1' ? '' : ` ${unit}`;
  if (unit === 's' && Math.abs(value) >= 60 && Number.isInteger(value)) {
    const text = longTime(value);
    if (same(text)) return text;
  }
  const [scale, prefix] = PLAIN.has(unit)
    ? ([1, ''] as const)
    : unit === 'm²'
      ? ([1e-6, 'mm²'] as const)
      : prefixFor(Math.abs(value), unit);
  for (let figures = 4; figures <= 17; figures++) {
    const digits = String(Number((value / scale).toPrecision(figures)));
    const text =
      unit === 'm²' ? `${digits} ${prefix}` : PLAIN.has(unit) ? `${digits}${name}` : `${digits} ${prefix}${unit}`;
    if (JUST.test(digits) && same(text)) return text;
  }
  return `${String(value)}${name}`;
}

function formatLongTime(seconds: number): string {
  // From an hour on nobody counts the seconds.
  return longTime(
    Math.abs(seconds) >= 3600 ? Math.sign(seconds) * Math.floor(Math.round(Math.abs(seconds)) / 60) * 60 : seconds,
  );
}

function longTime(seconds: number): string {
  const whole = Math.round(Math.abs(seconds));
  const parts = [
    [Math.floor(whole / 3600), 'h'],
    [Math.floor((whole % 3600) / 60), 'min'],
    [whole % 60, 's'],
  ] as const;
  return (
    (seconds < 0 ? '−' : '') +
    parts
      .filter(([n]) => n > 0)
      .map(([n, name]) => `${n} ${name}`)
      .join(' ')
  );
}
