import { itemAt } from '../../ground/lists';
import type { Sheet } from '../../build/drawing';
import type { Finding } from '../../ground/finding';
import { jobText, onlyListens, packsWithoutPress, pressedIn, sensesRead, sidesOf, type Job } from '../../ground/job';
import {
  packedContacts,
  programOf,
  type Program,
  type ProgramCalendar,
  type ProgramHand,
  type ProgramHeld,
  type ProgramOrder,
  type ProgramPress,
  type ProgramPulses,
  type ProgramSense,
  type ProgramSign,
} from '../../build/program';
import type { Bill } from '../../engines/parts';
import { injectorBench, injectorOf, injectorVerilog } from '../../engines/scan';
import { firmwareFiles } from './firmware';
import { PROGRAM_FILE, pythonText, SETTINGS_FILE, SETTINGS_TEXT } from './python';
import { logMarkdown } from './log-markdown';
import { MOST_CONTACTS } from './most-contacts';
import { textFile, type PackFile } from './pack-file';
import { paperFiles, programPapers, type PackPapers } from './papers/papers';
import { slug } from '../../ground/quantity';
import { cellsCalendar, type CellChange } from './cells-calendar';
import {
  csv,
  ledgerCsv,
  leadsCsv,
  partsCsv,
  pinsCsv,
  sheetCsv,
  wiresCsv,
  type LedgerLine,
  type PackLead,
  type PackStep,
} from './tables';
import { wiringSvg, type SheetWire } from './wiring-svg';

/** A press whose way is chosen, as it is packed. */
export interface PackPress {
  readonly id: string;
  readonly name: string;
  readonly pin: number | null;
  /** Pins that are driven with it: the second of two contacts in series. */
  readonly more: readonly number[];
  /** How its two directions are driven; null where it has one, or where the second has no pin. */
  readonly order: ProgramOrder | null;
  /** The level that presses. */
  readonly pressesOn: 'high' | 'low';
  /** A level on its pin, pulses of two widths, or pulses of another sort that no press script makes. */
  readonly drives: 'level' | ProgramPulses | null;
  readonly netlist: string | null;
}

/** A line on its pin. */
export interface PackPin {
  readonly line: string;
  readonly gpio: number | null;
  readonly label: string;
  readonly header: string;
  readonly direction: 'in' | 'out';
  readonly active: 'high' | 'low';
}

/** What Pack needs from the rooms before it; whoever calls it gathers this. */
export interface PackInput {
  readonly job: Job;
  readonly findings: readonly Finding[];
  readonly presses: readonly PackPress[];
  /** Senses and hands that a program can read, and signs that it can light, each on its pin. */
  readonly senses: readonly ProgramSense[];
  readonly hands: readonly ProgramHand[];
  readonly signs: readonly ProgramSign[];
  /** Contacts that stand closed while nothing is pressed. */
  readonly held: readonly ProgramHeld[];
  /** Pins with a pull-up inside, what only a calendar tells, and whether the controller runs MicroPython. */
  readonly pulled: readonly number[];
  readonly calendar: ProgramCalendar;
  readonly python: boolean;
  /** Null while nothing is wired. */
  readonly wiring: {
    readonly sheet: Sheet;
    readonly wires: readonly SheetWire[];
    readonly unused: readonly { readonly terminal: string; readonly by: number }[];
    readonly bill: Bill;
  } | null;
  readonly pins: readonly PackPin[];
  readonly papers: PackPapers;
  /** Leads of the supplies as they are cut, and cells that are changed. */
  readonly leads: readonly PackLead[];
  readonly cells: readonly CellChange[];
  /** Every part with every rating, and the circuit of the whole job as a netlist; null where nothing is a circuit yet. */
  readonly ledger: readonly LedgerLine[];
  readonly whole: string | null;
  readonly sheet: readonly PackStep[];
  /** What the packed program does not do. */
  readonly lacks: readonly string[];
  /** What the one in MicroPython does not do. */
  readonly lacksPython: readonly string[];
}

const CAUTION = [
  'Cautions: prove dead before opening. Keep the appliance’s own safety devices in the circuit.',
  'The local electrical code and licensed practice decide; this sheet does not.',
];

/** What stops the plan, as it stands on every file; a sum of Pack or Try says nothing of its own. */
export const stopsIn = ({ findings }: Pick<PackInput, 'findings'>): string[] =>
  findings
    .filter((f) => f.verdict === 'stop' && !(f.sums && (f.room === 'pack' || f.room === 'try')))
    .map((f) => f.title);

/** Every file that leaves, in the order of the room's list. */
export function packFiles(input: PackInput): PackFile[] {
  const { job } = input;
  const stops = stopsIn(input);
  return [
    textFile(`${slug(job.title)}.job.json`, 'job file', 'application/json', jobText(job)),
    ...(input.wiring ? wiringFiles(input, input.wiring, stops) : []),
    ...(input.leads.length > 0 ? [textFile('leads.csv', 'leads to cut', 'text/csv', leadsCsv(input.leads))] : []),
    ...(input.cells.length > 0
      ? [textFile('cells.ics', 'when the cells are changed', 'text/calendar', cellsCalendar(job, input.cells))]
      : []),
    ...(input.ledger.length > 0
      ? [textFile('ledger.csv', 'every part, every rating', 'text/csv', ledgerCsv(input.ledger))]
      : []),
    ...(input.whole === null ? [] : [textFile('whole.cir', 'netlist of the whole job', 'text/plain', input.whole)]),
    ...codeFiles(input, stops),
    ...paperFilesOf(input, stops),
    ...injectorFiles(job),
    textFile('test-sheet.csv', 'test sheet', 'text/csv', sheetCsv(input.sheet, stops)),
    textFile('log.md', 'log', 'text/markdown', logMarkdown(job, input.findings)),
  ];
}

/**
 * Sheets for people, and what a program says, hears and begins by the clock.
 * @param named what a file is called: those of one of several machines have names of their own.
 */
export function paperFilesOf(
  input: PackInput,
  stops: readonly string[],
  named: (file: string) => string = (file) => file,
): PackFile[] {
  const { papers, python } = input;
  const program = packedProgram(input);
  return [
    ...(program ? programPapers(program, papers, python) : []),
    ...paperFiles({
      job: input.job,
      papers,
      stops,
      wires: input.wiring?.wires ?? [],
      bill: input.wiring?.bill.lines ?? [],
      pins: input.pins,
      program: program && (python ? 'python' : 'c'),
      lacks: python ? input.lacksPython : input.lacks,
      named,
    }),
  ];
}

/** The wiring sheet, its tables, and the netlist of each joint. */
export function wiringFiles(
  { job, presses, pins }: PackInput,
  wiring: NonNullable<PackInput['wiring']>,
  stops: readonly string[],
): PackFile[] {
  const notes = [
    ...wiring.unused.map((u) => `No conductor goes to ${u.terminal}: wire ${u.by} reaches it already.`),
    ...stops.map((title) => `STOP: ${title}`),
    ...CAUTION,
  ];
  const day = job.touchedAt.slice(0, 10);
  const svg = (): string => wiringSvg(`${job.title}: wiring`, day, wiring.sheet, wiring.wires, notes);
  return [
    // Of a bought switch that listens by itself there is nothing to draw.
    ...(wiring.wires.length > 0
      ? [
          textFile('wiring.svg', 'wiring sheet', 'image/svg+xml', svg()),
          textFile('wires.csv', 'wire table', 'text/csv', wiresCsv(wiring.wires)),
          textFile('pins.csv', 'pin table', 'text/csv', pinsCsv(pins)),
        ]
      : []),
    textFile('parts.csv', 'parts list', 'text/csv', partsCsv(wiring.bill, job.bench.currency)),
    ...presses.flatMap((p, i) =>
      p.netlist
        ? [
            textFile(
              i === 0 ? 'joint.cir' : `joint-${slug(p.id)}.cir`,
              `netlist of the joint, ${p.name}`,
              'text/plain',
              p.netlist,
            ),
          ]
        : [],
    ),
  ];
}

/** The presses that the packed program can drive. */
const drivenBy = (presses: PackInput['presses']): ProgramPress[] =>
  presses.flatMap((p) =>
    p.pin === null || p.drives === null
      ? []
      : [
          {
            id: p.id,
            name: p.name,
            pin: p.pin,
            more: p.more,
            pressesOn: p.pressesOn,
            pulses: p.drives === 'level' ? null : p.drives,
            order: p.order,
          },
        ],
  );

/** Whether the packed program can do all that the job asks: every press, every other side, every sense that is read. */
function doesAll({ job, hands, senses }: PackInput, able: readonly ProgramPress[]): boolean {
  if (onlyListens(job)) return senses.length > 0 && senses.length === job.senses.length;
  if ((able.length === 0 && !packsWithoutPress(job)) || able.flatMap(packedContacts).length > MOST_CONTACTS)
    return false;
  if (sensesRead(job).some((id) => !senses.some((s) => s.id === id))) return false;
  const asked = [...pressedIn(job), ...hands.flatMap((h) => (h.asks === '' ? [] : [h.asks]))];
  const otherSides = [
    ...job.act.moves.flatMap((m) => m.steps.flatMap(sidesOf)).flatMap((s) => (s.other ? [s.press] : [])),
    ...hands.filter((h) => h.other).map((h) => h.asks),
  ];
  const hasOther = (p: ProgramPress): boolean => p.order !== null || (p.pulses !== null && p.pulses.other !== null);
  return (
    asked.every((id) => able.some((p) => p.id === id)) &&
    otherSides.every((id) => able.some((p) => p.id === id && hasOther(p)))
  );
}

/** The program of a job, where it can do all that the job asks; null where it cannot. */
export function packedProgram(input: PackInput): Program | null {
  const presses = drivenBy(input.presses);
  if (!doesAll(input, presses)) return null;
  const { job, hands, senses, signs, held, pulled, calendar } = input;
  return programOf(job, { presses, hands, senses, signs, held, listens: onlyListens(job), pulled, calendar });
}

/** The packed program in its languages. */
export function codeFiles(input: PackInput, stops: readonly string[]): PackFile[] {
  const program = packedProgram(input);
  if (!program) return [];
  const type = 'text/x-python';
  const python = input.python
    ? [
        textFile(PROGRAM_FILE, 'program in MicroPython, whole', type, pythonText(program, input.lacksPython, stops)),
        textFile(SETTINGS_FILE, 'its network and secrets', type, SETTINGS_TEXT),
      ]
    : [];
  const files = Object.entries(firmwareFiles(program, input.lacks, stops)).map(([file, body]) =>
    textFile(
      file,
      file.endsWith('.h') ? 'firmware, functions to fill in' : 'firmware, script and week',
      'text/x-c',
      body,
    ),
  );
  return [...python, ...files];
}

/** For the first keypad that was decoded: the injector as Verilog with its test bench, and which value presses which key. */
function injectorFiles(job: Job): PackFile[] {
  const injector = job.survey.keypads.map(injectorOf).find((i) => i !== null);
  if (!injector) return [];
  const bits = (n: number): string => n.toString(2).padStart(injector.bits, '0');
  return [
    textFile('key_injector.v', 'keypad injector, Verilog', 'text/x-verilog', injectorVerilog(injector)),
    textFile('key_injector_tb.v', 'its test bench', 'text/x-verilog', injectorBench(injector)),
    textFile(
      'key_injector.csv',
      'its select bits and lines',
      'text/csv',
      csv(
        ['key', 'select', 'bits', 'strobe', 'sense'],
        injector.keys.map((k) => [
          k.label,
          k.select,
          bits(k.select),
          itemAt(injector.strobes, k.strobe),
          itemAt(injector.senses, k.sense),
        ]),
      ),
    ),
  ];
}
