// Draws the predictions that nearly every job asks for into node_modules/.cache/predictions, once for these sources. Plain Node.js only.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { newestIn, root } from './files.mjs';

const folder = `${root}node_modules/.cache/predictions/`;
export const predictionsFile = `${folder}predictions.bin`;

/** Makes the file unless it is newer than everything that it is drawn from. */
export async function ensurePredictions() {
  const from = Math.max(
    ...['engines/circuit', 'rooms/probe', 'ground/job', 'ground/quantity'].map((d) => newestIn(`${root}core/${d}`)),
  );
  if (existsSync(predictionsFile) && statSync(predictionsFile).mtimeMs > from) return;
  const { buildSync } = await import('esbuild');
  mkdirSync(folder, { recursive: true });
  const made = `${folder}make-${process.pid}.mjs`;
  buildSync({
    stdin: {
      contents: `import { drawAhead } from './core/rooms/probe'; process.stdout.write(new Uint8Array(drawAhead()));`,
      resolveDir: root,
    },
    outfile: made,
    bundle: true,
    platform: 'node',
    format: 'esm',
    logLevel: 'error',
  });
  const drawn = spawnSync(process.execPath, [made], { maxBuffer: 64e6 });
  if (drawn.status !== 0) throw new Error(`the predictions could not be drawn: ${drawn.stderr}`);
  // Two that start at once must not read each other's half a file.
  const own = `${folder}predictions-${process.pid}.bin`;
  writeFileSync(own, drawn.stdout);
  rmSync(made);
  renameSync(own, predictionsFile);
}
