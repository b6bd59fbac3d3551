// A recording of ten million samples, read and analysed by a process of ours and by numpy, one after the other on the same file; whole
// processes. Run: npm run bench:trace [-- samples]. Asks for python3 with numpy.
import { execFileSync } from 'node:child_process';
import { createWriteStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isMainThread } from 'node:worker_threads';
import { readRecordingFile } from '../cli/recording-file';
import { energyOf, lookAt, proposeBand, TraceReader } from '../core/engines/trace';
import { seededRandom } from '../core/ground/quantity';

/** The same work in numpy: its own reader of text, levels of two classes over 256 bins, runs, energy by trapezoids. */
const NUMPY = `
import sys, numpy as np
a = np.loadtxt(sys.argv[1], delimiter=',', skiprows=1)
t, w = a[:, 0], a[:, 1]
x = np.log10(w + 0.1)
h, e = np.histogram(x, 256)
m = (e[:-1] + e[1:]) / 2
n0 = np.cumsum(h)[:-1]; s = np.cumsum(h * m); n1 = h.sum() - n0
b = n0 * n1 * (s[:-1] / np.maximum(1, n0) - (s[-1] - s[:-1]) / np.maximum(1, n1)) ** 2
over = 10 ** e[np.argmax(b) + 1] - 0.1
edges = np.flatnonzero(np.diff((w > over).astype(np.int8)))
trapezoid = getattr(np, 'trapezoid', None) or np.trapz
print(over, len(edges), trapezoid(w, t))
`;

async function write(file: string, samples: number): Promise<void> {
  const r = seededRandom(7);
  const out = createWriteStream(file);
  let text = 'seconds,power (W)\n';
  for (let i = 0; i < samples; i++) {
    const on = i % 20_000 > 6000 && i % 20_000 < 15_000 && i % 60 < 48;
    text += `${i},${((on ? 140 : 2.5) * (0.97 + 0.06 * r.next())).toFixed(1)}\n`;
    if (text.length > 1 << 20) {
      if (!out.write(text)) await new Promise<void>((done) => out.once('drain', done));
      text = '';
    }
  }
  out.end(text);
  await new Promise<void>((done) => out.once('finish', done));
}

async function analyse(file: string): Promise<void> {
  const recording = await readRecordingFile(new TraceReader(file), file);
  const { bands, best } = proposeBand([{ recording, runs: null }]);
  const { looked } = lookAt(recording, bands[best]!);
  const whole = { fromSeconds: 0, toSeconds: recording.seconds[recording.seconds.length - 1]!, dips: [] };
  console.log(
    JSON.stringify({ over: bands[best]!.over, runs: looked.runs, joules: energyOf(recording, whole).joules }),
  );
}

const asked = process.argv[2];
if (!isMainThread) {
  // It reads its part and nothing else.
} else if (asked?.endsWith('.csv')) await analyse(asked);
else {
  const folder = mkdtempSync(join(tmpdir(), 'trace-'));
  try {
    const file = join(folder, 'ten.csv');
    const samples = Number(asked ?? 10_000_000);
    await write(file, samples);
    const timed = (name: string, command: string, args: readonly string[]): void => {
      const began = performance.now();
      const said = execFileSync(command, args, { encoding: 'utf8' }).trim();
      console.log(`${name}: ${((performance.now() - began) / 1000).toFixed(1)} s; ${said}`);
    };
    for (let round = 0; round < 2; round++) {
      timed('ours', process.execPath, [process.argv[1]!, file]);
      timed('numpy', 'python3', ['-c', NUMPY, file]);
    }
  } finally {
    rmSync(folder, { recursive: true });
  }
}
