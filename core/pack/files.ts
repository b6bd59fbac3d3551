import type { Sheet } from '../drawing';
import type { Finding } from '../finding';
import { jobText, type Job } from '../job';
import type { Bill } from '../parts';
import { injectorBench, injectorOf, injectorVerilog } from '../scan';
import { firmwareFiles, type FirmwarePulses } from './firmware';
import { logMarkdown } from './log-markdown';
import { slug } from './slug';
import { csv, partsCsv, sheetCsv, wiresCsv, type PackStep } from './tables';
import { wiringSvg, type SheetWire } from './wiring-svg';

/** What Pack needs from the rooms before it; whoever calls it gathers this. */
export interface PackInput {
  readonly job: Job;
  readonly findings: readonly Finding[];
  /** Null while no way of pressing is chosen. */
  readonly joint: {
    readonly sheet: Sheet;
    readonly wires: readonly SheetWire[];
    readonly bill: Bill;
    readonly netlist: string | null;
  } | null;
  readonly sheet: readonly PackStep[];
  /** What the packed program does not do. */
  readonly lacks: readonly string[];
  /** The level that presses. */
  readonly pressesOn: 'high' | 'low';
  /** A level on the press pin, pulses of two widths, or pulses of another sort that no press script makes. */
  readonly drives: 'level' | FirmwarePulses | null;
}

export interface PackFile {
  readonly name: string;
  readonly what: string;
  readonly type: string;
  readonly text: string;
}

const CAUTION = [
  'Cautions: prove dead before opening. Keep the appliance’s own safety devices in the circuit.',
  'The local electrical code and licensed practice decide; this sheet does not.',
];

/** Every file that leaves, in the order of the room's list. */
export function packFiles(input: PackInput): PackFile[] {
  const { job, joint } = input;
  const name = slug(job.title);
  const text = (file: string, what: string, type: string, body: string): PackFile => ({
    name: file,
    what,
    type,
    text: body,
  });
  const stops = input.findings.filter(
    (f) => f.verdict === 'stop' && !(f.sums && (f.room === 'pack' || f.room === 'try')),
  );
  const cautions = [...stops.map((f) => `STOP: ${f.title}`), ...CAUTION];
  const drawn = joint
    ? [
        text(
          'wiring.svg',
          'wiring sheet',
          'image/svg+xml',
          wiringSvg(`${job.title}: wiring`, job.touchedAt.slice(0, 10), joint.sheet, joint.wires, cautions),
        ),
        text('wires.csv', 'wire table', 'text/csv', wiresCsv(joint.wires)),
        text('parts.csv', 'parts list', 'text/csv', partsCsv(joint.bill, job.thumb.currency)),
        ...(joint.netlist ? [text('joint.cir', 'netlist of the joint', 'text/plain', joint.netlist)] : []),
      ]
    : [];
  const { drives } = input;
  const code =
    job.board.pressPin === null || drives === null
      ? []
      : Object.entries(
          firmwareFiles(
            job,
            { pressesOn: input.pressesOn, lacks: input.lacks, stops: stops.map((f) => f.title) },
            drives === 'level' ? null : drives,
          ),
        ).map(([file, body]) =>
          text(
            file,
            file.endsWith('.h') ? 'firmware, three functions to fill in' : 'firmware, script and week',
            'text/x-c',
            body,
          ),
        );
  return [
    text(`${name}.job.json`, 'job file', 'application/json', jobText(job)),
    ...drawn,
    ...code,
    ...injectorFiles(job, text),
    text(
      'test-sheet.csv',
      'test sheet',
      'text/csv',
      sheetCsv(
        input.sheet,
        stops.map((f) => f.title),
      ),
    ),
    text('log.md', 'log', 'text/markdown', logMarkdown(job, input.findings)),
  ];
}

/** For the first keypad that was decoded: the injector as Verilog with its test bench, and which value presses which key. */
function injectorFiles(
  job: Job,
  text: (file: string, what: string, type: string, body: string) => PackFile,
): PackFile[] {
  const injector = job.survey.keypads.map(injectorOf).find((i) => i !== null);
  if (!injector) return [];
  const bits = (n: number): string => n.toString(2).padStart(injector.bits, '0');
  return [
    text('key_injector.v', 'keypad injector, Verilog', 'text/x-verilog', injectorVerilog(injector)),
    text('key_injector_tb.v', 'its test bench', 'text/x-verilog', injectorBench(injector)),
    text(
      'key_injector.csv',
      'its select bits and lines',
      'text/csv',
      csv(
        ['key', 'select', 'bits', 'strobe', 'sense'],
        injector.keys.map((k) => [
          k.label,
          k.select,
          bits(k.select),
          injector.strobes[k.strobe]!,
          injector.senses[k.sense]!,
        ]),
      ),
    ),
  ];
}
