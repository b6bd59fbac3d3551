import type { Program } from '../../../build/program';
import type { SheetWire } from '../wiring-svg';
import type { PaperBlock } from './paper';

/** The board as it stands on the programming sheet. */
export interface PaperBoard {
  readonly name: string;
  readonly volts: number;
  readonly readySeconds: number;
  readonly programSeconds: number;
  /** Pins whose level is read while it starts, as they are printed. */
  readonly straps: readonly { readonly label: string; readonly holds: 'high' | 'low'; readonly line: string }[];
  /** Which line each pin carries, and what it does while the supply rises, at boot and while a program is written. */
  readonly pins: readonly {
    readonly line: string;
    readonly label: string;
    readonly rising: string;
    readonly boot: string;
    readonly programming: string;
  }[];
  /** A bought switch: how a program comes into it; null for a bare board. */
  readonly module: string | null;
  /** Programming lead and supply stand on one conductor. */
  readonly leadJoins: boolean;
  /** Mains stands on what it is built with. */
  readonly mainsOnIt: boolean;
}

/** A picture of the job with its pins. */
export interface PaperPhoto {
  readonly file: string;
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly pins: readonly { readonly x: number; readonly y: number; readonly label: string }[];
}

/** What an electrician is told of the mains side. */
export interface PaperMains {
  readonly supply: readonly (readonly [what: string, value: string])[];
  readonly loads: readonly (readonly [press: string, load: string, contact: string])[];
  readonly measured: readonly (readonly [what: string, value: string])[];
  readonly ratings: readonly (readonly [part: string, rating: string, verdict: string])[];
  readonly questions: readonly string[];
  readonly outside: readonly string[];
}

const CODE = 'The local electrical code and licensed practice decide; this sheet does not.';

/** How a program gets into the board, before and after it is fitted. */
export function programmingBlocks(b: PaperBoard, files: readonly string[], said: string): PaperBlock[] {
  const lead = [
    'What transmits goes to what receives: TX of the lead to RX of the board, RX to TX; ground to ground.',
    `The lead gives ${b.volts} V on its signals: one of a higher voltage breaks the pins.`,
    b.leadJoins
      ? 'Lead and supply stand on one conductor: take the supply off before the lead goes in, and the lead out before the supply goes on.'
      : 'The board has a regulator between supply and lead; still only one of the two feeds it.',
    ...(b.mainsOnIt
      ? [
          'Never put the lead in while mains is joined: before it is joined, or with mains off and proven dead. ' +
            'After that programs come over the air.',
        ]
      : []),
  ];
  return [
    { kind: 'words', text: b.module ?? `${b.name}, pins at ${b.volts} V` },
    {
      kind: 'list',
      heading: 'Before it is fitted',
      numbered: true,
      items: [
        'Program it on the bench, with nothing on its pins, and let it start once by its supply alone.',
        ...lead,
        ...(said === '' ? ['Fill in the three functions of gentle_thumb.h and translate it.'] : []),
        `Write ${files.join(' and ')} onto it; that takes about ${Math.round(b.programSeconds)} s.`,
        ...(said === '' ? [] : [`Watch what it says: “${said}” means that the program is in charge.`]),
        'Measure each output once with the meter: open at rest, then pressed by its hand or by one start.',
      ],
    },
    {
      kind: 'list',
      heading: 'After it is fitted',
      items: [
        `Its pins are in nobody’s charge for about ${b.readySeconds} s after power comes; the table says what each does meanwhile.`,
        'While a program is written pins may toggle: nothing that moves, heats or lets water in hangs on them then.',
      ],
    },
    {
      kind: 'table',
      heading: 'Pins that are read while it starts',
      columns: ['pin', 'must be', 'carries'],
      rows: b.straps.map((s) => [s.label, s.holds, s.line || 'nothing']),
    },
    {
      kind: 'table',
      heading: 'What each pin does before the program has it',
      columns: ['line', 'pin', 'supply rises', 'boot', 'programming'],
      rows: b.pins.map((p) => [p.line, p.label, p.rising, p.boot, p.programming]),
    },
    {
      kind: 'table',
      heading: 'What a refusal means',
      columns: ['what is seen', 'what it usually is', 'what to do'],
      rows: [
        [
          'no answer at all',
          'crossed leads, no common ground, or not in programming',
          'swap TX and RX once; look at the pins that are read while it starts',
        ],
        [
          'it answers, and stops in the middle',
          'the lead gives too little current, or its cable is long',
          'a short cable, a supply of its own',
        ],
        [
          'it starts over and over',
          'the supply falls when the radio begins, or a pin is held at the wrong level',
          'measure the supply while it starts; take the wires off the pins above',
        ],
        [
          'it is written, and says nothing',
          `${files[0] ?? 'the program'} is not on it, or stands under another name`,
          'look at the list of its files; the names count',
        ],
        ['it says an error with a line', 'a file was changed or is cut off', 'write both files anew from this pack'],
      ],
    },
    { kind: 'words', text: CODE },
  ];
}

/** Labels for wires, at both of their ends, and for channels. */
export const labelBlocks = (wires: readonly SheetWire[], p: Program | null): PaperBlock[] => [
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
    heading: 'Channels',
    texts: (p?.contacts ?? []).map((c) => [c.name, `pin ${c.pin}`] as const),
  },
  {
    kind: 'labels',
    heading: 'Senses, hands and signs',
    texts: [...(p?.senses ?? []), ...(p?.hands ?? []), ...(p?.signs ?? [])].map(
      (x) => [x.name, x.pin < 0 ? 'by message' : `pin ${x.pin}`] as const,
    ),
  },
  {
    kind: 'labels',
    heading: 'On the outside',
    texts: [['TIMED', 'it may begin by itself: pull the plug before you reach in'] as const],
  },
];

/** How it is built: cautions, parts, own photographs with the wires at their pads, and steps. */
export function guideBlocks(
  cautions: readonly string[],
  parts: readonly (readonly [quantity: string, name: string, value: string])[],
  wires: readonly SheetWire[],
  photos: readonly PaperPhoto[],
): PaperBlock[] {
  const atPad = (label: string): string => {
    const here = wires.filter((w) => label !== '' && [w.from, w.to].some((end) => end.includes(label)));
    return here.length > 0 ? `${label}: ${here.map((w) => `wire ${w.number}`).join(', ')}` : label;
  };
  return [
    { kind: 'list', heading: 'First', items: [...cautions, CODE] },
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
      heading: 'Build it on the bench',
      numbered: true,
      items: [
        'Lay out the parts against the list.',
        'Program the controller before anything hangs on it (programming.html).',
        ...wires.map((w) => `Wire ${w.number}, ${w.colour}: from ${w.from} to ${w.to}. Label both ends.`),
        'Look along each wire once more with wires.csv in hand, then measure from end to end with the meter.',
        'Try every line of test-sheet.csv on the bench before it goes to the machine.',
      ],
    },
    {
      kind: 'lines',
      heading: 'Built',
      labels: ['by', 'on', 'looked over by'],
    },
  ];
}

/** One page for whoever is licensed: what is asked, what was measured, what stays outside of this plan. */
export const electricianBlocks = (m: PaperMains, wish: string, never: string): PaperBlock[] => [
  { kind: 'words', text: `Wanted: ${wish || 'not said'}. Never: ${never || 'not said'}.` },
  { kind: 'table', heading: 'Supply', columns: ['what', 'as planned'], rows: m.supply },
  { kind: 'table', heading: 'What is switched', columns: ['press', 'load', 'contact'], rows: m.loads },
  { kind: 'table', heading: 'Measured so far', columns: ['what', 'read'], rows: m.measured },
  { kind: 'table', heading: 'Ratings on the mains side', columns: ['part', 'rating', 'verdict'], rows: m.ratings },
  { kind: 'list', heading: 'Questions to you', items: m.questions },
  { kind: 'list', heading: 'Stays outside of this plan', items: m.outside },
  { kind: 'words', text: CODE },
  { kind: 'lines', heading: 'Seen', labels: ['name and licence', 'date', 'what has to change', 'signature'] },
];
