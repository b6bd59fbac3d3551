import { firstItem, itemAt } from '../lists';
import { regex } from './regex';
import { own } from '../quantity';
import { controlId } from './note-reading';
import type { Job, MachineState, Reading, Strip } from '../job';
import { EFFECT_PHRASES, FILLER_WORDS, LOOK_FILLERS, LOOK_PHRASES, STATE_PHRASES } from './lexicon';
import { pairIn, placeInLine, type Owner } from './natural-places';
import { quantityIn, type QuantityIn } from './quantity-words';

/** A line as it was said, put into the order of the grammar, and what of it was not said but taken. */
export interface Translated {
  readonly line: string;
  readonly taken: string;
}

/** Lines that say two things at once, or one that has two meanings at the bench. */
const UNCLEAR = regex(
  'i',
  String.raw`\b(?:switched|turned|powered|machine(?: is)?|device(?: is)?|everything(?: is)?) (?:off|down)\b|`,
  String.raw`\b[A-Z] and [A-Z] (?:are )?(?:both|each)\b`,
);

/** Words that end on punctuation, and what is said with a sign. */
const smoothed = (line: string): string =>
  ` ${line
    .replace(/[‘’]/g, "'")
    .replace(/[–—]/g, '-')
    .replace(/→|->/g, ' to ')
    .replace(/\b([A-Za-z])-(?=[a-z]{3})/g, '$1 to ')
    .replace(/\b(ground|gnd|neutral|live|earth|mains)-(?=[a-z])/gi, '$1 to ')
    .replace(/[=≈]|~(?= ?\d)/g, ' is ')
    .replace(/[()[\]"“”;:!?]/g, ' ')
    .replace(/,(?!\d)|(?<!\d),/g, ' ')
    .replace(/\.(?=\s|$)/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()} `;

/**
 * A reading as a maker would type it, in any order and with words around it, as a line of the grammar. Null where a word is left that
 * nothing here knows: what is not understood must not be guessed. Whatever was not said and is taken is told.
 */
export function translated(raw: string, job: Job): Translated | null {
  const saying = /^\s*(?:remember|remark|nb|n\.b\.|note(?: that)?|memo|todo)[:,]?\s+(.+)$/is.exec(raw);
  if (saying) return { line: `note: ${itemAt(saying, 1).trim()}`, taken: '' };
  // What begins as one of these lines and failed as such knows better why.
  if (/^\s*(?:control|strip|mains)\b/i.test(raw)) return null;
  // A machine that is switched off may still be plugged in, and two places are not one pair: neither is guessed.
  if (UNCLEAR.test(raw)) return null;
  let rest = smoothed(raw);
  const made = fresh(rest, job);
  if (made) return made;
  const named = ownerIn(rest, job);
  if (!named) return null;
  rest = named.rest;
  const { owner } = named;
  const supply = supplyIn(raw, rest);
  if (supply) return supply;
  return jumperLine(owner, rest) ?? lookLine(owner, rest) ?? readingLine(owner, rest, job);
}

/** `there is a new button called stop`. */
function fresh(rest: string, job: Job): Translated | null {
  // Only what is called so: `new fuse` and `add solder` name no control.
  const made =
    /\b(?:(?:a|an|the|new|another|add|second|third) )*(?:button|control|key|switch) (?:is )?(?:called|named) ([A-Za-z][\w.]*)\b/i.exec(
      rest,
    );
  const left = made && leftOver(rest.replace(made[0], ' '));
  return made &&
    !left &&
    !FILLER_WORDS.has(itemAt(made, 1).toLowerCase()) &&
    !job.controls.some((c) => c.name === made[1])
    ? { line: `control ${made[1]}`, taken: '' }
    : null;
}

/** Whose reading it is: a name that is known, or the only control there is. Null where it cannot be told. */
function ownerIn(rest: string, job: Job): { owner: Owner; rest: string } | null {
  const names = [
    ...job.controls.map((c) => ({ name: c.name, id: c.id, strip: undefined })),
    ...job.survey.strips.map((s) => ({ name: s.name, id: s.id, strip: s as Strip | undefined })),
  ].sort((a, b) => b.name.length - a.name.length);
  for (const o of names) {
    const escaped = o.name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    const said = new RegExp(`(?<=\\s)(?:the )?(?:strip )?${escaped}(?:'s)?(?: strip)?(?=\\s)`, 'i');
    if (said.test(rest)) return { owner: o, rest: rest.replace(said, ' ') };
  }
  if (job.controls.length === 1 && job.survey.strips.length === 0)
    return { owner: { name: firstItem(job.controls).name, id: firstItem(job.controls).id, strip: undefined }, rest };
  // The first control of a job may come with its first reading.
  const first = /^ ([A-Za-z][\w.]+) /.exec(rest)?.[1];
  if (names.length === 0 && first && !FILLER_WORDS.has(first.toLowerCase()) && statesIn(` ${first} `).state === null)
    return { owner: { name: first, id: controlId(first), strip: undefined }, rest: rest.replace(first, ' ') };
  // The machine as a whole needs no name: ground against a pin, or a supply.
  if (/\b(?:ground|gnd|mains|supply|rail)\b/i.test(rest))
    return { owner: { name: '', id: '', strip: undefined }, rest };
  return null;
}

/** Words that nothing here knows, joined; empty where all are known. */
function leftOver(rest: string): string {
  return rest
    .split(/\s+/)
    .filter((w) => w && !FILLER_WORDS.has(w.toLowerCase().replace(/'s$/, '')))
    .join(' ');
}

/** `logic supply is 5.02 V, always there`, `rail main reads 12 V at rest`. */
function supplyIn(raw: string, rest: string): Translated | null {
  const named = [
    /\b(?:supply|rail)(?: (?:called|named))? ([a-z][\w.]*)\b/i.exec(rest),
    /\b([a-z][\w.]*) (?:supply|rail)\b/i.exec(rest),
  ].find((m) => m && !FILLER_WORDS.has(itemAt(m, 1).toLowerCase()) && m[1] !== 'always');
  if (!named) return null;
  const q = quantityIn(rest.replace(named[0], ' '));
  if (!q?.text || q.dimension !== 'V') return null;
  const always = /\b(?:always(?: there)?|all the time|permanent(?:ly)?)\b/i;
  const states = statesIn(q.rest.replace(always, ' '));
  const state = always.test(raw) ? 'always' : states.state === 'unpressed' ? 'idle' : states.state;
  if (leftOver(states.rest) || state === CONTRADICTION) return null;
  return {
    line: `supply ${named[1]} ${q.text} ${state ?? 'idle'}`,
    taken: state ? '' : 'when it is there was not said: taken as powered, nobody presses',
  };
}

const JOINS =
  /\b(?:across|jumper(?:ed|ing)?|bridg(?:e|ed|ing)|join(?:ed|ing|s)?|connect(?:ed|ing)?|short(?:ed|ing)?)\b/i;
const WIRE =
  /\b(?:with |by |through )?(?:a |just a |plain )?(?:bare )?(?:wire|paper ?clip|clip|screwdriver)\b|\bdirectly\b|\btogether\b/i;

/** `bridging A and B with 1k starts it`. */
function jumperLine(owner: Owner, rest: string): Translated | null {
  const effect = EFFECT_PHRASES.find(([, re]) => re.test(rest));
  if (!JOINS.test(rest) || !effect) return null;
  const joined = rest.replace(JOINS, ' ').replace(effect[1], ' ');
  const by = joinedBy(joined);
  const pair = pairIn(by.rest, owner);
  if (by.dimension !== 'Ω' || leftOver((pair?.rest ?? by.rest).replace(/\bresistor\b/gi, ' '))) return null;
  if (owner.strip && !pair) return null;
  const where = owner.strip && pair ? ` ${pair.a}-${pair.b}` : '';
  return {
    line: `${owner.name} jumper${where} ${by.text} ${effect[0]}`,
    taken: by.said ? '' : 'no resistor was said: taken as joined by a wire',
  };
}

/** What joins two points: a wire, a resistor, or a wire where neither was said. */
function joinedBy(line: string): Pick<QuantityIn, 'text' | 'rest' | 'dimension'> & { readonly said: boolean } {
  if (WIRE.test(line)) return { text: 'wire', rest: line.replace(WIRE, ' '), dimension: 'Ω', said: true };
  const q = quantityIn(line);
  return q ? { ...q, said: true } : { text: 'wire', rest: line, dimension: 'Ω', said: false };
}

/** `start is a membrane key`. */
function lookLine(owner: Owner, rest: string): Translated | null {
  if (!owner.name || owner.strip || quantityIn(rest)) return null;
  const seen = LOOK_PHRASES.find(([, re]) => re.test(rest));
  if (!seen) return null;
  const left = statesIn(
    LOOK_PHRASES.filter(([look]) => look === seen[0])
      .reduce((line, [, re]) => line.replace(new RegExp(re.source, 'gi'), ' '), rest)
      .replace(LOOK_FILLERS, ' '),
  );
  return leftOver(left.rest) ? null : { line: `${owner.name} look ${seen[0].replace(/-/g, ' ')}`, taken: '' };
}

const SHORTED = /\bshort(?:ed|ing)?(?: circuit)?\b/i;
const INSULATION = /\binsulation\b/i;
/** An insulation tester says its test voltage as well. */
const TEST_VOLTS = /\bat \d+ ?k?V\b/i;
/** Two points of the machine itself are no terminals. */
const isTerminal = (point: string): boolean => /^(?:[A-Z]|\d\d?)$/.test(point);

function readingLine(owner: Owner, said: string, job: Job): Translated | null {
  const isShort = SHORTED.test(said) && owner.name !== '' && !owner.strip;
  const isInsulation = INSULATION.test(said);
  let plain = said;
  if (isShort) plain = plain.replace(SHORTED, ' ');
  if (isInsulation) plain = plain.replace(INSULATION, ' ').replace(TEST_VOLTS, ' ');
  const measured = measuredIn(plain, owner);
  if (!measured) return null;
  const { q, place } = measured;
  const last = lastOf(job, owner.id, q);
  const { state, takenState } = stateOf(measured.state, q, last);
  const { where, takenPlace } = placeOf(place, owner, q, last);
  if (where === null || (isShort && q.dimension !== 'A')) return null;
  if (isShort) return { line: `${owner.name} short ${q.text}`, taken: '' };
  const whose = where.includes(' to ') && !where.split(' to ').some(isTerminal) ? '' : owner.name;
  return {
    line: [whose, where, isInsulation ? 'insulation' : state, q.text].filter(Boolean).join(' '),
    taken: isInsulation ? '' : [takenState, takenPlace].filter(Boolean).join('; '),
  };
}

/** The quantity, the place and the state that a line speaks of; null where it says more, or less. */
function measuredIn(line: string, owner: Owner): { q: QuantityIn; place: string | null; state: Said } | null {
  const { state, rest } = statesIn(line);
  const pair = owner.strip ? pairIn(rest, owner) : null;
  const q = quantityIn(pair?.rest ?? rest);
  if (!q || state === CONTRADICTION) return null;
  const place = pair ? { text: `${pair.a}-${pair.b}`, rest: q.rest } : placeInLine(q.rest, owner);
  const left = place?.rest ?? q.rest;
  if (leftOver(left.replace(/\b(?:on|open)\b/gi, ' '))) return null;
  // A bare `on` after all places are told is the machine's.
  const on = state === null && /\bon\b/i.test(left);
  return { q, place: place?.text ?? null, state: on ? 'idle' : state };
}

type Said = MachineState | 'unpressed' | null;
/** Two states that cannot be at once. */
const CONTRADICTION = 'contradiction';

/** A load and a turned plug are one state. */
const TURNED_WITH = [
  ['loaded-100k', 'turned-100k'],
  ['loaded-10k', 'turned-10k'],
] as const;

/** The states that a line speaks of, the most telling of them, and the line without them. */
function statesIn(line: string): { state: Said | typeof CONTRADICTION; rest: string } {
  let rest = line;
  const found = new Set<MachineState | 'unpressed' | 'powered'>();
  for (const [state, phrase] of STATE_PHRASES)
    rest = rest.replace(phrase, () => {
      found.add(state);
      return ' ';
    });
  const resting = found.has('idle') || found.has('unpressed');
  if (resting && (found.has('pressed') || found.has('running') || found.has('neighbour')))
    return { state: CONTRADICTION, rest };
  if (found.has('powered') && found.has('off')) return { state: CONTRADICTION, rest };
  const turned = found.has('plug-turned') ? TURNED_WITH.find(([load]) => found.has(load)) : undefined;
  if (turned) return { state: turned[1], rest };
  const first = STATE_PHRASES.map(([state]) => state).find((state) => found.has(state)) ?? null;
  // Out of the plug and not pressed is out of the plug.
  if (resting && found.has('off')) return { state: 'off', rest };
  return { state: first === 'powered' ? 'idle' : first, rest };
}

/** States that may go on from one reading to the next; a load, a turned plug or a neighbour's press is said each time. */
const CARRIED_STATES: ReadonlySet<MachineState> = new Set([
  'off',
  'idle',
  'pressed',
  'released',
  'running',
  'moving',
  'moving-back',
]);
/** Points at which a reading decides on touching: never taken for where the probes are. */
const MAINS_POINTS: ReadonlySet<Reading['to']['kind']> = new Set(['live', 'neutral', 'mains', 'earth']);

/** The state as the grammar has it: said, or taken from the last reading of the sort, or the plainest one. */
function stateOf(said: Said, q: QuantityIn, last: Reading | undefined): { state: string; takenState: string } {
  const unplugged = q.dimension === 'Ω';
  if (said === 'unpressed')
    return unplugged
      ? { state: 'off', takenState: 'whether it is plugged in was not said: taken as unplugged' }
      : { state: 'idle', takenState: '' };
  if (said) return { state: said, takenState: '' };
  const carried = last && CARRIED_STATES.has(last.state);
  const state = carried ? last.state : unplugged ? 'off' : 'idle';
  const words =
    own({ off: 'unplugged', idle: 'nobody presses' } as Record<string, string>, state) ?? state.replace(/-/g, ' ');
  return { state, takenState: `the state was not said: taken as ${words}${carried ? ', as the last reading' : ''}` };
}

/** The last reading of this owner that answers the same sort of question. */
function lastOf(job: Job, owner: string, q: QuantityIn): Reading | undefined {
  const unplugged = q.dimension === 'Ω';
  return job.readings
    .filter((r) => r.control === owner && !r.struck && r.kind !== 'look' && r.kind !== 'jumper')
    .filter((r) => (r.kind === 'ohms' || r.kind === 'continuity') === unplugged)
    .at(-1);
}

function placeOf(
  said: string | null,
  owner: Owner,
  q: QuantityIn,
  last: Reading | undefined,
): { where: string | null; takenPlace: string } {
  if (said) return { where: said, takenPlace: '' };
  if (!owner.name || owner.strip) return { where: null, takenPlace: '' };
  const point = (p: Reading['from']): string => (p.kind === 'contact' ? p.name : p.kind);
  if (last && [last.from, last.to].some((p) => MAINS_POINTS.has(p.kind))) return { where: null, takenPlace: '' };
  if (last && last.kind !== 'continuity')
    return {
      where: `${point(last.from)} to ${point(last.to)}`,
      takenPlace: `where the probes are was not said: taken as in the last reading, ${point(last.from)} to ${point(last.to)}`,
    };
  return q.dimension === 'Ω' || q.dimension === 'A'
    ? { where: 'A-B', takenPlace: 'where the probes are was not said: taken as A to B' }
    : { where: 'A', takenPlace: 'where the probes are was not said: taken as A to ground' };
}
