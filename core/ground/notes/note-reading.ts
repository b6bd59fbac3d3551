import { firstItem, itemAt } from '../lists';
import { parseQuantity, type Quantity, type Unit, own, formatQuantity } from '../quantity';
import {
  type JobEdit,
  LOOKS,
  type Job,
  type Look,
  type MachineState,
  type Point,
  type Reading,
  type Meter,
  type ReadingKind,
  type Strip,
  sayPlace,
  sayValue,
} from '../job';
import { nearestWord } from './nearest-word';
import { typedValue } from './typed-value';
import { Cursor, Misread, type NoteContext, type Understood, type Word } from './note-words';

/** Words of the grammar for how the machine stands. */
export const STATE_NAMES: Record<string, MachineState> = {
  off: 'off',
  unplugged: 'off',
  idle: 'idle',
  on: 'idle',
  open: 'idle',
  pressed: 'pressed',
  held: 'pressed',
  released: 'released',
  neighbour: 'neighbour',
  neighbor: 'neighbour',
  turning: 'turning',
  turned: 'turning',
  moving: 'moving',
  'moving-back': 'moving-back',
  loaded: 'loaded',
  running: 'running',
  always: 'always',
  'plug-turned': 'plug-turned',
  'loaded-10k': 'loaded-10k',
  'turned-10k': 'turned-10k',
  'loaded-100k': 'loaded-100k',
  'turned-100k': 'turned-100k',
};
/** Said where the state stands, for settings that are read unplugged and to mains pins alone. */
export const SETTING_WORDS: Partial<Record<ReadingKind, string>> = {
  insulation: 'insulation',
  diode: 'diode',
  battery: 'battery',
};
const FIXED_POINTS = ['ground', 'live', 'neutral', 'mains', 'earth'] as const;
const SAYINGS: Record<string, 'beep' | 'silent'> = { beep: 'beep', beeps: 'beep', silent: 'silent' };
const EFFECTS: Record<string, 'acts' | 'nothing'> = { acts: 'acts', moves: 'acts', nothing: 'nothing' };

const MAINS_PINS: readonly Point['kind'][] = ['live', 'neutral', 'mains'];

/** The id of a control is its name, so that the same notes always make the same job. */
export const controlId = (name: string): string => `control-${name.toLowerCase()}`;

/** Whose reading it is: a control that is there or comes with the line, a strip, or the whole machine. */
interface Owner {
  readonly id: string;
  readonly name: string;
  readonly isNew: boolean;
  readonly strip: Strip | undefined;
}

const contact = (name: string): Point => ({ kind: 'contact', name: name.toUpperCase() });
const fixedPoint = (text: string): Point | undefined => {
  const kind = FIXED_POINTS.find((k) => k === text.toLowerCase());
  return kind && { kind, name: '' };
};
const terminal = (text: string, owner: Owner): boolean =>
  owner.strip
    ? /^\d\d?$/.test(text) && Number(text) >= 1 && Number(text) <= owner.strip.wires.length
    : /^[A-Z]$/i.test(text);

/** A reading as it is said: whose, where, in which state, how much. */
export function readReading(words: Word[], line: string, job: Job, context: NoteContext): Understood {
  const first = firstItem(words);
  const machine = fixedPoint(first.text);
  const owner = machine ? { id: '', name: '', isNew: false, strip: undefined } : ownerOf(first, job);
  const bare = !machine && owner.name !== first.text && !owner.strip;
  const at = new Cursor(line, words, machine || bare ? 0 : 1);
  const top = job.survey.meter.mostOhms;
  const finish = (r: Omit<Reading, 'id' | 'at' | 'control' | 'by' | 'struck'>, end = line.length): Understood =>
    keep(r, owner, job, context, end);

  if (at.peek() === 'look') return finish(look(at));
  if (at.peek() === 'jumper') return finish(jumper(at, owner));
  if (at.peek() === 'short') {
    at.skip();
    return finish(numeric(contact('A'), contact('B'), 'idle', quantity(at, 'A', top)));
  }
  const [from, to] = places(at, owner, machine);
  const stateWord = at.next('the state (off, idle, pressed, running)');
  const setting = (Object.keys(SETTING_WORDS) as ReadingKind[]).find(
    (k) => SETTING_WORDS[k] === stateWord.text.toLowerCase(),
  );
  if (setting) return finish(bySetting(setting, from, to, at, job.survey.meter));
  const state = own(STATE_NAMES, stateWord.text.toLowerCase());
  if (!state || state === 'always')
    throw new Misread(
      stateWord.at,
      `"${stateWord.text}" is no state; say off, idle, pressed, released, turning, moving or running`,
      at.suggest(stateWord, Object.keys(STATE_NAMES)),
    );
  const saying = SAYINGS[at.peek()];
  if (saying) return finish({ from, to, state, kind: 'continuity', relation: '=', value: 0, digit: 0, said: saying });
  return finish(numeric(from, to, state, quantity(at, state === 'off' ? 'Ω' : undefined, top)));
}

function ownerOf(first: Word, job: Job): Owner {
  const strip = job.survey.strips.find((s) => s.name.toLowerCase() === first.text.toLowerCase());
  if (strip) return { id: strip.id, name: strip.name, isNew: false, strip };
  if (!/^[A-Za-z][\w.]*$/.test(first.text) && !/^[A-Z]-[A-Z]$/i.test(first.text))
    throw new Misread(first.at, 'begin with the name of a control, ground, supply or note:');
  const isPoint = /^[A-Z](-[A-Z])?$/i.test(first.text) && !job.controls.some((c) => c.name === first.text);
  if (isPoint && job.controls.length !== 1)
    throw new Misread(first.at, 'say which control first, for example: start A idle 4.98 V');
  const name = isPoint ? firstItem(job.controls).name : first.text;
  const known = job.controls.find((c) => c.name.toLowerCase() === name.toLowerCase());
  return { id: known?.id ?? controlId(name), name, isNew: !known, strip: undefined };
}

function places(at: Cursor, owner: Owner, machine: Point | undefined): [Point, Point] {
  const vocabulary = [...FIXED_POINTS, ...Object.keys(STATE_NAMES), 'short', 'look', 'jumper', 'A', 'B', 'A-B', 'to'];
  const from = at.next(
    owner.strip ? 'where the probes are (3-4, 3 to earth)' : 'where the probes are (A, B, A-B, A to neutral)',
  );
  const pair = /^(\w{1,2})-(\w{1,2})$/.exec(from.text);
  if (pair && terminal(itemAt(pair, 1), owner) && terminal(itemAt(pair, 2), owner))
    return [contact(itemAt(pair, 1)), contact(itemAt(pair, 2))];
  const point = (text: string): Point | undefined =>
    fixedPoint(text) ?? (terminal(text, owner) ? contact(text) : undefined);
  const a = machine ?? point(from.text);
  if (!a)
    throw new Misread(
      from.at,
      `"${from.text}" is no place for a probe; say ` +
        `${owner.strip ? `a terminal from 1 to ${owner.strip.wires.length}, or two as 3-4` : 'A, B, A-B or ground'}`,
      at.suggest(from, vocabulary),
    );
  if (at.peek() !== 'to') return [a, { kind: 'ground', name: '' }];
  at.skip();
  const to = at.next('where the second probe is');
  const b = point(to.text);
  if (!b)
    throw new Misread(
      to.at,
      `"${to.text}" is no place for a probe; say live, neutral, mains, earth or ground`,
      at.suggest(to, vocabulary),
    );
  return [a, b];
}

type Said = Omit<Reading, 'id' | 'at' | 'control' | 'by' | 'struck'>;

function look(at: Cursor): Said {
  at.skip();
  const { text, at: where } = at.rest();
  const said = LOOKS.find((l) => l === text.toLowerCase().replace(/\s+/g, '-'));
  if (!said) throw new Misread(where, `say what it does: ${LOOKS.join(', ')}`, nearestLook(at.line, where, text));
  return { from: contact('A'), to: contact('B'), state: 'off', kind: 'look', relation: '=', value: 0, digit: 0, said };
}

function nearestLook(line: string, where: number, text: string): string | undefined {
  const near = nearestWord(text.replace(/\s+/g, '-'), LOOKS) as Look | undefined;
  return near && line.slice(0, where) + near;
}

function jumper(at: Cursor, owner: Owner): Said {
  at.skip();
  const between = /^(\w{1,2})-(\w{1,2})$/.exec(at.peek());
  if (between) at.skip();
  const [a, b] = between ? [itemAt(between, 1), itemAt(between, 2)] : ['A', 'B'];
  if (!terminal(a, owner) || !terminal(b, owner))
    throw new Misread(
      at.rest().at,
      owner.strip ? 'say which two terminals, for example: back jumper 3-4 1k nothing' : 'the jumper joins A and B',
    );
  const ohms = at.next('the resistor of the jumper, or wire');
  const parsed =
    ohms.text.toLowerCase() === 'wire'
      ? ({ ok: true, quantity: { value: 0 } } as const)
      : parseQuantity(ohms.text, 'Ω');
  if (!parsed.ok) throw new Misread(ohms.at + parsed.at, parsed.message);
  const effect = at.next('what the machine did (acts or nothing)');
  const said = own(EFFECTS, effect.text.toLowerCase());
  if (!said)
    throw new Misread(
      effect.at,
      `"${effect.text}" is no answer; say acts or nothing`,
      at.suggest(effect, Object.keys(EFFECTS)),
    );
  return {
    from: contact(a),
    to: contact(b),
    state: 'idle',
    kind: 'jumper',
    relation: '=',
    value: parsed.quantity.value,
    digit: 0,
    said,
  };
}

const KIND_OF: Partial<Record<Unit, ReadingKind>> = { V: 'volts-dc', Ω: 'ohms', A: 'amps', Hz: 'hertz', '%': 'duty' };

function numeric(from: Point, to: Point, state: MachineState, q: { quantity: Quantity; at: number }): Said {
  const kind = q.quantity.kind === 'ac' ? 'volts-ac' : KIND_OF[q.quantity.unit];
  if (!kind)
    throw new Misread(
      q.at,
      `${q.quantity.unit} is not what a meter shows here; say volts, ohms, amperes, hertz or percent`,
    );
  const scale = kind === 'duty' ? 0.01 : 1;
  return {
    from,
    to,
    state,
    kind,
    relation: q.quantity.relation,
    value: q.quantity.value * scale,
    digit: q.quantity.digit * scale,
    said: '',
  };
}

/** The quantity at the end of a line; `assumed` is its unit where none is typed, `topOhms` where the meter's ohms end. */
export function quantityAt(line: string, from: number, assumed: Unit | undefined, topOhms: number): Quantity {
  const text = line.slice(from);
  let parsed = parseQuantity(text);
  // Nobody says kilovolts or megavolts at a bench, and over range is the ohms setting's word.
  const bare = /[kKMG]\s*$|\bOL\s*$/.test(text) ? 'Ω' : 'V';
  if (!parsed.ok || parsed.quantity.unit === '1' || /[\dL]\s*[kMG]?$/i.test(text.trim()))
    parsed = parseQuantity(text, assumed ?? bare, topOhms);
  if (!parsed.ok) throw new Misread(from + parsed.at, parsed.message);
  return parsed.quantity;
}

function quantity(at: Cursor, assumed: Unit | undefined, topOhms: number): { quantity: Quantity; at: number } {
  const { at: where } = at.rest();
  return { quantity: quantityAt(at.line, where, assumed, topOhms), at: at.line.length };
}

/** A reading on a setting that is told where the state stands. */
function bySetting(kind: ReadingKind, from: Point, to: Point, at: Cursor, meter: Meter): Said {
  const { at: where, text } = at.rest();
  const parsed = typedValue(kind, text, meter);
  if (!parsed.ok) throw new Misread(where + parsed.at, parsed.message);
  const { relation, value, digit } = parsed.quantity;
  return { from, to, state: 'off', kind, relation, value, digit, said: '' };
}

function keep(said: Said, owner: Owner, job: Job, context: NoteContext, end: number): Understood {
  const refusal = refuse(said, job.survey.meter);
  if (refusal) throw new Misread(end, refusal);
  const r: Reading = { id: context.id, at: context.now, control: owner.id, by: 'hand', struck: false, ...said };
  const words = `${owner.name ? `${owner.name}, ` : ''}${sayPlace(r)}, ${sayValue(r)}`;
  const fresh = owner.id !== '' && !owner.strip;
  const edit: JobEdit = {
    do: 'add-reading',
    reading: r,
    say: words,
    ...(fresh ? { control: { id: owner.id, name: owner.name } } : {}),
  };
  const near = owner.isNew
    ? nearestWord(
        owner.name,
        job.controls.map((c) => c.name),
      )
    : undefined;
  return {
    ok: true,
    edit,
    words,
    ...(owner.isNew ? { hint: `${owner.name} is a new control${near ? `; did you mean ${near}?` : ''}` } : {}),
  };
}

type Told = Pick<Reading, 'kind' | 'value' | 'state' | 'from' | 'to'>;

/** States in which the machine has power. */
const POWERED: readonly Reading['state'][] = ['idle', 'running', 'moving', 'moving-back'];
/** Kinds that an unplugged machine has nothing of. */
const NEEDS_POWER: readonly Reading['kind'][] = ['amps', 'hertz', 'duty', 'jumper'];
/** Kinds whose value has no sign, and what is said of one. */
const UNSIGNED: Partial<Record<Reading['kind'], string>> = {
  ohms: 'a resistance cannot be negative',
  insulation: 'a resistance cannot be negative',
  'volts-ac': 'an AC voltage has no sign',
  diode: 'a diode range shows no negative volts: something is still charged; wait, and read again',
  hertz: 'a frequency has no sign',
};
/** A fresh battery of 24 V shows this at most, V. */
export const MOST_BATTERY_VOLTS = 30;
export const OVER_BATTERY = 'a battery of 9 to 24 V shows no more than 30 V: is the machine unplugged?';
const OVER_VOLTS = 'over 1000 V is beyond a hand-held meter and beyond this tool';
/** The most that a hand-held meter reads, by kind. */
const BEYOND: Partial<Record<Reading['kind'], { readonly most: number; readonly why: string }>> = {
  'volts-dc': { most: 1000, why: OVER_VOLTS },
  'volts-ac': { most: 1000, why: OVER_VOLTS },
  diode: {
    most: 4,
    why: 'no diode range shows over 4 V: 612 mV are 0.612 V; a meter without such a range leaves this reading out',
  },
  battery: { most: MOST_BATTERY_VOLTS, why: OVER_BATTERY },
  amps: { most: 20, why: 'over 20 A is beyond a hand-held meter' },
  hertz: { most: 50e6, why: 'over 50 MHz is beyond a hand-held meter' },
};
/** A meter's last digits go a little over its stated end, as a share of it. */
const OVERRANGE = 1.001;

/** What rules a reading out, in the order in which it is told. */
const REFUSALS: readonly ((r: Told, meter: Meter) => string | undefined)[] = [
  (r) => (r.value < 0 ? UNSIGNED[r.kind] : undefined),
  (r, meter) =>
    r.kind === 'ohms' && r.value > OVERRANGE * meter.mostOhms
      ? `${meter.name} ends at ${formatQuantity(meter.mostOhms, 'Ω')} and cannot ` +
        'show that: say OL, or enter the meter that did under meter'
      : undefined,
  (r) =>
    own(SETTING_WORDS, r.kind) && ![r.from, r.to].some((p) => MAINS_PINS.includes(p.kind))
      ? r.kind === 'insulation'
        ? 'an insulation test goes to live, neutral or both together, done by whoever may'
        : 'this is read between a place and live, neutral or both together'
      : undefined,
  (r) =>
    (r.kind === 'ohms' || r.kind === 'continuity') && POWERED.includes(r.state)
      ? 'ohms are taken unplugged: say off, or pressed with the plug out'
      : undefined,
  (r) => (r.kind === 'duty' && (r.value < 0 || r.value > 1) ? 'a share of time lies between 0 and 100 %' : undefined),
  (r) =>
    r.state === 'off' && NEEDS_POWER.includes(r.kind)
      ? 'unplugged there is nothing of this to read: say idle, pressed or running'
      : undefined,
  (r) =>
    r.kind !== 'look' && r.from.kind === r.to.kind && r.from.name === r.to.name
      ? 'both probes are at the same place'
      : undefined,
  (r) => {
    const beyond = BEYOND[r.kind];
    return beyond && Math.abs(r.value) > beyond.most ? beyond.why : undefined;
  },
];

/** Why a reading cannot be what it says with this meter, or undefined where it can. */
export function refuse(r: Told, meter: Meter): string | undefined {
  for (const rule of REFUSALS) {
    const why = rule(r, meter);
    if (why) return why;
  }
  return undefined;
}
