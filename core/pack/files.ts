import { strToU8, zipSync } from 'fflate';
import type { Mark } from '../circuit';
import type { Finding } from '../finding';
import { jobText, type Job } from '../job';
import { firmwareFiles } from './firmware';
import { logMarkdown } from './log-markdown';
import { slug } from './slug';
import { partsCsv, sheetCsv, wiresCsv, type PackPart, type PackStep } from './tables';
import { wiringSvg, type SheetWire } from './wiring-svg';

/** What Pack needs from the rooms before it; whoever calls it gathers this. */
export interface PackInput {
  readonly job: Job;
  readonly findings: readonly Finding[];
  /** Null while no way of pressing is chosen. */
  readonly joint: { readonly marks: readonly Mark[]; readonly wires: readonly SheetWire[]; readonly parts: readonly PackPart[]; readonly netlist: string | null } | null;
  readonly sheet: readonly PackStep[];
}

export interface PackFile {
  readonly name: string;
  readonly what: string;
  readonly type: string;
  readonly text: string;
}

const CAUTION = ['Cautions: prove dead before opening. Keep the appliance’s own safety devices in the circuit.', 'The local electrical code and licensed practice decide; this sheet does not.'];

/** Every file that leaves, in the order of the room's list. */
export function packFiles(input: PackInput): PackFile[] {
  const { job, joint } = input;
  const name = slug(job.title);
  const text = (file: string, what: string, type: string, body: string): PackFile => ({ name: file, what, type, text: body });
  const drawn = joint
    ? [
        text('wiring.svg', 'wiring sheet', 'image/svg+xml', wiringSvg(`${job.title}: wiring`, job.touchedAt.slice(0, 10), joint.marks, joint.wires, CAUTION)),
        text('wires.csv', 'wire table', 'text/csv', wiresCsv(joint.wires)),
        text('parts.csv', 'parts list', 'text/csv', partsCsv(joint.parts)),
        ...(joint.netlist ? [text('joint.cir', 'netlist of the joint', 'text/plain', joint.netlist)] : []),
      ]
    : [];
  const code = job.board.pressPin === null ? [] : Object.entries(firmwareFiles(job)).map(([file, body]) => text(file, file.endsWith('.h') ? 'firmware, three functions to fill in' : 'firmware, script and week', 'text/x-c', body));
  return [
    text(`${name}.job.json`, 'job file', 'application/json', jobText(job)),
    ...drawn,
    ...code,
    text('test-sheet.csv', 'test sheet', 'text/csv', sheetCsv(input.sheet)),
    text('log.md', 'log', 'text/markdown', logMarkdown(job, input.findings)),
  ];
}

/** All files in one zip, dated by the job so that the same job gives the same bytes. */
export function packZip(files: readonly PackFile[], touchedAt: string): Uint8Array {
  const mtime = new Date(touchedAt);
  return zipSync(Object.fromEntries(files.map((f) => [f.name, [strToU8(f.text), { mtime }]])));
}
