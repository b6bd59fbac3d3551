import type { AlikeUnit } from '../../ground/job';
import { codeFiles, paperFilesOf, stopsIn, wiringFiles, type PackInput } from './files';
import { textFile, type PackFile } from './pack-file';
import { PROGRAM_FILE } from './python';
import { slug } from '../../ground/quantity';
import { sheetCsv, type PackStep } from './tables';

/** What differs from machine to machine; parts, joints and the functions to fill in are those of all. */
const PROGRAMS = [PROGRAM_FILE, 'gentle_thumb.c'];
const PAPERS = ['build-guide.html', 'labels.html', 'programming.html'];
const OF_EACH = ['wiring.svg', 'wires.csv', 'pins.csv', ...PROGRAMS, ...PAPERS];

/** What a machine's files are called by: its name, or its id where two would be called alike. */
function tagOf(units: readonly AlikeUnit[], unit: AlikeUnit): string {
  const tag = slug(unit.name);
  return tag === '' || units.some((u) => u.id !== unit.id && slug(u.name) === tag) ? slug(unit.id) : tag;
}

/**
 * The files of one of several machines: a test sheet that says what differs, and where it is built otherwise its wires, pins and program.
 * @param input the job as this machine.
 */
export function unitFiles(input: PackInput, unit: AlikeUnit, builtOtherwise: boolean): PackFile[] {
  const stops = stopsIn(input);
  const tag = tagOf(input.job.bench.units, unit);
  const named = (file: string): string => file.replace(/(?=\.[^.]+$)/, `-${tag}`);
  const pins = Object.entries(unit.pins).map(([line, gpio]) => `${line} on pin ${gpio}`);
  const about: PackStep = {
    title: `This sheet is for ${unit.name}`,
    how: [
      unit.side === 'mirrored' ? 'Mirrored: its motor runs, or its horn swings, the other way' : '',
      unit.differs,
      ...pins,
      builtOtherwise ? `its program is ${PROGRAMS.map(named).join(' or ')}` : '',
    ]
      .filter(Boolean)
      .join('; '),
    expected: 'the machine in front of you is that one',
    wanted: 1,
    done: 0,
    state: 'open',
    last: null,
  };
  // What was done was done on the machine of the job: each of the others begins with an empty sheet.
  const blank = input.sheet.map((s): PackStep => ({ ...s, done: 0, state: 'open', last: null }));
  const own = builtOtherwise
    ? [
        ...(input.wiring ? wiringFiles(input, input.wiring, stops) : []),
        ...codeFiles(input, stops),
        ...paperFilesOf(input, stops, named),
      ]
        .filter((f) => OF_EACH.includes(f.name))
        .map((f) => textFile(named(f.name), `${f.what}, ${unit.name}`, f.type, f.text))
    : [];
  return [
    ...own,
    textFile(named('test-sheet.csv'), `test sheet of ${unit.name}`, 'text/csv', sheetCsv([about, ...blank], stops)),
  ];
}
