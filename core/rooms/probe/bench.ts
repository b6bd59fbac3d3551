import { itemAt } from '../../ground/lists';
import { DRAW_DIMENSIONS, drawBuild, drawKind, type Build } from '../../engines/circuit';
import { CONTROL_KINDS, type Reading } from '../../ground/job';
import { seededRandom, type Random } from '../../ground/quantity';
import { isIsolationReading } from './isolation/relevant';
import { walk, type Walk } from './walk';

/** How well boards of a bench were told. */
export interface BenchResult {
  readonly boards: number;
  /** Not isolated from mains and held before any powered reading. */
  readonly held: number;
  readonly known: number;
  readonly ties: number;
  /** Shares of the boards that were not held. */
  readonly knownShare: number;
  readonly rightShare: number;
  readonly medianReadings: number;
  readonly unsafe: number;
  /** Mean distance between stated probability and how often it came true, weighted over ten bins: all kinds, and the leading one. */
  readonly calibration: number;
  readonly leadingCalibration: number;
  /** How the walks went, kind by kind: boards, known, wrong. */
  readonly byKind: Readonly<Record<string, { boards: number; known: number; wrong: number }>>;
  readonly wrong: readonly string[];
}

/** A board at random, its parameters as wide as parts are met. */
export function drawBoard(random: Random, evenKinds = false): Build {
  const kind = evenKinds
    ? itemAt(CONTROL_KINDS, Math.floor(random.next() * CONTROL_KINDS.length))
    : drawKind(random.next());
  return drawBuild(
    kind,
    Array.from({ length: DRAW_DIMENSIONS }, () => random.next()),
  );
}

/** A reading that must never be proposed: powered before isolation is read (but for the AC check itself), or a short too early. */
function isUnsafe(p: Walk['proposed'][number]): boolean {
  const { next, isolated, before } = p;
  if (next.kind === 'ohms' || next.kind === 'look' || next.kind === 'continuity')
    return next.state === 'idle' || next.state === 'running';
  const check = next.kind === 'volts-ac' && next.to.kind === 'earth';
  if (check) return !before.some((r) => r.kind === 'ohms' && isIsolationReading(r));
  if (!isolated) return true;
  const read = (kind: Reading['kind'], state: Reading['state']): boolean =>
    before.some((r) => r.kind === kind && r.state === state);
  if (next.state === 'loaded-10k') return !read('volts-dc', 'idle') && !read('volts-ac', 'idle');
  return (
    next.kind === 'amps' &&
    !(
      read('volts-dc', 'idle') &&
      read('volts-ac', 'idle') &&
      (read('volts-dc', 'loaded-10k') || read('volts-ac', 'loaded-10k'))
    )
  );
}

/** Expected calibration error over ten even bins. */
export function calibrationError(forecasts: readonly { probability: number; true: boolean }[]): number {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, p: 0, t: 0 }));
  for (const f of forecasts) {
    const b = itemAt(bins, Math.min(9, Math.floor(f.probability * 10)));
    b.n++;
    b.p += f.probability;
    b.t += f.true ? 1 : 0;
  }
  return bins.reduce((s, b) => s + (b.n ? Math.abs(b.p - b.t) : 0), 0) / forecasts.length;
}

/** Walks many boards drawn with a seed and counts how Probe fared. */
export function probeBench(
  boards: number,
  seed: number,
  evenKinds = false,
  onProgress?: (done: number) => void,
): BenchResult {
  const random = seededRandom(seed);
  const all: { probability: number; true: boolean }[] = [];
  const leading: { probability: number; true: boolean }[] = [];
  const counts: number[] = [];
  const wrong: string[] = [];
  const byKind: Record<string, { boards: number; known: number; wrong: number }> = {};
  let [held, known, ties, right, unsafe] = [0, 0, 0, 0, 0];
  for (let i = 0; i < boards; i++) {
    const build = drawBoard(random, evenKinds);
    const w = walk({ build, faults: [] }, random);
    for (const f of w.forecasts) {
      const entry = { probability: f.probability, true: f.kind === build.kind };
      all.push(entry);
      if (f.leading) leading.push(entry);
    }
    unsafe += w.proposed.filter(isUnsafe).length;
    const row = (byKind[build.kind] ??= { boards: 0, known: 0, wrong: 0 });
    row.boards++;
    if (w.end === 'held') held++;
    else if (w.end === 'tie') ties++;
    else if (w.end === 'known') {
      known++;
      row.known++;
      counts.push(w.readings);
      if (w.kind === build.kind) right++;
      else {
        row.wrong++;
        wrong.push(`${build.kind} called ${w.kind}`);
      }
    }
    onProgress?.(i + 1);
  }
  counts.sort((a, b) => a - b);
  return {
    boards,
    held,
    known,
    ties,
    unsafe,
    byKind,
    wrong,
    knownShare: (known + ties) / (boards - held),
    rightShare: right / known,
    medianReadings: counts[Math.floor(counts.length / 2)] ?? 0,
    calibration: calibrationError(all),
    leadingCalibration: calibrationError(leading),
  };
}
