import { firstItem, itemAt, lastItem } from '../lists';
import { formatQuantity, own } from '../quantity';
import { controlId, MOST_BATTERY_VOLTS, OVER_BATTERY, quantityAt, readReading, STATE_NAMES } from './note-reading';
import { FILLER_WORDS } from './lexicon';
import { typedValue } from './typed-value';
import { translated } from './natural';
import { readMachine, speaksOfMachine } from './note-machine';
import { Misread, wordsOf, type NoteContext, type Understood, type Word } from './note-words';
import { type Job, type MainsSide, type Reading, type Strip, sayPlace, sayValue } from '../job';

/**
 * Understands one line as it is said at the bench; see docs/note-line.md for the grammar, and for the words that may stand around it.
 * Never throws; a line that is not understood names the position of the word that does not fit, with a line that would be understood
 * beside it: a near one, or the same as a remark.
 */
export function readNoteLine(line: string, job: Job, context: NoteContext): Understood {
  const strict = readGrammar(line, job, context);
  if (strict.ok && !startsOddly(line, strict)) return strict;
  if (!strict.ok && speaksOfMachine(wordsOf(line), job)) return offering(strict, line, job, context);
  const said = translated(line, job);
  const natural = said && readGrammar(said.line, job, context);
  if (natural?.ok) {
    const hints = [natural.hint, said?.taken].filter(Boolean).join('; ');
    return { ok: true, edit: natural.edit, words: natural.words, ...(hints ? { hint: hints } : {}) };
  }
  return strict.ok ? strict : offering(strict, line, job, context);
}

/** A line that makes a control of a word which nobody would call one so. */
const startsOddly = (line: string, u: Understood & { readonly ok: true }): boolean => {
  const [first = ''] = line.trim().toLowerCase().split(/\s+/);
  return u.edit.do === 'add-reading' && u.hint !== undefined && FILLER_WORDS.has(first);
};

/** Only what would be understood is offered; what is no reading may be a remark. */
function offering(no: Understood & { readonly ok: false }, line: string, job: Job, context: NoteContext): Understood {
  const { ok, at, message, suggestion } = no;
  if (suggestion && readGrammar(suggestion, job, context).ok) return no;
  const words = line.trim().split(/\s+/);
  const remark = words.length > 1 && !line.includes(':') ? `note: ${line.trim()}` : '';
  return { ok, at, message, ...(remark && readGrammar(remark, job, context).ok ? { suggestion: remark } : {}) };
}

function readGrammar(line: string, job: Job, context: NoteContext): Understood {
  try {
    const saying = /^\s*(note|wish|when|never)\s*:\s*(.*)$/is.exec(line);
    if (saying) return readSaying(itemAt(saying, 1).toLowerCase(), itemAt(saying, 2).trim(), line);
    return readWords(wordsOf(line), line, job, context);
  } catch (error) {
    if (!(error instanceof Misread)) throw error;
    return {
      ok: false,
      at: error.at,
      message: error.message,
      ...(error.suggestion ? { suggestion: error.suggestion } : {}),
    };
  }
}

function readWords(words: Word[], line: string, job: Job, context: NoteContext): Understood {
  const [first, second = '', third = ''] = words.map((w) => w.text.toLowerCase());
  switch (first) {
    case undefined:
      throw new Misread(0, 'say a reading, for example: start A idle 4.98 V');
    case 'control':
      return readControl(words, job, line);
    case 'supply':
      return readSupply(words, line, context);
    case 'strip':
      return readStrip(words, job, line);
    case 'mains':
      // "mains to ground off 3M" is a reading, red on the pins; everything else answers what is asked of the mains side.
      return second === 'to' ? readReading(words, line, job, context) : readMains(words, line);
  }
  const machine = readMachine(words, job, line);
  if (machine) return machine;
  return /^\d+$/.test(second) && third === 'wire' ? readWire(words, job, line) : readReading(words, line, job, context);
}

/** What fits in one line, in a colour's name, and on a strip. */
const MOST_LETTERS = 2000;
const MOST_COLOUR_LETTERS = 40;
const MOST_TERMINALS = 12;

function readSaying(word: string, text: string, line: string): Understood {
  if (!text) throw new Misread(line.length, `what is the ${word}?`);
  if (text.length > MOST_LETTERS)
    throw new Misread(MOST_LETTERS, 'that is too long for one line; 2,000 characters fit');
  if (word === 'note') return { ok: true, edit: { do: 'note', text }, words: `a remark for the log: ${text}` };
  const field = word === 'wish' ? 'outcome' : (word as 'when' | 'never');
  const label = { outcome: 'what should happen', when: 'when', never: 'what must never happen' }[field];
  return {
    ok: true,
    edit: { do: 'set', at: 'wish', set: { [field]: text }, say: `${label}: ${text}` },
    words: `${label}: ${text}`,
  };
}

/** Refuses a name that is taken, or that could not be told from the rest of a line. */
function checkName(name: string, at: number, job: Job): void {
  if (!/^[A-Za-z][\w.]*$/.test(name))
    throw new Misread(at, 'a name is one word that begins with a letter; join several with a dot, for example fan.up');
  if (job.controls.some((c) => c.name.toLowerCase() === name.toLowerCase()))
    throw new Misread(at, `the job already has a control ${name}`);
  if (job.survey.strips.some((s) => s.name.toLowerCase() === name.toLowerCase()))
    throw new Misread(at, `the job already has a strip ${name}`);
}

function readControl(words: Word[], job: Job, line: string): Understood {
  const name = line.slice(firstItem(words).at + 'control'.length).trim();
  if (!name) throw new Misread(line.length, 'which name is on the control?');
  checkName(name, itemAt(words, 1).at, job);
  return { ok: true, edit: { do: 'add-control', id: controlId(name), name }, words: `a control called ${name}` };
}

function readStrip(words: Word[], job: Job, line: string): Understood {
  const [, name, count, ...rest] = words;
  if (!name || !count)
    throw new Misread(line.length, 'say its name and how many terminals it has, for example: strip back 6');
  checkName(name.text, name.at, job);
  const n = Number(count.text);
  if (!Number.isInteger(n) || n < 2 || n > MOST_TERMINALS) throw new Misread(count.at, 'a strip has 2 to 12 terminals');
  if (rest[0]) throw new Misread(rest[0].at, 'nothing more belongs here');
  const strip: Strip = {
    id: `strip-${name.text.toLowerCase()}`,
    name: name.text,
    wires: Array.from({ length: n }, () => ''),
  };
  const said = `a strip called ${name.text} with ${n} terminals`;
  return {
    ok: true,
    edit: { do: 'put', list: 'survey.strips', item: strip, say: said },
    words: said,
  };
}

/** `back 3 wire green`: what is seen at a terminal. */
function readWire(words: Word[], job: Job, line: string): Understood {
  const strip = job.survey.strips.find((s) => s.name.toLowerCase() === firstItem(words).text.toLowerCase());
  if (!strip)
    throw new Misread(
      firstItem(words).at,
      `there is no strip ${firstItem(words).text}; make it with: strip ${firstItem(words).text} 6`,
    );
  const n = Number(itemAt(words, 1).text);
  if (!Number.isInteger(n) || n < 1 || n > strip.wires.length)
    throw new Misread(itemAt(words, 1).at, `${strip.name} has terminals 1 to ${strip.wires.length}`);
  const [, , , seen] = words;
  const colour = seen ? line.slice(seen.at).trim() : '';
  if (!colour || colour.length > MOST_COLOUR_LETTERS) throw new Misread(line.length, 'which colour has the wire?');
  const said = `${strip.name}, wire at terminal ${n}: ${colour}`;
  const item = { ...strip, wires: strip.wires.map((w, i) => (i === n - 1 ? colour : w)) };
  return { ok: true, edit: { do: 'put', list: 'survey.strips', item, say: said }, words: said };
}

/** How the machine meets mains: the word said, what it sets, and what that means. */
const MAINS_WORDS: Readonly<
  Record<string, Readonly<Record<string, readonly [set: Partial<MainsSide>, words: string]>>>
> = {
  plug: {
    turns: [{ feed: 'plug-turns' }, 'a plug that goes in either way round'],
    'one-way': [{ feed: 'plug-one-way' }, 'a plug that goes in one way only'],
    wired: [{ feed: 'wired' }, 'fixed wiring, no plug'],
    none: [{ feed: 'none' }, 'no mains plug'],
  },
  switch: {
    closed: [{ mainSwitch: 'closed' }, 'its main switch closed while ohms are read'],
    none: [{ mainSwitch: 'none' }, 'no main switch of its own'],
    open: [{ mainSwitch: 'open' }, 'its main switch open while ohms were read'],
  },
  cables: {
    none: [{ cables: 'none' }, 'no charger and no other cable'],
    some: [{ cables: 'some' }, 'a charger or other cables'],
  },
  earth: {
    pin: [{ earth: 'pin' }, 'earth at the plug’s pin'],
    case: [{ earth: 'case' }, 'earth at the metal case'],
    nowhere: [{ earth: 'nowhere' }, 'no earth in the machine: taken from a socket beside it'],
  },
  tester: {
    none: [{ tester: 'none' }, 'nobody here can test insulation with 500 V'],
    here: [{ tester: 'at-hand' }, 'insulation can be tested with 500 V'],
  },
};

/** `mains plug turns`: what is asked before the isolation readings. */
function readMains(words: Word[], line: string): Understood {
  const [, what, answer] = words;
  if (what?.text.toLowerCase() === 'battery') return readBattery(what, answer, line);
  const answers = own(MAINS_WORDS, what?.text.toLowerCase() ?? '');
  if (!what || !answers)
    throw new Misread(
      what?.at ?? line.length,
      `say ${Object.keys(MAINS_WORDS).join(', ')} or battery, for example: mains plug turns`,
    );
  const found = own(answers, answer?.text.toLowerCase() ?? '');
  if (!found) throw new Misread(answer?.at ?? line.length, `say ${Object.keys(answers).join(', ')}`);
  return {
    ok: true,
    edit: { do: 'set', at: 'survey.mains', set: found[0], say: found[1] },
    words: found[1],
  };
}

/** `mains battery 9.2 V`: what the battery shows in series with the meter, the tips touching. */
function readBattery(word: Word, answer: Word | undefined, line: string): Understood {
  const set = (batteryVolts: number, words: string): Understood => ({
    ok: true,
    edit: { do: 'set', at: 'survey.mains', set: { batteryVolts }, say: words },
    words,
  });
  if (answer?.text.toLowerCase() === 'none') return set(0, 'no battery of 9 to 24 V is here');
  const from = word.at + word.text.length;
  const parsed = typedValue('battery', line.slice(from), { mostOhms: Number.NaN });
  if (!parsed.ok) throw new Misread(from + parsed.at, parsed.message);
  const { value, relation } = parsed.quantity;
  const at = answer?.at ?? from;
  if (relation !== '=' || value <= 0)
    throw new Misread(at, 'say what the meter shows with the tips touching, for example: mains battery 9.2 V');
  if (value > MOST_BATTERY_VOLTS) throw new Misread(at, OVER_BATTERY);
  return set(value, `the battery in series, tips touching: ${formatQuantity(value, 'V')}`);
}

function readSupply(words: Word[], line: string, context: NoteContext): Understood {
  const name = words[1];
  if (!name) throw new Misread(line.length, 'which supply? for example: supply main 5.02 V always');
  const last = lastItem(words);
  const state = own(STATE_NAMES, last.text.toLowerCase());
  if (!state || words.length < 4)
    throw new Misread(
      last.at,
      'say at the end whether it is there always, idle, running or off',
      `${line.trimEnd()} always`,
    );
  const q = quantityAt(line.slice(0, last.at), itemAt(words, 2).at, 'V', Number.NaN);
  if (q.unit !== 'V') throw new Misread(itemAt(words, 2).at, `${q.unit} is not what a supply shows; say volts`);
  if (Math.abs(q.value) > 1000)
    throw new Misread(itemAt(words, 2).at, 'over 1000 V is beyond a hand-held meter and beyond this tool');
  const r: Reading = {
    id: context.id,
    at: context.now,
    control: '',
    from: { kind: 'rail', name: name.text },
    to: { kind: 'ground', name: '' },
    state,
    kind: q.kind === 'ac' ? 'volts-ac' : 'volts-dc',
    relation: q.relation,
    value: q.value,
    digit: q.digit,
    by: 'hand',
    said: '',
    struck: false,
  };
  const said = `${sayPlace(r)}, ${sayValue(r)}`;
  return { ok: true, edit: { do: 'add-reading', reading: r, say: said }, words: said };
}
