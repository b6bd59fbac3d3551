import { PROGRAM_FILE, SETTINGS_FILE } from '../python';
import { inCharge } from '../in-charge';
import { CODE, type PaperBlock } from './paper';

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
  /** How a program comes into a bought switch; null for a bare board. */
  readonly loads: 'over-the-air' | 'lead-outside' | 'lead-inside' | null;
  /** Programming lead and supply stand on one conductor. */
  readonly leadJoins: boolean;
  /** Mains stands, or may stand, on what it is built with. */
  readonly mainsOnIt: boolean;
}

interface Programming {
  readonly board: PaperBoard;
  readonly program: 'python' | 'c';
  readonly title: string;
  readonly lacks: readonly string[];
  readonly named: (file: string) => string;
}

const LEAD = (volts: number): string[] => [
  'Where it has no socket of its own: TX of the lead to RX of the board, RX to TX, ground to ground.',
  `Signals of the lead must be at ${volts} V: higher ones break the pins. Measure them before it goes in.`,
];
const NO_MAINS =
  'The lead never goes in while mains is joined: before it is joined, or with mains off and proven dead. ' +
  'After that programs come over the air.';

/** How a program comes in, by what the board is; a bought switch stands on mains with all that it has inside. */
function waysIn(b: PaperBoard): string[] {
  switch (b.loads) {
    case 'over-the-air':
      return ['It is a bought switch, programmed over the air with its casing closed: nothing is opened for it.'];
    case 'lead-outside':
      return [
        'It is a bought switch: out of the wall, the lead goes to the contacts outside of its casing.',
        ...LEAD(b.volts),
        NO_MAINS,
      ];
    case 'lead-inside':
      return [
        'It is a bought switch: out of the wall, and left so until its casing is whole again.',
        'The lead alone feeds it meanwhile. Its insides stand on mains once it is plugged in, ground and all.',
        ...LEAD(b.volts),
        NO_MAINS,
      ];
    case null:
      return [
        'On the bench, with nothing on its pins.',
        ...LEAD(b.volts),
        b.leadJoins
          ? 'Lead and supply stand on one conductor: the supply comes off before the lead goes in, and goes on after the lead is out.'
          : 'Only one of lead and supply feeds it at a time.',
        ...(b.mainsOnIt ? [NO_MAINS] : []),
      ];
  }
}

const REFUSALS = [
  [
    'no answer at all',
    'crossed leads, no common ground, or not in programming',
    'swap TX and RX once; look at the pins that are read while it starts',
  ],
  ['it stops in the middle', 'too little current, or a long cable', 'a short cable; a lead that gives more'],
  [
    'it starts over and over',
    'its supply falls when the radio begins, or a pin is held at the wrong level',
    'measure the supply while it starts; take the wires off the pins above',
  ],
  [
    'it is written, and says nothing',
    'a file is missing, or stands under another name',
    'look at the list of its files',
  ],
  ['it says an error with a line', 'a file was changed or is cut off', 'write all files anew from this pack'],
] as const;

/** How a program gets into the board, before and after it is fitted. Values of the board are those of its profile. */
export function programmingBlocks({ board: b, program, title, lacks, named }: Programming): PaperBlock[] {
  const own = named(PROGRAM_FILE);
  const seconds = Math.round(b.programSeconds);
  const takes = `that takes about ${seconds} s.`;
  const as = own === PROGRAM_FILE ? '' : ` (as ${PROGRAM_FILE})`;
  const write =
    program === 'python'
      ? [
          `Fill in ${SETTINGS_FILE}, write it and ${own}${as} onto it; ${takes}`,
          `Watch what it says: “${inCharge(title)}” means that the program is in charge.`,
        ]
      : [
          `Fill in the functions of gentle_thumb.h, and translate them with ${named('gentle_thumb.c')}.`,
          `Write what comes of it; ${takes}`,
        ];
  return [
    { kind: 'words', text: `${b.name}, pins at ${b.volts} V` },
    { kind: 'list', heading: 'What this program lacks', items: lacks },
    {
      kind: 'list',
      heading: 'Before it is fitted',
      numbered: true,
      items: [
        ...waysIn(b),
        ...write,
        ...(b.loads === null
          ? ['Measure each output with the meter: let go at rest, then pressed by its hand or by one start.']
          : []),
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
      heading: 'What a refusal usually means',
      columns: ['what is seen', 'what it usually is', 'what to do'],
      rows: REFUSALS,
    },
    { kind: 'words', text: CODE },
  ];
}
