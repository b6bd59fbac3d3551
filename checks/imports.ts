// Who imports whom, read off the sources; types count as much as values.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';

/** Files of a folder with all that each of them imports, as paths from the root. */
export function importsUnder(root: string, folder: string): ReadonlyMap<string, readonly string[]> {
  const files = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.d.ts'))
    .map((f) => join(root, folder, f));
  const from = (file: string, name: string): string | undefined =>
    [`${join(dirname(file), name)}.ts`, join(dirname(file), name, 'index.ts'), join(dirname(file), name)].find(
      (p) => p.endsWith('.ts') && existsSync(p),
    );
  return new Map(
    files.map((file) => {
      const names = ts.preProcessFile(readFileSync(file, 'utf8'), true, true).importedFiles.map((i) => i.fileName);
      const found = names.filter((n) => n.startsWith('.')).flatMap((n) => from(file, n) ?? []);
      return [relative(root, file), found.map((f) => relative(root, f))];
    }),
  );
}

/** Every file that is on a circle of imports, with one such circle; empty where there is none. */
export function circlesIn(imports: ReadonlyMap<string, readonly string[]>): string[][] {
  const done = new Set<string>();
  const circles: string[][] = [];
  const walk = (file: string, way: readonly string[]): void => {
    const at = way.indexOf(file);
    if (at >= 0) circles.push([...way.slice(at), file]);
    if (at >= 0 || done.has(file)) return;
    for (const next of imports.get(file) ?? []) walk(next, [...way, file]);
    done.add(file);
  };
  for (const file of imports.keys()) walk(file, []);
  return circles;
}
