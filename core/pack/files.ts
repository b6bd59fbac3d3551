import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import type { Sheet } from '../drawing';
import type { Finding } from '../finding';
import { jobText, JOB_TEXT_LIMIT, type Job } from '../job';
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

/** Largest picture taken from a zip, bytes; those that the app writes are far below. */
const PICTURE_LIMIT = 8_000_000;

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
  const stops = input.findings.filter((f) => f.verdict === 'stop' && f.id !== 'pack.files' && f.id !== 'try.sheet');
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

/** A photograph's picture as it travels: its id and the bytes of a JPEG. */
export interface Picture {
  readonly id: string;
  readonly bytes: Uint8Array;
}

/** Where pictures stand in the zip. */
const PICTURES = 'photographs/';

/** All files in one zip with the job's pictures, dated by the job so that the same job gives the same bytes. */
export function packZip(files: readonly PackFile[], touchedAt: string, pictures: readonly Picture[] = []): Uint8Array {
  const mtime = new Date(touchedAt);
  return zipSync(
    Object.fromEntries([
      ...files.map((f) => [f.name, [strToU8(f.text), { mtime }]] as const),
      // A JPEG does not get smaller by packing it again.
      ...pictures.map((p) => [`${PICTURES}${p.id}.jpg`, [p.bytes, { mtime, level: 0 }]] as const),
    ]),
  );
}

/** The job file's text and the pictures of a zip that Pack wrote. Throws Error in words where it is no such zip. */
export function unpackZip(zip: Uint8Array): { text: string; pictures: Picture[] } {
  let parts: Record<string, Uint8Array>;
  try {
    // Only what is looked for is unpacked, and only where its stated size is honest.
    parts = unzipSync(zip, {
      filter: (f) =>
        (f.name.endsWith('.job.json') && f.originalSize <= JOB_TEXT_LIMIT) ||
        (f.name.startsWith(PICTURES) && f.originalSize <= PICTURE_LIMIT),
    });
  } catch {
    throw new Error('The zip is damaged or cut off.');
  }
  const job = Object.entries(parts).find(([name]) => name.endsWith('.job.json'));
  if (!job) throw new Error('There is no job file in this zip.');
  const pictures = Object.entries(parts).flatMap(([name, bytes]) =>
    name.startsWith(PICTURES) && bytes[0] === 0xff && bytes[1] === 0xd8
      ? [{ id: name.slice(PICTURES.length).replace(/\.jpg$/, ''), bytes }]
      : [],
  );
  return { text: strFromU8(job[1]), pictures };
}
