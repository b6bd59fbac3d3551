import { regex } from './regex';
/** A number in a line with the unit that goes with it, as the grammar writes it; `rest` is the line without both. */
export interface QuantityIn {
  readonly text: string;
  readonly dimension: 'V' | 'Ω' | 'A' | 'Hz' | '%';
  readonly rest: string;
}

type Dimension = QuantityIn['dimension'];

/** Units as they are typed after a number, longest first, and how the grammar has them. Upper and lower case tell milli from mega. */
const UNITS: readonly (readonly [RegExp, string, Dimension])[] = [
  [/^(?:milli-?volts?|mv|mV)(?![a-z])/i, 'mV', 'V'],
  [/^(?:kilo-?volts?|kV)(?![a-zA-Z])/, 'kV', 'V'],
  [/^(?:volts?|v) ?~/i, 'VAC', 'V'],
  [/^(?:volts?|v)[ -]?(?:ac|a\.c\.)(?![a-z])/i, 'VAC', 'V'],
  [/^(?:volts?|v)[ -]?(?:dc|d\.c\.)(?![a-z])/i, 'V', 'V'],
  [/^(?:volts?|v)(?![a-z])/i, 'V', 'V'],
  [/^(?:milli-?ohms?|mΩ|mohms?|mOhms?)(?![a-zA-Z])/, 'mohm', 'Ω'],
  [/^(?:mega?-?\s?ohms?|megohms?|megs?|MΩ|Mohms?|M\s?ohms?|M)(?![a-zA-Z])/, 'M', 'Ω'],
  [/^(?:Mega?-?\s?[oO]hms?|Megs?|MOhms?)(?![a-zA-Z])/, 'M', 'Ω'],
  [/^(?:kilo-?\s?ohms?|kilohms?|kΩ|k\s?ohms?|kohms?|k)(?![a-z])/i, 'k', 'Ω'],
  [/^(?:ohms?|Ω|Ω|R)(?![a-z])/i, 'ohm', 'Ω'],
  [/^(?:micro-?\s?amp(?:ere)?s?|[uµμ]A)(?![a-zA-Z])/i, 'uA', 'A'],
  [/^(?:milli-?\s?amp(?:ere)?s?|mA|ma)(?![a-zA-Z])/, 'mA', 'A'],
  [/^(?:amp(?:ere)?s?|A)(?![a-zA-Z])/, 'A', 'A'],
  [/^(?:kilo-?hertz|khz)(?![a-z])/i, 'kHz', 'Hz'],
  [/^(?:mega-?hertz|MHz)(?![a-zA-Z])/, 'MHz', 'Hz'],
  [/^(?:hertz|hz)(?![a-z])/i, 'Hz', 'Hz'],
  [/^(?:%|percent|per cent)(?: (?:duty|high|of the time|duty cycle))*(?![a-z])/i, '%', '%'],
];

const NUMBER = regex(
  'i',
  String.raw`(?<![\w.,-])([<>]|over |above |more than |below |less than |under )?\s*([-−+]|`,
  String.raw`minus )?(\d+(?:[.,]\d+)?|[.,]\d+)([RVkM]\d+)?(?=[^\d]|$)`,
);
const CURRENT = /\b(?:alternating current|ac|a\.c\.)\b/i;
const DIRECT = /\b(?:direct current|dc|d\.c\.)\b/i;

/** Whole numbers in words count where a unit follows. */
const NUMBER_WORDS = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
const SPELLED = new RegExp(
  `\\b(?:${NUMBER_WORDS.join('|')})\\b(?= ?(?:volts?|ohms?|kilo|mega|milli|kohms?|amps?|hertz|percent)\\b)`,
  'i',
);

/** What the meter said without a number. */
const BEEPS =
  /\b(?:beeps?|beeping|beeped|it beeps|buzzes|continuity|connected|closed|shorted|(?:reads?|is|shows?) short)\b/i;
const SILENT = /\b(?:no (?:beep|continuity|connection)|silent|silence|doesn'?t beep|does not beep|not beeping)\b/i;
const OVER = regex(
  'i',
  String.raw`\b(?:OL|O\.L\.?|over ?range|over ?load|infinite|infinity|out of range|endless)\b|∞|\b(?:reads?|`,
  String.raw`is|shows?) open(?: ?(?:line|circuit))?\b|\bopen ?(?:line|circuit)\b`,
);

/** What a bare number is, by the words around it. */
const BY_WORD: readonly (readonly [RegExp, string, Dimension])[] = [
  [/\b(?:volts?|voltage)\b/i, 'V', 'V'],
  [/\b(?:ohms?|resistance)\b/i, 'ohm', 'Ω'],
  [/\b(?:milliamps?)\b/i, 'mA', 'A'],
  [/\b(?:frequency|hertz)\b/i, 'Hz', 'Hz'],
  [/\b(?:duty|percent|duty cycle)\b/i, '%', '%'],
];

/** Finds the one quantity of a line: a number with its unit after or before it, a beep, or over range. Null where there is none or two. */
export function quantityIn(line: string): QuantityIn | null {
  const zeroed = line
    .replace(/\b(?:zero|nought|null)\b/i, '0')
    .replace(SPELLED, (word) => String(NUMBER_WORDS.indexOf(word.toLowerCase()) + 1));
  const m = NUMBER.exec(zeroed);
  if (!m) return wordsOnly(zeroed);
  const [all, relation = '', sign = '', digits, infix = ''] = m as unknown as (string | undefined)[] as [
    string,
    ...string[],
  ];
  const number = `${sizeOf(relation)}${sign.trim() === '' ? '' : '-'}${digits}${/^v/.test(infix) ? infix.toUpperCase() : infix}`;
  const measured = unitAround(zeroed.slice(0, m.index), zeroed.slice(m.index + all.length), infix);
  if (!measured) return null;
  const { dimension } = measured;
  let { unit, rest } = measured;
  if (dimension === 'V' && CURRENT.test(rest)) {
    unit = `${unit}AC`;
    rest = rest.replace(CURRENT, ' ');
  } else if (dimension === 'V') rest = rest.replace(DIRECT, ' ');
  return { text: withUnit(number.replace('-+', ''), unit), dimension, rest: ` ${rest} ` };
}

/** Units that stand apart from their number. */
const APART = ['%', 'Hz', 'kHz'];
const withUnit = (number: string, unit: string): string => `${number}${APART.includes(unit) ? ' ' : ''}${unit}`;

interface UnitAround {
  readonly unit: string;
  readonly dimension: Dimension;
  /** The line without the unit. */
  readonly rest: string;
}

/** The unit of a number: straight after it, in its middle as in 4k7, a word or a lone unit near by, else volts. */
function unitAround(before: string, behind: string, infix: string): UnitAround | null {
  const trimmed = behind.trimStart();
  for (const [re, unit, dimension] of UNITS) {
    const m = re.exec(trimmed);
    // After a place or a state "A" is a terminal; straight after the number it is the unit.
    if (m) return { unit, dimension, rest: `${before}  ${trimmed.slice(m[0].length)}` };
  }
  const rest = `${before} ${behind}`;
  if (/^[RkM]/i.test(infix)) return { unit: '', dimension: 'Ω', rest };
  if (/^V/i.test(infix)) return { unit: '', dimension: 'V', rest };
  const word = BY_WORD.find(([re]) => re.test(before) || re.test(behind));
  if (word) return { unit: word[1], dimension: word[2], rest };
  const lone = /(?<=\s)(mV|kV|V|kΩ|MΩ|Ω|mA|Hz|%)(?=\s)/.exec(before);
  if (!lone) return { unit: 'V', dimension: 'V', rest };
  const [all, unit = ''] = lone;
  const dimension = UNITS.find(([re]) => re.test(unit))?.[2];
  return dimension ? { unit, dimension, rest: `${before.replace(all, ' ')} ${behind}` } : null;
}

const sizeOf = (relation: string): string =>
  /^(?:>|over|above|more)/i.test(relation.trim()) ? '>' : relation.trim() ? '<' : '';

function wordsOnly(line: string): QuantityIn | null {
  for (const [re, text] of [
    [SILENT, 'silent'],
    [BEEPS, 'beep'],
    [OVER, 'OL'],
    [/\bopen\b/i, 'OL'],
  ] as const)
    if (re.test(line)) return { text, dimension: 'Ω', rest: line.replace(re, ' ') };
  return null;
}
