import { firstItem, itemAt, lastItem, present } from '../lists';
import {
  freeId,
  freshHand,
  freshPress,
  freshSense,
  freshSign,
  HAND_KINDS,
  lineId,
  MOST_GPIO,
  ownersOf,
  SENSE_KINDS,
  SIGN_KINDS,
  SIGN_MEANINGS,
  stepOf,
  WAYS,
  withSteps,
  type Hand,
  type Job,
  type JobEdit,
  type Press,
  type Sense,
  type Sign,
  type Way,
  machineOf,
  withMachine,
  withTiming,
} from '../job';
import { parseQuantity } from '../quantity';
import { Misread, type Understood, type Word } from './note-words';

const yes = (edit: JobEdit, words: string): Understood => ({ ok: true, edit, words });
const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** Several words that a job knows as one name, from the longest; null where none begins here. */
function named<T extends { readonly name: string }>(
  words: readonly Word[],
  from: number,
  list: readonly T[],
): { of: T; next: number } | null {
  for (let to = words.length; to > from; to--) {
    const text = words
      .slice(from, to)
      .map((w) => w.text)
      .join(' ');
    const of = list.find((x) => same(x.name, text));
    if (of) return { of, next: to };
  }
  return null;
}

const restOf = (words: readonly Word[], from: number): string =>
  words
    .slice(from)
    .map((w) => w.text)
    .join(' ');

/**
 * Lines about the whole machine: `press stop`, `press lid by optocoupler`, `pin lid 5`, `hand stop`, `sign lamp armed`,
 * `sense light tank`, `step lid 0.2 s`, `step wait 2 s`, `travel up 21.4 s`, `runs 25 min`. Null for a line that is none of them, so
 * that it may be a reading.
 */
export function readMachine(words: readonly Word[], job: Job, line: string): Understood | null {
  switch (firstItem(words).text.toLowerCase()) {
    case 'press':
      return readPress(words, job, line);
    case 'pin':
      return readPin(words, job, line);
    case 'hand':
      return readHand(words, job, line);
    case 'sign':
      return readSign(words, job, line);
    case 'sense':
      return readSense(words, job, line);
    case 'step':
      return readStep(words, job, line);
    case 'travel':
    case 'travels':
    case 'run':
    case 'runs':
      return readTiming(words, job, line);
    default:
      return null;
  }
}

/** Whether a line names a press, sense, hand or sign of the job in the way of these lines: then it is no reading, even where it fails. */
export function speaksOfMachine(words: readonly Word[], job: Job): boolean {
  const first = words[0]?.text.toLowerCase();
  if (first === 'pin') return named(words, 1, ownersOf(job)) !== null;
  if (first === 'step') return same(words[1]?.text ?? '', 'wait') || named(words, 1, job.presses) !== null;
  const press = first === 'press' ? named(words, 1, job.presses) : null;
  return press !== null && (words[press.next]?.text.toLowerCase() ?? 'by') === 'by';
}

/** `press stop`: one more press of a control; `press lid by optocoupler`: its way. */
function readPress(words: readonly Word[], job: Job, line: string): Understood | null {
  const known = named(words, 1, job.presses);
  if (known && words[known.next]?.text.toLowerCase() === 'by') return readWay(words, known.next + 1, known.of, line);
  const control = named(words, 1, job.controls);
  if (!control) return null;
  if (words[control.next])
    throw new Misread(itemAt(words, control.next).at, 'nothing more belongs here; a way follows “by”');
  const twin = job.presses.filter((p) => p.control === control.of.id).length;
  const name = twin === 0 ? control.of.name : `${control.of.name} ${twin + 1}`;
  const item = freshPress(freeId(job, name), name, control.of.id);
  return yes(
    { do: 'put', list: 'presses', item, say: `one more press: ${name}` },
    `one more press of ${control.of.name}, called ${name}`,
  );
}

function readWay(words: readonly Word[], from: number, press: Press, line: string): Understood {
  const text = restOf(words, from).toLowerCase().replaceAll(' ', '-');
  const way = WAYS.find((w) => w === text);
  if (!way) throw new Misread(words[from]?.at ?? line.length, `say one of ${WAYS.join(', ')}`);
  const said = `${press.name} by ${(way satisfies Way).replaceAll('-', ' ')}`;
  return yes(
    {
      do: 'set',
      at: 'press',
      of: press.id,
      set: { way, resistorOhms: null },
      say: `way of pressing: ${way.replaceAll('-', ' ')}`,
    },
    said,
  );
}

/** `pin lid 5`, `pin motor K2 14`, `pin lid none`. */
function readPin(words: readonly Word[], job: Job, line: string): Understood | null {
  const owner = named(words, 1, ownersOf(job));
  if (!owner) return null;
  const last = lastItem(words);
  if (words.length === owner.next) throw new Misread(line.length, 'on which pin? say its chip number, or none');
  const part = words
    .slice(owner.next, -1)
    .map((w) => w.text)
    .join(' ');
  const id = lineId(owner.of.id, part);
  const name = part ? `${owner.of.name} ${part}` : owner.of.name;
  if (same(last.text, 'none')) {
    if (!job.board.pins.some((p) => p.line === id)) throw new Misread(last.at, `${name} has no pin`);
    return yes({ do: 'drop', list: 'board.pins', key: id, say: `no pin for ${name}` }, `no pin for ${name}`);
  }
  const gpio = Number(last.text);
  if (!Number.isInteger(gpio) || gpio < 0 || gpio > MOST_GPIO)
    throw new Misread(last.at, 'a pin is a chip number such as 5, or none');
  const said = `${name} on pin ${gpio}`;
  return yes({ do: 'put', list: 'board.pins', item: { line: id, gpio, fixed: true }, say: said }, said);
}

/** What a kind is, and what the rest of the line calls it. */
function kindAndName<K extends string>(
  words: readonly Word[],
  kinds: readonly K[],
  usual: Readonly<Partial<Record<K, string>>>,
  line: string,
): { kind: K; name: string; rest: string } {
  const word = words[1];
  const kind = kinds.find((k) => word && same(k, word.text));
  if (!kind) throw new Misread(word?.at ?? line.length, `say ${kinds.join(', ')}`);
  const [name, ...rest] = restOf(words, 2).split(':');
  return { kind, name: name?.trim() || (usual[kind] ?? kind), rest: rest.join(':').trim() };
}

function readHand(words: readonly Word[], job: Job, line: string): Understood {
  const { kind, name } = kindAndName<Hand['kind']>(words, HAND_KINDS, { arm: 'arm switch' }, line);
  const item = {
    ...freshHand(freeId(job, name), name),
    kind,
    latching: kind === 'arm' || kind === 'stop' || kind === 'mode',
  };
  return yes(
    { do: 'put', list: 'hands', item, say: `at the controller: ${name}` },
    `a hand at the controller, ${kind}, called ${name}`,
  );
}

/** `sign lamp armed`: a lamp or a beeper, and what it means. */
function readSign(words: readonly Word[], job: Job, line: string): Understood {
  const { kind, name: said } = kindAndName<Sign['kind']>(words, SIGN_KINDS, {}, line);
  const means = SIGN_MEANINGS.find((m) => same(said, m) || same(said, m.replaceAll('-', ' '))) ?? null;
  const name = means || said === kind ? kind : said;
  const base = freshSign(freeId(job, name), name);
  const item = { ...base, kind, means: means ?? base.means, amps: kind === 'beeper' ? 0.03 : base.amps };
  return yes(
    { do: 'put', list: 'signs', item, say: `a sign: ${name}, ${item.means}` },
    `a ${kind} that means ${item.means.replaceAll('-', ' ')}, called ${name}`,
  );
}

/** `sense light tank: the tank is full`. */
function readSense(words: readonly Word[], job: Job, line: string): Understood {
  const { kind, name, rest } = kindAndName<Sense['kind']>(words, SENSE_KINDS, {}, line);
  const item: Sense = { ...freshSense(freeId(job, name), name), kind, tells: 'other', meaning: rest };
  return yes(
    { do: 'put', list: 'senses', item, say: `a sense: ${name}, ${kind}` },
    `a sense, ${kind}, called ${name}${rest ? `, tells: ${rest}` : ''}`,
  );
}

/** The time that stands at a place of a line, s. Throws Misread where none does. */
function howLong(typed: string, at: number): number {
  const q = parseQuantity(typed, 's');
  if (!q.ok) throw new Misread(at + (q.at ?? 0), 'for how long? say for example 0.2 s');
  if (q.quantity.unit !== 's' || q.quantity.value < 0) throw new Misread(at, 'say seconds, minutes or hours');
  return q.quantity.value;
}

/** `step lid 0.2 s`, `step wait 2 s`: one more step of the press script. */
function readStep(words: readonly Word[], job: Job, line: string): Understood | null {
  const waits = same(words[1]?.text ?? '', 'wait');
  const press = waits ? null : named(words, 1, job.presses);
  if (!waits && !press) return null;
  const from = waits ? 2 : present(press).next;
  const at = words[from]?.at ?? line.length;
  const typed = line.slice(at).trim();
  const seconds = howLong(typed, at);
  const step = press ? stepOf('press', { press: press.of.id, seconds }) : stepOf('wait', { press: '', seconds });
  const steps = job.act.moves[0]?.steps ?? [];
  const said = press ? `press ${press.of.name} for ${typed}` : `wait for ${typed}`;
  return yes(withSteps(job, [...steps, step], said), `step ${steps.length + 1}: ${said}`);
}

/** Words for the way back, beside those for the way there. */
const BACK: readonly string[] = ['back', 'down', 'closing', 'shut'];
const THERE: readonly string[] = ['up', 'there', 'opening', 'open'];

/** `travel up 21.4 s`, `travel down 19 s`, `runs 25 min`: one more timing of the first part; its time is their mean. */
function readTiming(words: readonly Word[], job: Job, line: string): Understood | null {
  const travels = firstItem(words).text.toLowerCase().startsWith('travel');
  const way = words[1]?.text.toLowerCase() ?? '';
  const said = BACK.includes(way) || THERE.includes(way);
  if (travels !== said) return null;
  const from = travels ? 2 : 1;
  const at = words[from]?.at ?? line.length;
  const q = parseQuantity(line.slice(at).trim(), 's');
  if (!q.ok) return travels ? fail(at + (q.at ?? 0)) : null;
  if (q.quantity.unit !== 's' || q.quantity.value <= 0) return travels ? fail(at) : null;
  return oneMoreTiming(job, BACK.includes(way) ? 'back' : 'run', travels, q.quantity.value, line.slice(at).trim());
}

/** One more timing of a part; its time becomes the mean of them all. */
function oneMoreTiming(job: Job, of: 'run' | 'back', travels: boolean, seconds: number, typed: string): Understood {
  const timed = withTiming(machineOf(job), of, seconds);
  const own = timed.timings.filter((t) => t.of === of);
  const what = travels ? (of === 'back' ? 'travel back' : 'travel') : 'run';
  const text = `${what} timed: ${typed}`;
  return yes(withMachine(job, timed, text), `${text}, ${own.length === 1 ? 'once' : `${own.length} times`} now`);
}

const fail = (at: number): never => {
  throw new Misread(at, 'how long? say for example 21.4 s');
};
