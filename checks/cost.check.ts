import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../', import.meta.url));

/** A text of one file that is put in the place of another. */
interface Change {
  readonly file: string;
  readonly from: string;
  readonly to: string;
}

/** Files of the core that no longer compile once all of these are changed. */
function brokenBy(changes: readonly Change[]): string[] {
  const { config } = ts.readConfigFile(`${root}core/tsconfig.json`, ts.sys.readFile) as { config: unknown };
  const { options, fileNames } = ts.parseJsonConfigFileContent(config, ts.sys, `${root}core`);
  const host = ts.createCompilerHost(options);
  const changed = new Map(
    changes.map(({ file, from, to }) => {
      const text = readFileSync(`${root}${file}`, 'utf8');
      if (!text.includes(from)) throw new Error(`${file} does not say ${from}`);
      return [`${root}${file}`, text.replace(from, to)];
    }),
  );
  const { getSourceFile } = host;
  host.getSourceFile = (name, target, ...rest) => {
    const text = changed.get(name);
    return text === undefined
      ? getSourceFile.call(host, name, target, ...rest)
      : ts.createSourceFile(name, text, target);
  };
  const program = ts.createProgram(fileNames, options, host);
  const broken = ts.getPreEmitDiagnostics(program).flatMap((d) => (d.file ? [d.file.fileName.replace(root, '')] : []));
  return [...new Set(broken)].sort();
}

// What the compiler asks for when a kind is added or a value changes its shape. docs/house.md tells the same.
describe('one more', () => {
  const house = readFileSync(`${root}docs/house.md`, 'utf8');

  /** What is one more, and the files that must be told of it. */
  const MORE: readonly (Change & { readonly what: string; readonly asked: readonly string[] })[] = [
    {
      what: 'sense',
      file: 'core/ground/job/document/controller/types.ts',
      from: "export const SENSE_KINDS = [\n  'contact',",
      to: "export const SENSE_KINDS = [\n  'smell',\n  'contact',",
      asked: ['core/build/lines/sense-kinds.ts', 'core/ground/job/document/controller/sense-fields.ts'],
    },
    {
      what: 'thing that can go wrong in a run',
      file: 'core/ground/job/document/act/types.ts',
      from: 'export const FAULT_KINDS = [\n',
      to: "export const FAULT_KINDS = [\n  'smells',\n",
      asked: ['core/house/drill/chance.ts', 'core/rooms/act/disturbances.ts'],
    },
    {
      what: 'edge of a rule',
      file: 'core/ground/job/document/routine/types.ts',
      from: "export const RULE_EDGES = ['clock',",
      to: "export const RULE_EDGES = ['tide', 'clock',",
      asked: [
        'core/ground/job/document/routine/fields.ts',
        'core/ground/job/document/routine/sentences.ts',
        'core/rooms/try/rule-steps.ts',
      ],
    },
  ];

  it('sense, fault and edge of a rule are asked for in these files and no others', () => {
    expect(brokenBy(MORE)).toEqual(MORE.flatMap((m) => m.asked).sort());
  });

  it.each(MORE)('$what: the map names the files', ({ file, asked }) => {
    for (const f of [file, ...asked]) expect(house).toContain(`\`${f}\``);
  });
});
