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
      `y="${m.y + 5}" font-size="14" text-anchor="middle" ` +
      `fill="#1e2b2a">${m.number}</text></g>`
    );
  }
  if (m.fill) return `<path d="${m.d}" fill="${INK[m.ink]}"/>`;
  const stroke = m.colour ? wireColour(m.colour) : INK[m.ink];
  return (
    `<path d="${m.d}" fill="none" stroke="${stroke}" ` +
    `stroke-width="${m.strong ? 4 : m.wire ? 2.5 : 2}"${m.dashed ? ' stroke-dasharray="6 4"' : ''}/>`
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
  const [rowHeight, lineHeight] = [24, 18];
  const tableTop = sheet.height + 100;
  const cell = (x: number, y: number, t: string, weight = 'normal'): string =>
    `<text x="${x}" y="${y}" font-size="15" font-weight="${weight}" fill="#1e2b2a">${xml(t)}</text>`;
  const cells = (x: number, y: number, lines: readonly string[]): string =>
    lines.map((t, i) => cell(x, y + i * lineHeight, t)).join('');
  let y = tableTop;
  const rows = wires.map((w) => {
    y += rowHeight;
    const [from, to] = [inLines(w.from, CELL_LETTERS), inLines(w.to, CELL_LETTERS)];
    const row = `${cell(18, y, String(w.number), 'bold')}${cells(60, y, from)}${cells(320, y, to)}${cell(580, y, w.colour)}`;
    y += (Math.max(from.length, to.length) - 1) * lineHeight;
    return row;
  });
  const cautionTop = y + rowHeight + 20;
  const said = cautions.flatMap((c) => inLines(c, LINE_LETTERS).map((line, i) => ({ line, x: i === 0 ? 18 : 30 })));
  const height = cautionTop + said.length * 20 + 30;
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${sheet.width} ${height}" ` +
      `width="${sheet.width}" height="${height}" font-family="Atkinson Hyperlegible Next, Arial, ` +
      'sans-serif">',
    `<title>${xml(title)}</title>`,
    `<rect width="${sheet.width}" height="${height}" fill="#fff"/>`,
    cell(18, 30, title, 'bold'),
    `<text x="706" y="30" font-size="13" text-anchor="end" fill="#566462">${xml(date)}</text>`,
    `<g transform="translate(0 50)">${sheet.marks.map(mark).join('\n')}</g>`,
    cell(18, tableTop, 'wire', 'bold'),
    cell(60, tableTop, 'from', 'bold'),
    cell(320, tableTop, 'to', 'bold'),
    cell(580, tableTop, 'colour', 'bold'),
    ...rows,
    ...said.map(
      ({ line, x }, i) => `<text x="${x}" y="${cautionTop + i * 20}" font-size="13" fill="#1e2b2a">${xml(line)}</text>`,
    ),
    '</svg>',
    '',
  ].join('\n');
}
