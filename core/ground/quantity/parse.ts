import { present } from '../lists';
import { PREFIXES, UNIT_NAMES, type Unit } from './units';

/** What a person typed, in base units. `relation` is `>` for an over-range display such as `>20M` or `OL`. */
export interface Quantity {
  readonly value: number;
  readonly unit: Unit;
  readonly relation: '=' | '>' | '<';
  readonly kind?: 'ac' | 'dc';
  /** Last digit shown, in base units: 0.01 for `4.98`; the meter's resolution. */
  readonly digit: number;
}

/** A quantity as it was typed, or why it cannot be read. */
export type Parsed = { ok: true; quantity: Quantity } | { ok: false; at: number; message: string };

const fail = (at: number, message: string): Parsed => ({ ok: false, at, message });

/** Gauge 36 is 0.127 mm thick, and 39 steps make a ratio of 92 (ASTM B258). */
const AWG = { thinMetres: 0.127e-3, thinGauge: 36, ratio: 92, steps: 39 } as const;
const INCH_METRES = 0.0254;

/** Cross-section of a conductor by American wire gauge, m². Source: ASTM B258, diameter 0.127 mm · 92^((36 − n)/39). */
export function awgAreaSquareMetres(gauge: number): number {
  const diameterMetres = AWG.thinMetres * AWG.ratio ** ((AWG.thinGauge - gauge) / AWG.steps);
  return Math.PI * (diameterMetres / 2) ** 2;
}

/** Characters; no quantity that a person types comes near. */
const LONGEST = 200;
const NUMBER = /^[+\-−]?(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:e[+-]?\d+)?/;
const INFIX = /^(\d+)([RVpnuµμmkM])(\d+)/;

function unitAfter(
  text: string,
  expected: Unit | undefined,
): { unit: Unit; factor: number; kind?: 'ac' | 'dc'; length: number } | undefined {
  const tries: { unit: Unit; factor: number; kind?: 'ac' | 'dc'; length: number }[] = [];
  const names = Object.keys(UNIT_NAMES).sort((a, b) => b.length - a.length);
  for (const name of names) {
    if (text.startsWith(name)) tries.push({ ...present(UNIT_NAMES[name]), length: name.length });
  }
  for (const [prefix, scale] of Object.entries(PREFIXES)) {
    if (!text.startsWith(prefix)) continue;
    const rest = text.slice(prefix.length);
    const name = names.find((n) => rest.startsWith(n) && present(UNIT_NAMES[n]).factor === 1);
    if (name) tries.push({ ...present(UNIT_NAMES[name]), factor: scale, length: prefix.length + name.length });
    else if (expected) tries.push({ unit: expected, factor: scale, length: prefix.length });
  }
  tries.sort((a, b) => b.length - a.length || Number(b.unit === expected) - Number(a.unit === expected));
  return tries.find((t) => expected && t.unit === expected && t.length === text.trimEnd().length) ?? tries[0];
}

/**
 * Reads one quantity as people type it at a bench: `4.98`, `4,98 V`, `12m`, `3V3`, `4k7`, `470R`, `2u2`, `0.5"`,
 * `1/2 in`, `18AWG`, `0.75mm2`, `1h20`, `35 s`, `-20%`, `>20M`, `OL`, `0.3 VAC`.
 * @param expected the unit to assume where none is typed; a typed unit of another kind is refused.
 * @param overRange where the meter's scale ends, in base units: `OL` says no more than "above that".
 * @returns the value in base units, or the position (from 0) of the first character that does not fit, and why.
 */
export function parseQuantity(text: string, expected?: Unit, overRange?: number): Parsed {
  if (text.length > LONGEST) return fail(LONGEST, 'this is longer than any number');
  const lead = text.length - text.trimStart().length;
  let rest = text.trim();
  let at = lead;
  if (!rest) return fail(at, 'a number is missing');
  if (/^(OL|O\.L|over)$/i.test(rest)) {
    if (!expected || overRange === undefined || Number.isNaN(overRange))
      return fail(at, 'over range of what? say the number at which this meter ends, for example >20 Mohm');
    return { ok: true, quantity: { value: overRange, unit: expected, relation: '>', digit: 0 } };
  }
  let relation: Quantity['relation'] = '=';
  const sign = /^([<>])\s*/.exec(rest);
  if (sign) {
    relation = sign[1] as '<' | '>';
    rest = rest.slice(sign[0].length);
    at += sign[0].length;
  }
  const special = parseSpecial(rest, at, relation, expected);
  if (special) return special;

  const infix = INFIX.exec(rest);
  if (infix && !/^\d+m\d/.test(rest)) return parseInfix(infix, rest, at, relation, expected);

  return parseNumber(rest, at, relation, expected);
}

/** A number with or without a unit behind it. */
function parseNumber(rest: string, at: number, relation: Quantity['relation'], expected?: Unit): Parsed {
  const number = NUMBER.exec(rest);
  if (!number) return fail(at, `"${rest[0]}" cannot start a number`);
  const decimals = /[.,](\d+)/.exec(number[0])?.[1]?.length ?? 0;
  const digits = number[0].replace(',', '.').replace('−', '-');
  const tail = rest.slice(number[0].length);
  const unitText = tail.trimStart();
  const unitAt = at + rest.length - unitText.length;
  if (!unitText)
    return { ok: true, quantity: { value: Number(digits), unit: expected ?? '1', relation, digit: 10 ** -decimals } };
  const unit = unitAfter(unitText, expected);
  if (unit?.length !== unitText.length) return fail(unitAt, `"${unitText}" is no unit known here`);
  if (expected && unit.unit !== expected) return fail(unitAt, `this is ${unit.unit}, but ${expected} is wanted`);
  return {
    ok: true,
    quantity: {
      value: scaled(digits, unit.factor),
      unit: unit.unit,
      relation,
      digit: 10 ** -decimals * unit.factor,
      ...(unit.kind ? { kind: unit.kind } : {}),
    },
  };
}

/** Decimal text times a factor, without the binary dust of multiplying by a power of ten: 2.2 µ is 2.2e-6 and nothing beside it. */
function scaled(digits: string, factor: number): number {
  const power = Math.round(Math.log10(factor));
  if (Number(`1e${power}`) !== factor) return Number(digits) * factor;
  const [mantissa, exponent] = digits.split('e');
  return Number(`${mantissa}e${Number(exponent ?? 0) + power}`);
}

function parseInfix(
  infix: RegExpExecArray,
  rest: string,
  at: number,
  relation: Quantity['relation'],
  expected?: Unit,
): Parsed {
  const [all, whole, letter, fraction] = infix as unknown as [string, string, string, string];
  const left = rest.slice(all.length).trim();
  const named: Unit | undefined = letter === 'V' ? 'V' : letter === 'R' ? 'Ω' : undefined;
  const typed = left ? UNIT_NAMES[left]?.unit : undefined;
  if (left && !typed) return fail(at + all.length, `"${left}" is left over`);
  const unit = named ?? typed ?? expected ?? (letter === 'k' || letter === 'M' ? 'Ω' : 'F');
  if (expected && unit !== expected) return fail(at, `this is ${unit}, but ${expected} is wanted`);
  const factor = named ? 1 : present(PREFIXES[letter]);
  const value = scaled(`${whole}.${fraction}`, factor);
  return { ok: true, quantity: { value, unit, relation, digit: 10 ** -fraction.length * factor } };
}

function parseSpecial(rest: string, at: number, relation: Quantity['relation'], expected?: Unit): Parsed | undefined {
  const done = (value: number, unit: Unit, digit: number): Parsed =>
    expected && expected !== unit
      ? fail(at, `this is ${unit}, but ${expected} is wanted`)
      : { ok: true, quantity: { value, unit, relation, digit } };
  const awg = /^(\d{1,2})\s*AWG$/i.exec(rest);
  if (awg) return done(awgAreaSquareMetres(Number(awg[1])), 'm²', 0);
  const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)\s*(in|inch|")$/.exec(rest);
  if (fraction) {
    const [whole, over, under] = fraction.slice(1).map((x) => Number(x ?? 0)) as [number, number, number];
    if (under === 0) return fail(at + rest.indexOf('/') + 1, 'a fraction cannot have 0 below the line');
    return done((whole + over / under) * INCH_METRES, 'm', INCH_METRES / under);
  }
  return duration(rest, done);
}

const SECONDS = { day: 86400, hour: 3600, minute: 60 } as const;

/** A time of several parts, largest first: `1h20`, `2 d 3 h`, `1 h 2 min 5 s`, `2 min 5`. */
const DURATION = /^([+\-−])?(?:(\d+)\s*d\b\s*)?(?:(\d+)\s*h\s*)?(?:(\d+)\s*min\s*)?(?:(\d+(?:[.,]\d+)?)\s*(s)?)?$/;

function duration(rest: string, done: (value: number, unit: Unit, digit: number) => Parsed): Parsed | undefined {
  const m = DURATION.exec(rest);
  if (!m) return undefined;
  const [, sign, d, h, min, last, s] = m;
  const told = (part: string | undefined): boolean => part !== undefined;
  // One part alone is read as any other quantity is.
  if ([d, h, min, last].filter(told).length < 2 && !told(d)) return undefined;
  // A number at the end is of the next smaller part: minutes after hours, seconds after minutes.
  const bare = told(last) && !told(s);
  if (bare && !told(min) && !told(h)) return undefined;
  const isMinutes = bare && !told(min);
  const count = (part = '0'): number => Number(part.replace(',', '.'));
  const value =
    count(d) * SECONDS.day +
    count(h) * SECONDS.hour +
    count(min) * SECONDS.minute +
    count(last) * (isMinutes ? SECONDS.minute : 1);
  const digit = told(last) && !isMinutes ? 1 : SECONDS.minute;
  return done(sign === '-' || sign === '−' ? -value : value, 's', digit);
}
