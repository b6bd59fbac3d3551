// Works out once for these sources, into node_modules/.cache/predictions, what every start would work out alike: the predictions that nearly
// every job asks for, and the beads of the demo's rows. Plain Node.js only.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { newestIn, root } from './files.mjs';

const folder = `${root}node_modules/.cache/predictions/`;
export const predictionsFile = `${folder}predictions.bin`;
const demoRowsFile = `${folder}demo-rows.json`;

const demoRows = () => `
  import { readFileSync } from 'node:fs';
  import { demoRows } from './core/house/demo-rows';
  import { takeDrawnAhead } from './core/rooms/probe';
  const drawn = readFileSync(${JSON.stringify(predictionsFile)});
  takeDrawnAhead(drawn.buffer.slice(drawn.byteOffset, drawn.byteOffset + drawn.byteLength));
  const texts = ${JSON.stringify(readdirSync(`${root}demo`).filter((n) => n.endsWith('.json')))}
    .map((name) => readFileSync(${JSON.stringify(`${root}demo/`)} + name, 'utf8'));
  process.stdout.write(JSON.stringify(demoRows(texts)));`;

/** Makes the predictions unless they are newer than everything that they are drawn from. */
export const ensurePredictions = () =>
  ensureMade(
    predictionsFile,
    ['core/engines/circuit', 'core/rooms/probe', 'core/ground/job', 'core/ground/quantity'],
    () => `import { drawAhead } from './core/rooms/probe'; process.stdout.write(new Uint8Array(drawAhead()));`,
  );

/** Makes all that the built app ships with it: the predictions, and the rows of the demo, which hang on the whole core. */
export async function ensureShipped() {
  await ensurePredictions();
  await ensureMade(demoRowsFile, ['core', 'demo'], demoRows);
}

/** Makes a file of what a script prints, unless it is newer than all in the folders that it is made from. */
async function ensureMade(file, folders, script) {
  const from = Math.max(...folders.map((d) => newestIn(`${root}${d}`)));
  if (existsSync(file) && statSync(file).mtimeMs > from) return;
  const { buildSync } = await import('esbuild');
  mkdirSync(folder, { recursive: true });
  const made = `${folder}make-${process.pid}.mjs`;
  buildSync({
    stdin: { contents: script(), resolveDir: root },
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  const printed = spawnSync(process.execPath, [made], { maxBuffer: 64e6 });
  if (printed.status !== 0) throw new Error(`${file} could not be made: ${printed.stderr}`);
  // Two that start at once must not read each other's half a file.
  const own = `${file}-${process.pid}`;
  writeFileSync(own, printed.stdout);
  rmSync(made);
  renameSync(own, file);
}
