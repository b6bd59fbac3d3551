import { MODEL_KINDS, type ModelKind, type ReadingSpec } from '../../../engines/circuit';
import { sayPoint, type Job, type Reading } from '../../../ground/job';
import { formatQuantity } from '../../../ground/quantity';
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
  'loaded-10k': 'with 10 kΩ across the tips',
  'turned-10k': 'with 10 kΩ across the tips, the plug turned round',
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
  'loaded-10k': ['unplugged', 'plugged in, 10 kΩ across the tips'],
  'turned-10k': ['unplugged', 'plugged in the other way round, 10 kΩ across the tips'],
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
    hold:
      s.kind === 'ohms' && pinReading
        ? `unplugged, ${job.survey.mains.mainSwitch === 'none' ? 'it has no main switch' : 'its own main switch closed'}`
        : HOLD[s.state][ohms || s.kind === 'look' || s.kind === 'insulation' ? 0 : 1],
    caution: cautionFor(s, job),
    notePrefix: prefix(name, s),
  };
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
  return `${WORD[s.kind]} ${where}${ohms ? ',' : ''} ${while_}`;
}

function cautionFor(s: ReadingSpec, job: Job): string {
  if (s.kind === 'insulation')
    return (
      'Licensed work: 500 V on every conductor that is joined. Plug pulled, ' +
      'live and neutral clipped together, nothing else connected.'
    );
  if (s.state === 'loaded-10k' && s.to.kind !== 'earth')
    return `Clip 10 kΩ across the tips. It may press the button: keep the machine safe to start. One hand in the pocket.${mainsOpen(job)}`;
  if (s.state === 'loaded-10k' || s.state === 'turned-10k')
    return 'Clip 10 kΩ, 1 W, across the tips before you go near; one hand in the pocket, a meter rated for the mains.';
  if (s.kind === 'look') return 'Plug pulled and in sight. No meter, no tool: only look and press.';
  if (s.kind === 'ohms' && [s.from, s.to].some((p) => p.kind === 'mains'))
    return 'Plug pulled and in sight; wait for capacitors to empty. Clip live and neutral of the plug together, one tip on the clip.';
  if (s.kind === 'ohms' || s.kind === 'continuity')
    return 'Plug pulled and in sight. Ohms on a live circuit harm the meter and the board.';
  if (s.kind === 'amps')
    return 'This presses the button. The machine may act: keep it safe to start. Lead back to the volts jack at once.';
  const moves =
    s.state === 'moving' || s.state === 'moving-back' ? ' Hands and cloth out of the way of what moves.' : '';
  return `One hand in the pocket, a meter rated for the mains, tips only where drawn.${moves}${mainsOpen(job)}`;
}

const mainsOpen = (job: Job): string =>
  job.wish.hazards.includes('mains')
    ? ' Mains is open inside: covers on what you do not probe, or leave it to someone licensed.'
    : '';

function prefix(name: string, s: ReadingSpec): string {
  if (s.kind === 'look') return `${name} look`;
  if (s.kind === 'insulation')
    return `${s.from.kind === 'ground' ? 'ground' : `${name} ${s.from.name}`} to ${s.to.kind} insulation`;
  if (s.from.kind === 'mains')
    return `${s.to.kind === 'contact' ? `${name} mains to ${s.to.name}` : `mains to ${s.to.kind}`} ${s.state}`;
  const head = s.from.kind === 'ground' ? 'ground' : `${name} ${s.from.name}`;
  if (s.kind === 'amps') return `${name} short`;
  if (s.to.kind === 'ground') return `${head}${s.kind === 'ohms' ? ' to ground' : ''} ${s.state}`;
  if (s.to.kind === 'contact') return `${head}-${s.to.name} ${s.state}`;
  return `${head} to ${s.to.kind} ${s.state}`;
}
