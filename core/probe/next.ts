import { sayPoint, type Job, type Point, type Reading } from '../job';
import { predictions, specKey } from './grid';
import { isolationOf } from './isolation';
import { PROBED_KINDS, type ReadingSpec } from '../circuit';
import { entropyBits, expectedBand, type Posterior } from './posterior';
import { kindReadings } from './relevant';

export interface Expectation {
  readonly kind: (typeof PROBED_KINDS)[number];
  readonly probability: number;
  /** Band of the expected answer in base units. */
  readonly low: number;
  readonly high: number;
}

export interface NextReading extends ReadingSpec {
  readonly control: string;
  readonly title: string;
  readonly meter: string;
  readonly hold: string;
  readonly caution: string;
  readonly why: string;
  readonly gainBits: number;
  /** How the answer begins as a note line; the number follows. */
  readonly notePrefix: string;
  readonly expectations: readonly Expectation[];
  /** Rough count of readings to go, this one included. */
  readonly toGo: number;
}

const contact = (name: string): Point => ({ kind: 'contact', name });
const GROUND: Point = { kind: 'ground', name: '' };
const spec = (from: Point, to: Point, state: ReadingSpec['state'], kind: ReadingSpec['kind']): ReadingSpec => ({ from, to, state, kind });

const [A, B] = [contact('A'), contact('B')];
/** Readings that can be asked of a push-button, each with its trouble (`reading-trouble`). */
const MENU: readonly (readonly [ReadingSpec, number])[] = [
  [spec(B, GROUND, 'off', 'ohms'), 1],
  [spec(A, GROUND, 'off', 'ohms'), 1],
  [spec(A, B, 'off', 'ohms'), 1],
  [spec(A, B, 'pressed', 'ohms'), 1.2],
  [spec(A, GROUND, 'idle', 'volts-dc'), 1.2],
  [spec(B, GROUND, 'idle', 'volts-dc'), 1.2],
  [spec(A, B, 'idle', 'volts-ac'), 1.4],
  [spec(A, B, 'idle', 'volts-dc'), 1.8],
  [spec(A, GROUND, 'pressed', 'volts-dc'), 1.5],
  [spec(A, B, 'idle', 'amps'), 2.2],
];

const BINS = 48;
const SCALE: Record<Reading['kind'], readonly [number, number]> = { 'volts-dc': [-26, 26], 'volts-ac': [-5, 260], ohms: [-1, 23], amps: [-11, 3] };
/** Weight of learning the values of the leading kind against learning the kind. */
const VALUE_WEIGHT = 0.3;
/** Below this a reading is not worth the touch once the kind is known. */
const WORTH_BITS = 0.12;
/** What a well-chosen reading tells of the kind, for the rough count of readings to go. */
const TYPICAL_BITS = 0.6;

/** Expected information of a reading about the kind, and about the leading kind's values, bits. */
export function informationBits(s: ReadingSpec, posterior: Posterior): { kind: number; values: number } {
  const [min, max] = SCALE[s.kind];
  const joint = PROBED_KINDS.map(() => new Float64Array(BINS));
  let pointEntropy = 0;
  PROBED_KINDS.forEach((kind, k) => {
    const table = predictions(kind, s);
    const w = posterior.weights[kind];
    for (let i = 0; i < w.length; i++) {
      if (w[i]! < 1e-5) continue;
      const shares = binned(table.mean[i]!, table.sd[i]!, min, max);
      let h = 0;
      for (const [bin, p] of shares) {
        joint[k]![bin]! += p * w[i]!;
        if (p > 0) h -= p * Math.log2(p);
      }
      if (kind === posterior.leading) pointEntropy += h * w[i]!;
    }
  });
  const prior = PROBED_KINDS.map((k) => posterior.kinds[k]);
  let after = 0;
  for (let bin = 0; bin < BINS; bin++) {
    const column = joint.map((h, k) => h[bin]! * prior[k]!);
    const sum = column.reduce((a, b) => a + b, 0);
    if (sum > 0) after += sum * entropyBits(column.map((c) => c / sum));
  }
  const leading = joint[PROBED_KINDS.indexOf(posterior.leading)]!;
  return { kind: Math.max(0, entropyBits(prior) - after), values: Math.max(0, entropyBits([...leading]) - pointEntropy) };
}

/** Shares of a normal distribution in the bins within two and a half standard deviations; the ends take the rest. */
function binned(mean: number, sd: number, min: number, max: number): [number, number][] {
  const width = (max - min) / BINS;
  const clamp = (b: number): number => Math.min(BINS - 1, Math.max(0, b));
  const from = clamp(Math.floor((mean - 2.5 * sd - min) / width));
  const to = clamp(Math.floor((mean + 2.5 * sd - min) / width));
  const out: [number, number][] = [];
  let sum = 0;
  for (let b = from; b <= to; b++) {
    const centre = min + (b + 0.5) * width;
    const p = from === to ? 1 : Math.exp(-(((centre - mean) / Math.max(sd, width / 3)) ** 2) / 2);
    out.push([b, p]);
    sum += p;
  }
  return out.map(([b, p]) => [b, p / sum]);
}

/** Whether the safety order lets a reading be taken now. */
export function allowed(s: ReadingSpec, readings: readonly Reading[], posterior: Posterior, isolated: boolean): boolean {
  if (s.kind === 'ohms') return true;
  if (!isolated) return false;
  if (s.kind !== 'amps') return true;
  // A pair is shorted through the meter only once its voltage is known to be low and its kind is not a load.
  const volts = readings.filter((r) => r.kind === 'volts-dc' && r.state === 'idle' && r.relation === '=');
  return volts.length > 0 && volts.every((r) => Math.abs(r.value) <= 60) && posterior.kinds['switched-load'] < 0.05;
}

/**
 * The next reading for a control: the isolation readings in their order first, then the one that tells most for its trouble.
 * Null once the kind is known and nothing is worth another touch, or where the control is not isolated and only licensed work goes on.
 */
export function nextReading(job: Job, control: string, posterior: Posterior): NextReading | null {
  const isolation = isolationOf(job, control);
  const name = job.controls.find((c) => c.id === control)?.name ?? control;
  if (isolation.verdict === 'not-isolated' && isolation.dangerous) return null;
  const readings = kindReadings(job, control);
  const taken = new Set(readings.filter((r) => (posterior.slip[r.id] ?? 0) < 0.5).map(specKey));
  const first = isolation.verdict === 'not-isolated' ? undefined : isolation.missing[0];
  const bits = entropyBits(PROBED_KINDS.map((k) => posterior.kinds[k]));
  if (first) return describe(job, control, name, first, posterior, 0, isolation.missing.length + Math.ceil(bits / TYPICAL_BITS), 'Isolation from mains comes before everything else.');
  const live = isolation.verdict === 'isolated';
  const options = MENU.filter(([s]) => !taken.has(specKey(s)) && allowed(s, readings, posterior, live)).map(([s, trouble]) => {
    const bits = informationBits(s, posterior);
    return { s, bits, score: (bits.kind + VALUE_WEIGHT * bits.values) / trouble };
  });
  const best = options.reduce<(typeof options)[number] | undefined>((a, b) => (!a || b.score > a.score ? b : a), undefined);
  const known = posterior.kinds[posterior.leading] >= 0.95;
  const rest = best ? Math.min(6, Math.max(1, Math.ceil(bits / Math.max(best.bits.kind, 0.25)))) : 0;
  if (!best || (known && best.bits.kind + VALUE_WEIGHT * best.bits.values < WORTH_BITS) || best.score < 1e-3) return null;
  const gain = best.bits.kind + VALUE_WEIGHT * best.bits.values;
  const why =
    best.bits.kind > 0.1
      ? `It tells the candidates apart best for its trouble: ${best.bits.kind.toFixed(1)} bits.`
      : `The kind is clear; this one narrows its values most: ${best.bits.values.toFixed(1)} bits.`;
  return describe(job, control, name, best.s, posterior, gain, rest, why);
}

const METER: Record<Reading['kind'], string> = { 'volts-dc': 'volts DC, 20 V range', 'volts-ac': 'volts AC, highest range first', ohms: 'ohms, 20 MΩ range', amps: 'milliamperes DC, lead in the mA jack' };
const WORD: Record<Reading['kind'], string> = { 'volts-dc': 'Volts', 'volts-ac': 'AC volts', ohms: 'Ohms', amps: 'Milliamperes' };

function describe(job: Job, control: string, name: string, s: ReadingSpec, posterior: Posterior, gainBits: number, toGo: number, why: string): NextReading {
  const where = s.to.kind === 'ground' && s.from.kind === 'contact' ? `at ${s.from.name}${s.kind === 'ohms' ? ' to ground' : ''}` : `${sayPoint(s.from)} to ${sayPoint(s.to)}`;
  const while_ = s.kind === 'ohms' ? (s.state === 'pressed' ? 'unplugged, held pressed' : 'unplugged') : s.state === 'pressed' ? 'while held pressed' : 'while nobody presses';
  const pinReading = ['live', 'neutral', 'mains', 'earth'].includes(s.to.kind);
  const expectations = pinReading
    ? []
    : PROBED_KINDS.filter((k) => posterior.kinds[k] > 0.005)
        .map((kind) => ({ kind, probability: posterior.kinds[kind], ...expectedBand(kind, s, posterior.weights[kind]) }))
        .sort((a, b) => b.probability - a.probability);
  return {
    ...s, control, why, gainBits, toGo, expectations,
    title: s.kind === 'amps' ? `${WORD.amps} from A to B through the meter` : `${WORD[s.kind]} ${where}${s.kind === 'ohms' ? ',' : ''} ${while_}`,
    meter: s.kind === 'ohms' && !pinReading ? 'ohms, automatic range' : METER[s.kind],
    hold: s.kind === 'ohms' ? (s.state === 'pressed' ? 'unplugged, the button held down' : 'unplugged, nobody presses') : s.state === 'pressed' ? 'plugged in, the button held down' : 'plugged in, idle',
    caution: cautionFor(s, job),
    notePrefix: prefix(name, s),
  };
}

function cautionFor(s: ReadingSpec, job: Job): string {
  if (s.kind === 'ohms' && s.to.kind === 'mains') return 'Plug pulled and in sight; wait for capacitors to empty. Clip live and neutral of the plug together, one tip on the clip.';
  if (s.kind === 'ohms') return 'Plug pulled and in sight. Ohms on a live circuit harm the meter and the board.';
  if (s.kind === 'amps') return 'This presses the button. The machine may act: keep it safe to start. Lead back to the volts jack at once.';
  const mains = job.wish.hazards.includes('mains') ? ' Mains is open inside: covers on what you do not probe, or leave it to someone licensed.' : '';
  return `One hand in the pocket, a meter rated for the mains, tips only where drawn.${mains}`;
}

function prefix(name: string, s: ReadingSpec): string {
  const head = s.from.kind === 'ground' ? 'ground' : `${name} ${s.from.name}`;
  if (s.kind === 'amps') return `${name} short`;
  if (s.to.kind === 'ground') return `${head}${s.kind === 'ohms' ? ' to ground' : ''} ${s.state}`;
  if (s.to.kind === 'contact') return `${head}-${s.to.name} ${s.state}`;
  return `${head} to ${s.to.kind} ${s.state}`;
}
