// What a run over the bench came to, in numbers and in lines.
import { CONTROL_KINDS, type ControlKind } from '../../core/ground/job';
import type { Went } from './drive';

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / Math.max(1, list.length);
const share = (list: readonly Went[], of: (w: Went) => boolean): number => mean(list.map((w) => (of(w) ? 1 : 0)));
const percent = (x: number): string => `${(100 * x).toFixed(1)} %`;

const EDGES = [0, 0.2, 0.4, 0.6, 0.8, 0.9, 0.95, 0.98, 0.99, 0.999, 1.0001];

/** Stated against true, in bins that are finer where it matters. */
function reliability(list: readonly Went[]): { from: number; n: number; said: number; was: number }[] {
  const all = list.flatMap((w) => w.stated);
  return EDGES.slice(0, -1)
    .map((from, i) => {
      const bin = all.filter((s) => s.probability >= from && s.probability < EDGES[i + 1]!);
      return {
        from,
        n: bin.length,
        said: mean(bin.map((s) => s.probability)),
        was: mean(bin.map((s) => (s.right ? 1 : 0))),
      };
    })
    .filter((b) => b.n > 0);
}

export interface Figures {
  readonly right: number;
  readonly rightAsMet: number;
  readonly calibration: number;
  readonly falseStops: number;
  readonly stuck: number;
  readonly tiedPassed: number;
  readonly broken: number;
  readonly median: number;
  /** The same with the readings of isolation. */
  readonly medianOfAll: number;
  /** The same until the kind is first known, before what confirms it. */
  readonly medianToKnown: number;
  readonly done: number;
  readonly known: number;
  readonly brier: number;
  readonly logScore: number;
}

export function figures(list: readonly Went[], met: Readonly<Record<ControlKind, number>>): Figures {
  const apart = list.filter((w) => !w.bench.mains.tied);
  const walked = apart.filter((w) => w.end !== 'not-isolated' && w.end !== 'stuck');
  const known = walked.filter((w) => w.end === 'known');
  const right = (w: Went): boolean => w.kind === w.bench.control.kind;
  // Weighted by the kind that is there, as often as it is met.
  const weight = (w: Went): number =>
    met[w.bench.control.kind] / Math.max(1, list.filter((x) => x.bench.control.kind === w.bench.control.kind).length);
  const sum = (of: readonly Went[]): number => of.reduce((s, w) => s + weight(w), 0);
  const counts = known.map((w) => w.readings).sort((a, b) => a - b);
  const allCounts = known.map((w) => w.job.readings.length).sort((a, b) => a - b);
  const toKnown = known.flatMap((w) => (w.firstKnown === null ? [] : [w.firstKnown])).sort((a, b) => a - b);
  const bins = reliability(walked);
  const total = bins.reduce((s, b) => s + b.n, 0);
  return {
    right: share(known, right),
    rightAsMet: sum(known.filter(right)) / sum(known),
    calibration: bins.reduce((s, b) => s + (b.n / total) * Math.abs(b.said - b.was), 0),
    falseStops: share(apart, (w) => w.end === 'not-isolated'),
    stuck: share(apart, (w) => w.end === 'stuck'),
    tiedPassed: list.filter((w) => w.bench.mains.tied && w.end !== 'not-isolated' && w.end !== 'stuck').length,
    broken: list.reduce((s, w) => s + w.broken.length, 0),
    median: counts[Math.floor(counts.length / 2)] ?? 0,
    medianOfAll: allCounts[Math.floor(allCounts.length / 2)] ?? 0,
    medianToKnown: toKnown[Math.floor(toKnown.length / 2)] ?? 0,
    done: share(walked, (w) => ['known', 'remainder', 'tie'].includes(w.end)),
    known: share(walked, (w) => w.end === 'known'),
    brier: mean(walked.flatMap((w) => w.stated.map((s) => (s.probability - (s.right ? 1 : 0)) ** 2))),
    logScore: mean(walked.map((w) => -Math.log2(Math.max(1e-9, w.truth)))),
  };
}

/** How often each of a list is in it, most often first. */
function counted(what: readonly string[]): [string, number][] {
  const counts = new Map<string, number>();
  for (const w of what) counts.set(w, (counts.get(w) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1]);
}

/** What came of controls that are none of the kinds: called known, told as none, left open, and which were called what. */
export function strangeReport(what: string, list: readonly Went[]): string[] {
  const count = (end: Went['end']): number => list.filter((w) => w.end === end).length;
  const known = list.filter((w) => w.end === 'known');
  return [
    `${list.length} ${what}: called known ${known.length} (${percent(known.length / Math.max(1, list.length))}), ` +
      `told as none ${count('remainder')}, a tie ${count('tie')}, open ${count('open')}`,
    ...counted(known.map((w) => `${w.bench.control.variant} called ${w.kind}`)).map(([x, n]) => `  ${n} x ${x}`),
  ];
}

export function report(list: readonly Went[], met: Readonly<Record<ControlKind, number>>): string[] {
  const f = figures(list, met);
  const apart = list.filter((w) => !w.bench.mains.tied);
  const out = [
    `${list.length} boards, ${apart.length} of them isolated: falsely stopped ${percent(f.falseStops)}, ` +
      `stuck ${percent(f.stuck)}; tied ones passed ${f.tiedPassed}; rules of order broken ${f.broken}`,
    `known ${percent(f.known)}, known or an honest remainder or tie ${percent(f.done)}, median readings ${f.median}; ` +
      `${f.medianOfAll} with those of isolation, ${f.medianToKnown} of these until first known`,
    `right of those known ${percent(f.right)}, weighted as met ` +
      `${percent(f.rightAsMet)}; calibration error of the leader ` +
      `${percent(f.calibration)}; Brier ${f.brier.toFixed(3)}, log score ` +
      `${f.logScore.toFixed(2)} bits`,
    'stated  was    steps',
    ...reliability(apart.filter((w) => w.end !== 'stuck' && w.end !== 'not-isolated')).map(
      (b) => `${percent(b.said).padStart(7)} ${percent(b.was).padStart(7)} ${b.n}`,
    ),
  ];
  for (const kind of CONTROL_KINDS) {
    const of = apart.filter((w) => w.bench.control.kind === kind && w.end !== 'not-isolated' && w.end !== 'stuck');
    const known = of.filter((w) => w.end === 'known');
    out.push(
      `${kind.padEnd(18)} ${String(of.length).padStart(4)}: known ${known.length}, right ` +
        `${percent(share(known, (w) => w.kind === kind))}, remainder ` +
        `${of.filter((w) => w.end === 'remainder').length}, tie ${of.filter((w) => w.end === 'tie').length}, ` +
        `open ${of.filter((w) => w.end === 'open').length}`,
    );
  }
  const called = (w: Went): string => `${w.bench.control.kind} (${w.bench.control.variant})`;
  const tell = (what: readonly string[], most: number): void =>
    void out.push(
      ...counted(what)
        .slice(0, most)
        .map(([x, n]) => `  ${n} x ${x}`),
    );
  tell(
    apart
      .filter((w) => w.end === 'known' && w.kind !== w.bench.control.kind)
      .map((w) => `${called(w)} called ${w.kind}`),
    40,
  );
  tell(
    list.flatMap((w) => w.broken.map((b) => `broken: ${b}`)),
    20,
  );
  tell(
    apart
      .filter((w) => w.end === 'not-isolated' || w.end === 'stuck')
      .map((w) => `${w.end}: ${w.bench.mains.variant}, ${w.bench.mains.said.feed}, ${w.bench.control.kind}`),
    15,
  );
  return out;
}
