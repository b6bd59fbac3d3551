import { strToU8, zipSync } from 'fflate';
import type { Mark } from '../circuit';
import { finding, type Finding } from '../finding';
import { jobText, type Job } from '../job';
import { firmwareFiles } from './firmware';
import { logMarkdown } from './log-markdown';
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

/** A title as a file name: letters, digits and hyphens. */
export const slug = (title: string): string =>
  title.normalize('NFKD').replace(/[\u0300-\u036f]/g, '').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '').slice(0, 60) || 'job';

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

/** What Pack judges: whether anything beyond the job file can leave yet. */
export function packFindings(job: Job, wayChosen: boolean, signedOff: boolean): Finding[] {
  const missing = [wayChosen ? '' : 'wiring, parts (choose a way in Thumb)', job.board.pressPin === null ? 'firmware (choose a pin in Board)' : '', job.act.script.length === 0 ? 'a press script (Act)' : ''].filter(Boolean);
  if (missing.length > 0) return [finding('pack', 'files', { verdict: 'unknown', title: `Not in the pack yet: ${missing.join('; ')}`, caption: missing.length === 3 ? 'nothing to pack' : 'not complete yet' })];
  return [finding('pack', 'files', signedOff
    ? { verdict: 'settled', title: 'Everything can leave: job, wiring, parts, firmware, test sheet, log', caption: 'ready to leave' }
    : { verdict: 'tight', title: 'Files are complete, but the test sheet is not signed off', caption: 'not signed off yet', remedy: { text: 'Finish Try, so that the sheet leaves with its results.' } })];
}
