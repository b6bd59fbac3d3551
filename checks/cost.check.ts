import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../', import.meta.url));

/** Sources as they stand, which all programs share. */
const parsed = new Map<string, ts.SourceFile | undefined>();

/** Files of the core that no longer compile once a text in one of them is another one. */
function brokenBy(file: string, from: string, to: string): string[] {
  const { config } = ts.readConfigFile(`${root}core/tsconfig.json`, ts.sys.readFile) as { config: unknown };
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, `${root}core`);
  const host = ts.createCompilerHost(options);
  const read = host.readFile.bind(host);
  const changed = read(`${root}${file}`)!.replace(from, to);
  if (changed === readFileSync(`${root}${file}`, 'utf8')) throw new Error(`${file} does not say ${from}`);
  const { getSourceFile } = host;
  host.getSourceFile = (name, target, ...rest) => {
    if (name.endsWith(file)) return ts.createSourceFile(name, changed, target);
    if (!parsed.has(name)) parsed.set(name, getSourceFile.call(host, name, target, ...rest));
    return parsed.get(name);
  };
  const program = ts.createProgram(fileNames, options, host);
  const broken = ts.getPreEmitDiagnostics(program).flatMap((d) => (d.file ? [d.file.fileName.replace(root, '')] : []));
  return [...new Set(broken)].sort();
}

// What the compiler asks for when a kind is added or a value changes its shape. docs/house.md tells the same.
describe('one more', () => {
  const house = readFileSync(`${root}docs/house.md`, 'utf8');

  it.each<[string, string, string, string, string[]]>([
    [
      'sense',
      'core/ground/job/document/controller/types.ts',
      "export const SENSE_KINDS = ['contact',",
      "export const SENSE_KINDS = ['smell', 'contact',",
      ['core/build/lines/sense-kinds.ts', 'core/ground/job/document/controller/fields.ts'],
    ],
    [
      'thing that can go wrong in a run',
      'core/ground/job/document/act/types.ts',
      'export const FAULT_KINDS = [\n',
      "export const FAULT_KINDS = [\n  'smells',\n",
      ['core/rooms/act/disturbances.ts'],
    ],
    [
      'edge of a rule',
      'core/ground/job/document/plan/types.ts',
      'export interface Sentence {\n  id: string;\n  at: string;',
      "export interface Sentence {\n  id: string;\n  at: { from: 'clock' | 'sun'; minutes: number };",
      ['core/ground/job/document/plan/fields.ts', 'core/ground/job/document/plan/sentences.ts'],
    ],
  ])('%s is asked for in these files, which the map names', (_, file, from, to, wanted) => {
    const broken = brokenBy(file, from, to);
    expect(broken).toEqual(wanted);
    for (const f of [file, ...broken]) expect(house).toContain(`\`${f}\``);
  });
});
