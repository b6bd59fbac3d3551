/// <reference lib="webworker" />
import {
  alikeSums,
  coarseOf,
  columnsOf,
  energyOf,
  holdCurve,
  legsOf,
  noisyLevels,
  leaveOneOut,
  lookAt,
  MOST_SAMPLES,
  PartReader,
  proposeBand,
  readPart,
  readRecording,
  takenAs,
  thinnedCurve,
  TraceReader,
  type AlikeSums,
  type Band,
  type ByteSource,
  type Coarse,
  type Columns,
  type Ending,
  type HoldPoint,
  type LeftOut,
  type NoisyLevel,
  type Leg,
  type OddRow,
  type OtherThread,
  type PlainOrder,
  type PlainPart,
  type Recording,
  type Stretch,
} from '../../core/engines/trace';
import type { JobRecording, Looked } from '../../core/ground/job';
import { lastItem } from '../../core/ground/lists';
import { serve, type Asked, type Reply } from './serve';

/** A recording as it is kept, with what was said of it. */
export interface TraceSource {
  readonly id: string;
  readonly name: string;
  readonly said: JobRecording['said'];
  readonly runs: number | null;
  readonly file: Blob;
}

/** What is asked of recordings. */
export type TraceOrder =
  | { readonly do: 'read'; readonly file: Blob & { readonly name?: string }; readonly said: JobRecording['said'] }
  | { readonly do: 'learn'; readonly of: readonly TraceSource[] }
  | {
      readonly do: 'look';
      readonly of: readonly TraceSource[];
      readonly band: Band;
      /** Those that the hold is learned from, by id. */
      readonly learned: readonly string[];
    }
  | { readonly do: 'room'; readonly of: TraceSource }
  | { readonly do: 'part'; readonly file: Blob; readonly plain: PlainOrder; readonly from: number; readonly to: number }
  | { readonly do: 'together'; readonly one: TraceSource; readonly other: TraceSource }
  | {
      readonly do: 'draw';
      readonly of: TraceSource;
      readonly from: number;
      readonly to: number;
      readonly columns: number;
    };

/** A recording that was read: what the job keeps of it, and what was odd. */
export interface ReadTrace {
  readonly facts: Pick<
    JobRecording,
    'id' | 'bytes' | 'kind' | 'unit' | 'unitGuessed' | 'samples' | 'seconds' | 'stepSeconds' | 'odd'
  >;
  readonly marks: readonly OddRow[];
  readonly gaps: number;
  readonly dayOrMonth: boolean;
}
/** A run as it is shown. */
export interface ShownRun {
  readonly from: number;
  readonly to: number;
  readonly rests: number;
  readonly longestRest: number;
  readonly joules: number | null;
  readonly gapSeconds: number;
}
/** What a threshold finds in one recording. */
export interface Found {
  readonly id: string;
  readonly looked: Looked;
  /** The first of its runs; how many there are is told by what was found. */
  readonly runs: readonly ShownRun[];
}
/** What a threshold finds in some recordings, and what every hold would have done on those that it is learned from. */
export interface FoundAll {
  readonly found: readonly Found[];
  readonly curve: readonly HoldPoint[];
  readonly leftOut: readonly LeftOut[];
}
export interface Learned {
  readonly bands: readonly Band[];
  readonly best: number;
  readonly levels: readonly number[];
}
/** What a drawing needs: its columns, and between which values they lie. */
export type Drawn = Columns & { readonly from: number; readonly to: number; readonly whole: number };

/** Two machines on one meter: their levels, and which sums of them lie too close. */
export interface Together {
  readonly one: readonly number[];
  readonly other: readonly number[];
  readonly alike: readonly AlikeSums[];
}

export interface TraceResults {
  readonly read: ReadTrace;
  readonly learn: Learned;
  readonly look: FoundAll;
  readonly draw: Drawn;
  /** Stretches in which it got warmer or colder. */
  readonly room: readonly Leg[];
  /** The samples of a part of a file; null where its rows are not plain. */
  readonly part: PlainPart | null;
  /** Levels of two machines that one meter cannot tell apart. */
  readonly together: Together;
}

/** Samples that are held ready at once; a recording that was not looked at for longest goes first. */
const MOST_HELD = 12_000_000;
/** Runs that are shown one by one, and points of the curve of holds: what a screen holds. */
const MOST_RUNS = 50;
const MOST_POINTS = 400;
/** Progress is told this often, ms. */
const EVERY_MS = 80;

interface Held {
  readonly recording: Recording;
  readonly coarse: Coarse;
}
const held = new Map<string, Held>();

function hold(key: string, recording: Recording): Held {
  held.delete(key);
  held.set(key, { recording, coarse: coarseOf(recording) });
  let all = [...held.values()].reduce((n, h) => n + h.recording.seconds.length, 0);
  for (const [old, h] of held) {
    if (all <= MOST_HELD || old === key) break;
    held.delete(old);
    all -= h.recording.seconds.length;
  }
  return held.get(key)!;
}

const keyOf = (id: string, said: string): string => `${id} ${said}`;

const sourceOf = (file: Blob): ByteSource => ({
  size: file.size,
  bytes: async (from, to) => new Uint8Array(await file.slice(from, to).arrayBuffer()),
});

/** This very program once more, which reads its part and ends. */
const inAnotherThread =
  (file: Blob): OtherThread =>
  (plain, from, to) =>
    new Promise((done) => {
      const worker = new Worker(self.location.href, { type: 'module' });
      const answer = (part: PlainPart | null): void => {
        done(part);
        worker.terminate();
      };
      worker.onmessage = ({ data }: MessageEvent<Reply<PlainPart | null, never>>) =>
        answer(data.is === 'answer' ? data.answer : null);
      worker.onerror = () => answer(null);
      worker.postMessage({ id: 1, question: { do: 'part', file, plain, from, to } } satisfies Asked<TraceOrder>);
    });

function readAll(name: string, said: string, file: Blob, tell: (bytes: number) => void): Promise<Recording> {
  let told = 0;
  return readRecording(new TraceReader(name, takenAs(said)), sourceOf(file), inAnotherThread(file), (at) => {
    if (performance.now() - told <= EVERY_MS) return;
    told = performance.now();
    tell(at);
  });
}

async function recordingOf(s: TraceSource, tell: (bytes: number) => void): Promise<Held> {
  const key = keyOf(s.id, s.said);
  return held.get(key) ?? hold(key, await readAll(s.name, s.said, s.file, tell));
}

async function allOf(of: readonly TraceSource[], tell: (bytes: number) => void): Promise<Held[]> {
  const out: Held[] = [];
  for (const s of of) out.push(await recordingOf(s, tell));
  return out;
}

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, '0')).join('');

async function read(
  file: Blob & { readonly name?: string },
  said: JobRecording['said'],
  tell: (bytes: number) => void,
): Promise<ReadTrace> {
  // The whole text is held for its hash alone; its samples are read from the file.
  const id = hex(await crypto.subtle.digest('SHA-256', await file.arrayBuffer()));
  const r = await readAll(file.name ?? '', said, file, tell);
  hold(keyOf(id, said), r);
  return {
    facts: {
      id,
      bytes: file.size,
      kind: r.kind,
      unit: r.unit,
      unitGuessed: r.unitGuessed,
      samples: r.seconds.length,
      seconds: lastItem(r.seconds),
      stepSeconds: r.stepSeconds,
      odd: Object.values(r.odd).reduce((a, b) => a + b, 0),
    },
    marks: r.marks,
    gaps: r.gaps.length,
    dayOrMonth: r.dayOrMonth,
  };
}

function find(s: TraceSource, { recording }: Held, band: Band): { readonly found: Found; readonly ending: Ending } {
  const { looked, finish } = lookAt(recording, band, s.runs ?? undefined);
  const rest = (d: Stretch): number => d.toSeconds - d.fromSeconds;
  return {
    // Rests between runs are none within one: each run ends by itself, and the last one at the end of the recording.
    ending: {
      name: s.name,
      dips: finish.runs.flatMap((x) => x.dips.map(rest)),
      tailSeconds: looked.tailSeconds,
    },
    found: {
      id: s.id,
      looked,
      runs: finish.runs.slice(0, MOST_RUNS).map((x) => {
        const energy = recording.kind === 'power' ? energyOf(recording, x) : null;
        return {
          from: x.fromSeconds,
          to: x.toSeconds,
          rests: x.dips.length,
          longestRest: x.dips.reduce((most, d) => Math.max(most, rest(d)), 0),
          joules: energy?.joules ?? null,
          gapSeconds: energy?.gapSeconds ?? 0,
        };
      }),
    },
  };
}

/** Samples are handed on and not copied: they are the answer of a thread that ends with it. */
const handedOn = (answer: TraceResults[keyof TraceResults], order: TraceOrder): Transferable[] => {
  if (order.do !== 'part' || !answer) return [];
  const { seconds, values } = answer as PlainPart;
  return [seconds.buffer as ArrayBuffer, values.buffer as ArrayBuffer];
};

serve<TraceOrder, TraceResults[keyof TraceResults], number>(async (order, tell) => {
  switch (order.do) {
    case 'read':
      return read(order.file, order.said, tell);
    case 'learn': {
      const all = await allOf(order.of, tell);
      const { states, bands, best } = proposeBand(
        all.map(({ recording }, i) => ({ recording, runs: order.of[i]!.runs })),
      );
      return {
        bands,
        best,
        levels: states.levels.map((l) => l.at),
      };
    }
    case 'look': {
      const all = (await allOf(order.of, tell)).map((h, i) => find(order.of[i]!, h, order.band));
      const learned = all.filter(({ found }) => order.learned.includes(found.id) && found.looked.runs > 0);
      const endings = learned.map((x) => x.ending);
      return {
        found: all.map((x) => x.found),
        curve: thinnedCurve(holdCurve(endings), MOST_POINTS),
        leftOut: leaveOneOut(endings),
      };
    }
    case 'part':
      return readPart(new PartReader(order.plain, MOST_SAMPLES), sourceOf(order.file), order.from, order.to);
    case 'room':
      return legsOf((await recordingOf(order.of, tell)).recording);
    case 'together': {
      const [one, other] = (await allOf([order.one, order.other], tell)).map((h) => noisyLevels(h.recording));
      const at = (list: readonly NoisyLevel[]): number[] => list.map((l) => l.at);
      return { one: at(one!), other: at(other!), alike: alikeSums(one!, other!) };
    }
    case 'draw': {
      const { recording, coarse } = await recordingOf(order.of, tell);
      const whole = lastItem(recording.seconds);
      const [from, to] = [Math.max(0, order.from), Math.min(whole, order.to)];
      return { ...columnsOf(recording, coarse, from, to, order.columns), from, to, whole };
    }
  }
}, handedOn);
