import type { SheetWire } from '../wiring-svg';
import { CODE, type PaperBlock } from './paper';

/** A picture of the job with its pins, as shares of its width and height. */
export interface PaperPhoto {
  readonly file: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly pins: readonly { readonly x: number; readonly y: number; readonly label: string }[];
}

/** A line on its pin, as it is printed on the board. */
export interface PaperPin {
  readonly line: string;
  readonly gpio: number | null;
  readonly label: string;
}

/** Labels for wires, at both of their ends, and for what lies on each pin. */
export const labelBlocks = (wires: readonly SheetWire[], pins: readonly PaperPin[]): PaperBlock[] => [
  { kind: 'words', text: 'Cut along the dashed lines; each wire has a label at either end.' },
  {
    kind: 'labels',
    heading: 'Wires',
    texts: wires.flatMap((w) => [
      [String(w.number), `from ${w.from}`] as const,
      [String(w.number), `to ${w.to}`] as const,
    ]),
  },
  {
    kind: 'labels',
    heading: 'Lines',
    texts: pins.flatMap((p) => (p.gpio === null ? [] : [[p.line, `pin ${p.gpio} (${p.label})`] as const])),
  },
  {
    kind: 'labels',
    heading: 'On the outside',
    texts: [['TIMED', 'it may begin by itself: pull the plug before you reach in'] as const],
  },
];

/** What a build guide is written of. */
interface Guide {
  readonly cautions: readonly string[];
  readonly parts: readonly (readonly [quantity: string, name: string, value: string])[];
  readonly wires: readonly SheetWire[];
  readonly photos: readonly PaperPhoto[];
  /** Whether a program is packed. */
  readonly programmed: boolean;
  readonly named: (file: string) => string;
}

/** How it is built: cautions, parts, own photographs with the wires at their pads, and steps. */
export function guideBlocks({ cautions, parts, wires, photos, programmed, named }: Guide): PaperBlock[] {
  const atPad = (label: string): string => {
    const here = wires.filter((w) => w.from === label || w.to === label).map((w) => `wire ${w.number}`);
    return here.length > 0 ? `${label}: ${here.join(', ')}` : label;
  };
  return [
    { kind: 'list', heading: 'First', numbered: true, items: [...cautions, CODE] },
    { kind: 'table', heading: 'Parts', columns: ['quantity', 'part', 'value'], rows: parts },
    ...photos.map((p): PaperBlock => ({
      kind: 'photo',
      heading: p.name,
      file: p.file,
      width: p.width,
      height: p.height,
      pins: p.pins.map((pin) => ({ x: pin.x, y: pin.y, text: atPad(pin.label) })),
    })),
    {
      kind: 'list',
      heading: 'Build it, with the machine and all supplies off',
      numbered: true,
      items: [
        'Lay out the parts against the list.',
        ...(programmed
          ? [`Program the controller before anything hangs on it (${named('programming.html')}).`]
          : ['There is no program in this pack yet: the controller is left without supply.']),
        'Join the wires below in their order, and label each at both ends.',
        `Look along each wire once more with ${named('wires.csv')} in hand, then measure from end to end with the meter.`,
        `Go through ${named('test-sheet.csv')} in its order, on the bench first as far as that goes.`,
      ],
    },
    {
      kind: 'table',
      heading: 'Wires',
      columns: ['wire', 'colour', 'from', 'to', 'done'],
      rows: wires.map((w) => [String(w.number), w.colour, w.from, w.to, '']),
    },
    { kind: 'lines', heading: 'Built', labels: ['by', 'on', 'looked over by'] },
  ];
}
