// Bundles tests with what they test, so that nothing is transformed module by module, which takes longer than most of them.
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './files.mjs';

/** What every file of tests needs before. */
const SETUP = 'core/testing/predictions.ts';

/** Paths of all files of a folder whose name ends so, from the root. */
const filesIn = (folder, ending) =>
  readdirSync(join(root, folder), { recursive: true })
    .map((file) => join(folder, String(file)))
    .filter((file) => file.endsWith(ending));

/**
 * Bundles the files of some folders whose names end in `ending`; gives the folder in which they stand, each at its own path and as .mjs.
 * A file that asks where it stands hears where its source stands.
 */
export async function bundleTests(name, folders, ending) {
  const { build } = await import('esbuild');
  const outdir = join(root, 'node_modules/.cache/tests', name);
  rmSync(outdir, { recursive: true, force: true });
  await build({
    absWorkingDir: root,
    entryPoints: [SETUP, ...folders.flatMap((folder) => filesIn(folder, ending))],
    outdir,
    outbase: root,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    packages: 'external',
    sourcemap: 'inline',
    logLevel: 'error',
    plugins: [
      {
        name: 'where sources stand',
        setup: ({ onLoad }) =>
          onLoad({ filter: /\.(ts|js)$/ }, ({ path }) => ({
            contents: readFileSync(path, 'utf8').replaceAll(
              'import.meta.url',
              JSON.stringify(pathToFileURL(path).href),
            ),
            loader: path.endsWith('.ts') ? 'ts' : 'js',
          })),
      },
    ],
  });
  return outdir;
}
