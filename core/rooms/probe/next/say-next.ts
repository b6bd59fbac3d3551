import { MODEL_KINDS, unpoweredSetting, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { sayPoint, type Job, type Reading } from '../../../ground/job';
import { SETTING_WORDS } from '../../../ground/notes';
import { formatQuantity } from '../../../ground/quantity';
import { cautionFor } from './cautions';
import { expectedBand, meaningsOf, type Meaning } from '../inference/information';
import type { Posterior } from '../inference/posterior';

/** What a reading would show if the control were of some kind, or one of what is none of them. */
export interface Expectation {
  readonly kind: ModelKind;
  readonly probability: number;
  /** Band of the expected answer in base units. */
  readonly low: number;
  readonly high: number;
}

/** The reading to take next, with how and why. */
export interface NextReading extends ReadingSpec {
  readonly control: string;
  readonly title: string;
  readonly meter: string;
  readonly hold: string;
  readonly caution: string;
  readonly why: string;
  readonly gainBits: number;
  /** True where it is asked for to settle the kind, false where for isolation or values. */
  readonly tellsKind: boolean;
  /** How the answer begins as a note line; the number or word follows. */
  readonly notePrefix: string;
  readonly expectations: readonly Expectation[];
  /** What each answer would make of the control, likeliest first. */
  readonly meanings: readonly Meaning[];
  /** Rough count of readings to go, this one included. */
  readonly toGo: number;
}

const METER: Record<Reading['kind'], string> = {
  'volts-dc': 'volts DC, 20 V range',
  'volts-ac': 'volts AC, highest range first',
  ohms: 'ohms, automatic range',
  amps: 'milliamperes DC, lead in the mA jack',
  continuity: 'continuity',
  hertz: 'hertz',
  duty: 'duty, percent',
  jumper: 'no meter: the jumper',
  look: 'no meter: eye and finger',
  insulation: 'insulation tester, 500 V DC, used by whoever may',
  diode: 'diode range',
  battery: 'volts DC, 20 V range, in series with the battery',
};
const WORD: Record<Reading['kind'], string> = {
  'volts-dc': 'Volts',
  'volts-ac': 'AC volts',
  ohms: 'Ohms',
  amps: 'Milliamperes',
  continuity: 'Continuity',
  hertz: 'Hertz',
  duty: 'Share of time high',
  jumper: 'Jumper',
  look: 'Look and feel',
  insulation: 'Insulation at 500 V',
  diode: 'Diode range',
  battery: 'Volts past the battery,',
};
const WHILE: Record<Reading['state'], string> = {
  off: 'unplugged',
  idle: 'while nobody presses',
  pressed: 'while held pressed',
  released: 'after one press, let go',
  neighbour: 'while a neighbour is held',
  turning: 'while it is turned',
  moving: 'while it runs one way',
  'moving-back': 'while it runs the other way',
  loaded: 'with 1 kΩ across',
  running: 'while it runs',
  always: 'at any time',
  'plug-turned': 'while nobody presses, the plug turned round',
  'loaded-10k': 'over 10 kΩ',
  'turned-10k': 'over 10 kΩ, the plug turned round',
  'loaded-100k': 'over 100 kΩ',
  'turned-100k': 'over 100 kΩ, the plug turned round',
};
const HOLD: Record<Reading['state'], readonly [unplugged: string, powered: string]> = {
  off: ['unplugged, nobody presses', 'unplugged'],
  idle: ['unplugged, nobody presses', 'plugged in, idle'],
  pressed: ['unplugged, the button held down', 'plugged in, the button held down'],
  released: ['unplugged, pressed once and let go', 'plugged in, pressed once and let go'],
  neighbour: ['unplugged, another button of the panel held', 'plugged in, another button of the panel held'],
  turning: ['unplugged, set to another position', 'plugged in, turned steadily'],
  moving: ['unplugged', 'plugged in, running one way'],
  'moving-back': ['unplugged', 'plugged in, running the other way'],
  loaded: ['unplugged', 'plugged in, 1 kΩ across the tips'],
  'plug-turned': ['unplugged', 'plugged in the other way round, idle'],
  'loaded-10k': ['unplugged', 'plugged in, over 10 kΩ'],
  'turned-10k': ['unplugged', 'plug turned round, over 10 kΩ'],
  'loaded-100k': ['unplugged', 'plugged in, over 100 kΩ'],
  'turned-100k': ['unplugged', 'plug turned round, over 100 kΩ'],
  running: ['unplugged', 'plugged in, running'],
  always: ['unplugged', 'plugged in'],
};

/** A reading in full: setting, places, state, caution, what to expect and what each answer would mean. */
export function describe(
  job: Job,
  control: string,
  s: ReadingSpec,
  p: Posterior,
  rest: Pick<NextReading, 'gainBits' | 'tellsKind' | 'toGo' | 'why'>,
): NextReading {
  const name = job.controls.find((c) => c.id === control)?.name ?? control;
  const ohms = s.kind === 'ohms' || s.kind === 'continuity';
  const pinReading = [s.from, s.to].some((p) => ['live', 'neutral', 'mains', 'earth'].includes(p.kind));
  const expectations =
    pinReading || s.kind === 'look'
      ? []
      : MODEL_KINDS.filter((k) => p.kinds[k] > 0.005)
          .map((kind) => ({ kind, probability: p.kinds[kind], ...expectedBand(kind, s, p) }))
          .sort((a, b) => b.probability - a.probability);
  return {
    ...s,
    control,
    ...rest,
    expectations,
    meanings: pinReading ? [] : meaningsOf(s, p),
    title: titleOf(name, s, ohms),
    meter:
      s.kind === 'ohms' && pinReading
        ? `ohms, highest range (${formatQuantity(job.survey.meter.mostOhms, 'Ω')})`
        : METER[s.kind],
    hold: holdOf(job, s, pinReading),
    caution: cautionFor(s, job),
    notePrefix: prefix(name, s),
  };
}

/** How the machine stands: its main switch counts where a reading goes to the pins. */
function holdOf(job: Job, s: ReadingSpec, toPins: boolean): string {
  if (toPins && unpoweredSetting(s.kind) && s.kind !== 'insulation')
    return `unplugged, ${job.survey.mains.mainSwitch === 'none' ? 'it has no main switch' : 'its own main switch closed'}`;
  return HOLD[s.state][unpoweredSetting(s.kind) || s.kind === 'look' ? 0 : 1];
}

function titleOf(name: string, s: ReadingSpec, ohms: boolean): string {
  if (s.kind === 'look') return `Look at ${name}: what does it do under the finger?`;
  if (s.kind === 'amps') return `${WORD.amps} from A to B through the meter`;
  const where =
    s.to.kind === 'ground' && s.from.kind === 'contact'
      ? `at ${s.from.name}${ohms ? ' to ground' : ''}`
      : `${sayPoint(s.from)} to ${sayPoint(s.to)}`;
  const while_ =
    ohms && s.state !== 'off' ? `unplugged, ${HOLD[s.state][0].replace(/^unplugged, /, '')}` : WHILE[s.state];
  return `${WORD[s.kind]} ${where}${unpoweredSetting(s.kind) ? ',' : ''} ${while_}`;
}

function prefix(name: string, s: ReadingSpec): string {
  if (s.kind === 'look') return `${name} look`;
  // What is read of isolation alone says so where the state stands: it is always unplugged.
  const state = SETTING_WORDS[s.kind] ?? s.state;
  if (s.from.kind === 'mains')
    return `${s.to.kind === 'contact' ? `${name} mains to ${s.to.name}` : `mains to ${s.to.kind}`} ${state}`;
  const head = s.from.kind === 'ground' ? 'ground' : `${name} ${s.from.name}`;
  if (s.kind === 'amps') return `${name} short`;
  if (s.to.kind === 'ground') return `${head}${s.kind === 'ohms' ? ' to ground' : ''} ${s.state}`;
  if (s.to.kind === 'contact') return `${head}-${s.to.name} ${s.state}`;
  return `${head} to ${s.to.kind} ${state}`;
}
