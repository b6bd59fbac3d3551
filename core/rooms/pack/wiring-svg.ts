import type { Ink, Mark, Sheet } from '../../build/drawing';
import { xml } from './xml';

const COLOUR: Record<string, string> = {
  orange: '#b35c00',
  black: '#1e2b2a',
  green: '#1e6a62',
  grey: '#64717f',
  red: '#ae2a1c',
  blue: '#1f5fa8',
  brown: '#6b3f1d',
  yellow: '#8a6d00',
  white: '#8a8f8c',
  violet: '#6b3fa0',
};
const INK: Record<Ink, string> = {
  ink: '#1e2b2a',
  muted: '#566462',
  part: '#1e2b2a',
  'shore-left': '#eceee6',
  'shore-right': '#efe8da',
  hatch: '#9dbdb8',
  stop: '#ae2a1c',
  paper: '#ffffff',
};

/** Paper colour of a wire's name; unknown names print in ink. */
export const wireColour = (name: string): string => COLOUR[name] ?? '#1e2b2a';

function mark(m: Mark): string {
  if (m.kind === 'text')
    return `<text x="${m.x}" y="${m.y}" font-size="${m.size}" text-anchor="${m.anchor}" fill="${INK[m.ink]}">${xml(m.text)}</text>`;
  if (m.kind === 'tag') {
    return (
      `<g><circle cx="${m.x}" cy="${m.y}" r="12" fill="#fff" ` +
      `stroke="${wireColour(m.colour)}" stroke-width="2"/><text x="${m.x}" ` +
      `y="${m.y + TAG_BASELINE}" font-size="14" text-anchor="middle" ` +
      `fill="#1e2b2a">${m.number}</text></g>`
    );
  }
  if (m.fill) return `<path d="${m.d}" fill="${INK[m.ink]}"/>`;
  const stroke = m.colour ? wireColour(m.colour) : INK[m.ink];
  return (
    `<path d="${m.d}" fill="none" stroke="${stroke}"${m.wire === undefined ? '' : ` data-wire="${m.wire}"`} ` +
    `stroke-width="${m.strong ? STROKE.strong : m.wire ? STROKE.wire : STROKE.plain}"${m.dashed ? ' stroke-dasharray="6 4"' : ''}/>`
  );
}

/** A wire as it stands beside the drawing. */
export interface SheetWire {
  readonly number: number;
  readonly from: string;
  readonly to: string;
  readonly colour: string;
}

/** Characters that a line of the cautions and a cell of the wire table hold at most on paper, whatever font prints them. */
const LINE_LETTERS = 96;
const CELL_LETTERS = 30;

/** Columns of the wire table, and the rows of the sheet below the drawing, in its own units. */
const COLUMN = { number: 18, from: 60, to: 320, colour: 580, hanging: 30 } as const;
const ROW = { wire: 24, line: 18, caution: 20, foot: 30, title: 30 } as const;
const STROKE = { strong: 4, wire: 2.5, plain: 2 } as const;
/** From a tag's middle down to the line that its number stands on. */
const TAG_BASELINE = 5;

/** A text in lines of so many characters, broken between words; a word that is longer is broken within, between whole characters. */
function inLines(text: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= letters) lines[lines.length - 1] = `${last} ${word}`;
    else {
      const all = [...word];
      for (let at = 0; at === 0 || at < all.length; at += letters) lines.push(all.slice(at, at + letters).join(''));
    }
  }
  return lines;
}

/** The wiring sheet as an SVG file: the joint above, the wire table below. Readable in black and white by its numbers. */
export function wiringSvg(
  title: string,
  date: string,
  sheet: Sheet,
  wires: readonly SheetWire[],
  cautions: readonly string[],
): string {
  const tableTop = sheet.height + 100;
  const cell = (x: number, y: number, t: string, weight = 'normal'): string =>
    `<text x="${x}" y="${y}" font-size="15" font-weight="${weight}" fill="#1e2b2a">${xml(t)}</text>`;
  const cells = (x: number, y: number, lines: readonly string[]): string =>
    lines.map((t, i) => cell(x, y + i * ROW.line, t)).join('');
  let y = tableTop;
  const rows = wires.map((w) => {
    y += ROW.wire;
    const [from, to] = [inLines(w.from, CELL_LETTERS), inLines(w.to, CELL_LETTERS)];
    const row =
      cell(COLUMN.number, y, String(w.number), 'bold') +
      cells(COLUMN.from, y, from) +
      cells(COLUMN.to, y, to) +
      cell(COLUMN.colour, y, w.colour);
    y += (Math.max(from.length, to.length) - 1) * ROW.line;
    return row;
  });
  const cautionTop = y + ROW.wire + ROW.caution;
  const said = cautions.flatMap((c) =>
    inLines(c, LINE_LETTERS).map((line, i) => ({ line, x: i === 0 ? COLUMN.number : COLUMN.hanging })),
  );
  const height = cautionTop + said.length * ROW.caution + ROW.foot;
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${sheet.width} ${height}" ` +
      `width="${sheet.width}" height="${height}" font-family="Atkinson Hyperlegible Next, Arial, ` +
      'sans-serif">',
    `<title>${xml(title)}</title>`,
    `<rect width="${sheet.width}" height="${height}" fill="#fff"/>`,
    cell(COLUMN.number, ROW.title, title, 'bold'),
    `<text x="706" y="30" font-size="13" text-anchor="end" fill="#566462">${xml(date)}</text>`,
    `<g transform="translate(0 50)">${sheet.marks.map(mark).join('\n')}</g>`,
    cell(COLUMN.number, tableTop, 'wire', 'bold'),
    cell(COLUMN.from, tableTop, 'from', 'bold'),
    cell(COLUMN.to, tableTop, 'to', 'bold'),
    cell(COLUMN.colour, tableTop, 'colour', 'bold'),
    ...rows,
    ...said.map(
      ({ line, x }, i) =>
        `<text x="${x}" y="${cautionTop + i * ROW.caution}" font-size="13" fill="#1e2b2a">${xml(line)}</text>`,
    ),
    '</svg>',
    '',
  ].join('\n');
}
