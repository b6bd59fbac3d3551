// The command line: installs the packages on first use, bundles the sources when one of them is newer, then hands over.
import { existsSync, mkdirSync, renameSync, statSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { newestIn, root } from './files.mjs';
import { ensurePackages } from './lib.mjs';
import { ensurePredictions, predictionsFile } from './predictions.mjs';

const cache = `${root}node_modules/.cache`;
const bundle = `${cache}/gt.mjs`;

// Progress of an installation must not mix with the JSON on standard output.
const log = console.log;
console.log = console.error;
if (!existsSync(`${root}node_modules/.bin/esbuild`)) ensurePackages();
console.log = log;

// One file starts ten times as fast as four hundred that are translated one by one.
if (!existsSync(bundle) || statSync(bundle).mtimeMs <= Math.max(newestIn(`${root}core`), newestIn(`${root}cli`))) {
  const { buildSync } = await import('esbuild');
  mkdirSync(cache, { recursive: true });
  // Two that start at once must not read each other's half a file.
  const own = `${cache}/gt-${process.pid}.mjs`;
  buildSync({
    entryPoints: [`${root}cli/main.ts`],
    outfile: own,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  renameSync(own, bundle);
}
await ensurePredictions();
process.env.GT_PREDICTIONS = predictionsFile;
process.chdir(process.env.INIT_CWD ?? process.cwd());
await import(pathToFileURL(bundle).href);
