import { xml } from '../xml';

/** What stands on every sheet that tells what to do. */
export const CODE = 'The local electrical code and licensed practice decide; this sheet does not.';

/** What a sheet of paper is made of, one under the other. */
export type PaperBlock =
  | { readonly kind: 'words'; readonly text: string }
  | { readonly kind: 'list'; readonly heading: string; readonly items: readonly string[]; readonly numbered?: boolean }
  | {
      readonly kind: 'table';
      readonly heading: string;
      readonly columns: readonly string[];
      readonly rows: readonly (readonly string[])[];
    }
  | { readonly kind: 'lines'; readonly heading: string; readonly labels: readonly string[] }
  | {
      readonly kind: 'labels';
      readonly heading: string;
      readonly texts: readonly (readonly [large: string, small: string])[];
    }
  | {
      readonly kind: 'photo';
      readonly heading: string;
      readonly file: string;
      readonly width: number;
      readonly height: number;
      /** Places as shares of width and height, each with what stands there. */
      readonly pins: readonly { readonly x: number; readonly y: number; readonly text: string }[];
    };

// Nothing runs in a sheet, and nothing is fetched for it but pictures that lie beside it.
const POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src 'self' data: file:";
const STYLE = `
@page { size: A4; margin: 14mm }
body { font: 10.5pt/1.35 sans-serif; color: #000; background: #fff; max-width: 182mm; margin: 6mm auto; padding: 0 4mm }
h1 { font-size: 15pt; margin: 0 0 2mm } h2 { font-size: 11.5pt; margin: 5mm 0 1.5mm; break-after: avoid }
table { border-collapse: collapse; width: 100% }
th, td { border: 0.3mm solid #000; padding: 0.8mm 1.5mm; text-align: left; vertical-align: top }
tr, figure, .label { break-inside: avoid } ul, ol { margin: 0; padding-left: 6mm } p { margin: 1mm 0 }
.stop { border: 0.8mm solid #000; padding: 1.5mm; font-weight: bold }
.line { display: flex; gap: 3mm; margin: 5mm 0 0 } .line i { flex: 1; border-bottom: 0.3mm solid #000 }
.labels { display: flex; flex-wrap: wrap; gap: 2mm }
.label { border: 0.3mm dashed #000; padding: 1mm 2mm; min-width: 26mm; text-align: center }
.label b { display: block; font-size: 13pt } .label span { font-size: 8pt }
figure { margin: 0; position: relative } figure svg { position: absolute; inset: 0; width: 100%; height: 100% }
figure img { width: 100%; display: block; filter: grayscale(1) }
`;

const tag = (name: string, inner: string, more = ''): string => `<${name}${more}>${inner}</${name}>`;
const cells = (row: readonly string[], as: 'th' | 'td'): string => tag('tr', row.map((c) => tag(as, xml(c))).join(''));

function block(b: PaperBlock): string {
  switch (b.kind) {
    case 'words':
      return tag('p', xml(b.text));
    case 'list':
      return (
        tag('h2', xml(b.heading)) + tag(b.numbered ? 'ol' : 'ul', b.items.map((i) => tag('li', xml(i))).join('\n'))
      );
    case 'table':
      return (
        tag('h2', xml(b.heading)) +
        tag('table', [cells(b.columns, 'th'), ...b.rows.map((r) => cells(r, 'td'))].join('\n'))
      );
    case 'lines':
      return (
        tag('h2', xml(b.heading)) +
        b.labels.map((l) => tag('p', `${tag('span', xml(l))}<i></i>`, ' class="line"')).join('\n')
      );
    case 'labels':
      return (
        tag('h2', xml(b.heading)) +
        tag(
          'div',
          b.texts.map(([l, s]) => tag('div', tag('b', xml(l)) + tag('span', xml(s)), ' class="label"')).join('\n'),
          ' class="labels"',
        )
      );
    case 'photo': {
      const marks = b.pins.map((p) => {
        const [x, y] = [p.x * b.width, p.y * b.height];
        const size = b.width / 45;
        return (
          `<circle cx="${x}" cy="${y}" r="${size / 2}" fill="none" stroke="#000" stroke-width="${size / 8}"/>` +
          `<text x="${x + size}" y="${y}" font-size="${size}" stroke="#fff" stroke-width="${size / 4}" ` +
          `paint-order="stroke">${xml(p.text)}</text>`
        );
      });
      return (
        tag('h2', xml(b.heading)) +
        tag(
          'figure',
          `<img src="${xml(b.file)}" alt="${xml(b.heading)}"/>` +
            tag('svg', marks.join(''), ` viewBox="0 0 ${b.width} ${b.height}" xmlns="http://www.w3.org/2000/svg"`),
        )
      );
    }
  }
}

/**
 * A sheet for A4 in black and white: one file of XHTML in which nothing runs. Stops and cautions stand first.
 * @param stops titles of what stops the plan.
 */
export function paperText(title: string, day: string, stops: readonly string[], blocks: readonly PaperBlock[]): string {
  return [
    '<!DOCTYPE html>',
    '<html xmlns="http://www.w3.org/1999/xhtml" lang="en">',
    `<head><meta charset="utf-8"/><meta http-equiv="Content-Security-Policy" content="${xml(POLICY)}"/>`,
    `<title>${xml(title)}</title><style>${STYLE}</style></head>`,
    '<body>',
    tag('h1', xml(title)),
    tag('p', xml(day)),
    ...stops.map((s) => tag('p', xml(`STOP: ${s}`), ' class="stop"')),
    ...blocks.filter((b) => !isEmpty(b)).map(block),
    '</body>',
    '</html>',
    '',
  ].join('\n');
}

const isEmpty = (b: PaperBlock): boolean =>
  (b.kind === 'list' && b.items.length === 0) ||
  (b.kind === 'table' && b.rows.length === 0) ||
  (b.kind === 'labels' && b.texts.length === 0) ||
  (b.kind === 'lines' && b.labels.length === 0);
