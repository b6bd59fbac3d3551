import { parseQuantity, type Quantity, type Unit } from '../quantity';
import type { JobEdit } from './edit';
import { nearestWord } from './nearest-word';
import type { Job, MachineState, Point, Reading, ReadingKind } from './types';
import { sayPlace, sayValue } from './words';

/** How a note line was understood: an edit to apply and the same in words, or where it went wrong. */
export type Understood =
  | { ok: true; edit: JobEdit; words: string; hint?: string }
  | { ok: false; at: number; message: string; suggestion?: string };

export interface NoteContext {
  /** Unique id for what the line adds. */
  id: string;
  /** ISO time. */
  now: string;
}

const STATE_NAMES: Record<string, MachineState> = {
  off: 'off', unplugged: 'off', idle: 'idle', on: 'idle', open: 'idle', pressed: 'pressed', running: 'running', always: 'always',
};
const FIXED_POINTS = ['ground', 'live', 'neutral', 'mains', 'earth'] as const;

interface Word {
  text: string;
  at: number;
}

class Misread extends Error {
  constructor(readonly at: number, message: string, readonly suggestion?: string) {
    super(message);
  }
}

/**
 * Understands one line as it is said at the bench; see docs/note-line.md for the grammar.
 * Never throws; a line that is not understood names the position of the word that does not fit and, where there is one, a likely meaning.
 */
export function readNoteLine(line: string, job: Job, context: NoteContext): Understood {
  try {
    const saying = /^\s*(note|wish|when|never)\s*:\s*(.*)$/is.exec(line);
    if (saying) return readSaying(saying[1]!.toLowerCase(), saying[2]!.trim(), line);
    const words = [...line.matchAll(/\S+/g)].map((m): Word => ({ text: m[0], at: m.index }));
    if (words.length === 0) throw new Misread(0, 'say a reading, for example: start A idle 4.98 V');
    if (words[0]!.text.toLowerCase() === 'control') return readControl(words, job, line);
    if (words[0]!.text.toLowerCase() === 'supply') return readSupply(words, line, context);
    return readReading(words, line, job, context);
  } catch (error) {
    if (!(error instanceof Misread)) throw error;
    return { ok: false, at: error.at, message: error.message, ...(error.suggestion ? { suggestion: error.suggestion } : {}) };
  }
}

function readSaying(word: string, text: string, line: string): Understood {
  if (!text) throw new Misread(line.length, `what is the ${word}?`);
  if (text.length > 2000) throw new Misread(2000, 'that is too long for one line; 2,000 characters fit');
  if (word === 'note') return { ok: true, edit: { do: 'note', text }, words: `a remark for the log: ${text}` };
  const field = word === 'wish' ? 'outcome' : (word as 'when' | 'never');
  const label = { outcome: 'what should happen', when: 'when', never: 'what must never happen' }[field];
  return { ok: true, edit: { do: 'change', section: 'wish', set: { [field]: text }, say: `${label}: ${text}` }, words: `${label}: ${text}` };
}

/** The id of a control is its name, so that the same notes always make the same job. */
const controlId = (name: string): string => `control-${name.toLowerCase()}`;

function readControl(words: Word[], job: Job, line: string): Understood {
  const name = line.slice(words[0]!.at + 7).trim();
  if (!name) throw new Misread(line.length, 'which name is on the control?');
  if (/[\s:]/.test(name)) throw new Misread(words[1]!.at, 'a control has a name of one word; join several with a dot, for example fan.up');
  if (job.controls.some((c) => c.name.toLowerCase() === name.toLowerCase())) throw new Misread(words[1]!.at, `the job already has a control ${name}`);
  return { ok: true, edit: { do: 'add-control', id: controlId(name), name }, words: `a control called ${name}` };
}

function readSupply(words: Word[], line: string, context: NoteContext): Understood {
  const name = words[1];
  if (!name) throw new Misread(line.length, 'which supply? for example: supply main 5.02 V always');
  const last = words[words.length - 1]!;
  const state = STATE_NAMES[last.text.toLowerCase()];
  if (!state || words.length < 4) throw new Misread(last.at, 'say at the end whether it is there always, idle, running or off', `${line.trimEnd()} always`);
  const quantity = readQuantity(line.slice(0, last.at), words[2]!.at, 'V');
  return reading(line, context, '', { kind: 'rail', name: name.text }, { kind: 'ground', name: '' }, state, quantity, undefined);
}

function readReading(words: Word[], line: string, job: Job, context: NoteContext): Understood {
  let i = 0;
  let control = '';
  const first = words[0]!;
  const firstPoint = fixedPoint(first.text);
  if (!firstPoint) {
    if (!/^[A-Za-z][\w.]*$/.test(first.text)) throw new Misread(first.at, 'begin with the name of a control, ground, supply or note:');
    const isPoint = /^[A-Z](-[A-Z])?$/i.test(first.text) && !job.controls.some((c) => c.name === first.text);
    if (isPoint && job.controls.length !== 1) throw new Misread(first.at, 'say which control first, for example: start A idle 4.98 V');
    control = isPoint ? job.controls[0]!.name : first.text;
    i = isPoint ? 0 : 1;
  }
  const known = job.controls.find((c) => c.name.toLowerCase() === control.toLowerCase());
  const near = control && !known ? nearestWord(control, job.controls.map((c) => c.name)) : undefined;
  const vocabulary = [...FIXED_POINTS, ...Object.keys(STATE_NAMES), 'short', 'A', 'B', 'A-B', 'to'];
  const replace = (w: Word, by: string): string => line.slice(0, w.at) + by + line.slice(w.at + w.text.length);
  const next = (what: string): Word => {
    const w = words[i++];
    if (!w) throw new Misread(line.length, `${what} is missing`);
    return w;
  };

  if (control && words[i]?.text.toLowerCase() === 'short') {
    const quantity = readQuantity(line, next('current').at + 5, 'A');
    return reading(line, context, control, contact('A'), contact('B'), 'idle', quantity, known?.id, near);
  }

  const from = next('where the probes are (A, B, A-B, A to neutral)');
  const pair = /^([A-Z0-9])-([A-Z0-9])$/i.exec(from.text);
  let a: Point | undefined;
  let b: Point | undefined;
  if (pair) {
    [a, b] = [contact(pair[1]!), contact(pair[2]!)];
  } else {
    if (!control) i = 1;
    a = firstPoint ?? pointOf(from.text);
    if (!a) throw new Misread(from.at, `"${from.text}" is no place for a probe; say A, B, A-B or ground`, suggest(from, vocabulary, replace));
    if (words[i]?.text.toLowerCase() === 'to') {
      i++;
      const to = next('where the second probe is');
      b = pointOf(to.text);
      if (!b) throw new Misread(to.at, `"${to.text}" is no place for a probe; say live, neutral, mains, earth or ground`, suggest(to, vocabulary, replace));
    } else b = { kind: 'ground', name: '' };
  }
  const stateWord = next('the state (off, idle, pressed, running)');
  const state = STATE_NAMES[stateWord.text.toLowerCase()];
  if (!state || state === 'always') throw new Misread(stateWord.at, `"${stateWord.text}" is no state; say off, idle, pressed or running`, suggest(stateWord, vocabulary, replace));
  const start = stateWord.at + stateWord.text.length;
  const quantity = readQuantity(line, start, state === 'off' ? 'Ω' : undefined);
  return reading(line, context, control, a, b, state, quantity, known?.id, near);
}

const contact = (name: string): Point => ({ kind: 'contact', name: name.toUpperCase() });
const fixedPoint = (text: string): Point | undefined => {
  const kind = FIXED_POINTS.find((k) => k === text.toLowerCase());
  return kind && { kind, name: '' };
};
const pointOf = (text: string): Point | undefined => fixedPoint(text) ?? (/^[A-Z]$/i.test(text) ? contact(text) : undefined);

function suggest(word: Word, vocabulary: readonly string[], replace: (w: Word, by: string) => string): string | undefined {
  const near = nearestWord(word.text, vocabulary);
  return near && replace(word, near);
}

function readQuantity(line: string, from: number, assumed: Unit | undefined): Quantity {
  const text = line.slice(from);
  let parsed = parseQuantity(text);
  if (!parsed.ok || parsed.quantity.unit === '1' || /[\dL]\s*[kMG]?$/i.test(text.trim())) parsed = parseQuantity(text, assumed ?? 'V');
  if (!parsed.ok) throw new Misread(from + parsed.at, parsed.message);
  return parsed.quantity;
}

const KIND_OF: Partial<Record<Unit, ReadingKind>> = { V: 'volts-dc', 'Ω': 'ohms', A: 'amps' };

function reading(
  line: string, context: NoteContext, control: string, from: Point, to: Point, state: MachineState, q: Quantity, knownId: string | undefined, near?: string,
): Understood {
  const kind = q.kind === 'ac' ? 'volts-ac' : KIND_OF[q.unit];
  if (!kind) throw new Misread(line.length, `${q.unit} is not what a meter shows here; say volts, ohms or amperes`);
  const refusal = refuse({ kind, value: q.value, state, from, to });
  if (refusal) throw new Misread(line.length, refusal);
  const id = knownId ?? (control ? controlId(control) : '');
  const r: Reading = {
    id: context.id, at: context.now, control: id, from, to, state, kind, relation: q.relation, value: q.value, digit: q.digit, by: 'hand', struck: false,
  };
  const said = `${control ? `${control}, ` : ''}${sayPlace(r)}, ${sayValue(r)}`;
  const edit: JobEdit = { do: 'add-reading', reading: r, say: said, ...(control ? { control: { id, name: control } } : {}) };
  const hint = control && !knownId ? `${control} is a new control${near ? `; did you mean ${near}?` : ''}` : undefined;
  return { ok: true, edit, words: said, ...(hint ? { hint } : {}) };
}

/** Why a reading cannot be what it says, or undefined where it can. */
export function refuse(r: Pick<Reading, 'kind' | 'value' | 'state' | 'from' | 'to'>): string | undefined {
  if (r.kind === 'ohms' && r.value < 0) return 'a resistance cannot be negative';
  if (r.kind === 'ohms' && (r.state === 'idle' || r.state === 'running')) return 'ohms are taken unplugged: say off, or pressed with the plug out';
  if (r.kind === 'volts-ac' && r.value < 0) return 'an AC voltage has no sign';
  if (r.from.kind === r.to.kind && r.from.name === r.to.name) return 'both probes are at the same place';
  if (r.kind.startsWith('volts') && Math.abs(r.value) > 1000) return 'over 1000 V is beyond a hand-held meter and beyond this tool';
  if (r.kind === 'amps' && Math.abs(r.value) > 20) return 'over 20 A is beyond a hand-held meter';
  return undefined;
}
