import { sentenceAt, type LimitNames, type RuleIf, type Sentence } from '../../ground/job';
import { itemAt } from '../../ground/lists';
import { WEEKDAYS } from '../../ground/quantity';
import { DURATION, durationIn, timeIn, TIME_WORDS } from './said-times';

/** What a typed sentence was understood as; or which words stand in the way, and what to do. */
export type ReadSentence =
  | { readonly ok: true; readonly sentence: Sentence }
  | { readonly ok: false; readonly what: string; readonly todo: string };

const EVERY_DAY: readonly number[] = [1, 2, 3, 4, 5, 6, 7];
const no = (what: string, todo: string): ReadSentence => ({ ok: false, what, todo });

/** What is left of a sentence while its slots are taken out of it, one after the other. */
class Said {
  rest: string;
  constructor(text: string) {
    this.rest = ` ${text
      .toLowerCase()
      .replace(/[’‘]/g, "'")
      .replace(/[“”"]/g, ' ')
      .replace(/\bo'clock\b/g, ':00 ')
      .replace(/(\d) :00/g, '$1:00')
      // Marks stand by themselves, but for those within a number.
      .replace(/[,;:](?=\s|$)|\.(?=\s|$)/g, ' , ')
      .replace(/\s+/g, ' ')
      .trim()} `;
  }
  /** Takes what matches out of it. */
  take(pattern: RegExp): RegExpExecArray | null {
    const m = pattern.exec(this.rest);
    if (m)
      this.rest = `${this.rest.slice(0, m.index)} , ${this.rest.slice(m.index + m[0].length)}`.replace(/\s+/g, ' ');
    return m;
  }
  has(pattern: RegExp): boolean {
    return this.take(pattern) !== null;
  }
}

const escaped = (name: string): string => name.toLowerCase().replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** Names as one pattern, the longest first. */
const anyOf = (list: readonly { readonly name: string }[]): string =>
  list.length === 0
    ? '(?!)'
    : [...list]
        .sort((a, b) => b.name.length - a.name.length)
        .map((x) => escaped(x.name))
        .join('|');
const idOf = (list: readonly { readonly id: string; readonly name: string }[], name: string | undefined): string =>
  list.find((x) => x.name.toLowerCase() === name)?.id ?? '';

const DAY = String.raw`(?:mon|tue|wed|thu|fri|sat|sun)(?:s?day|nesday|rsday|urday|s)?s?`;
const DAY_NUMBER = (word: string): number =>
  WEEKDAYS.short.findIndex((d) => d !== undefined && d.toLowerCase() === word.slice(0, 3));

type Slots = Partial<Omit<Sentence, 'ifs'>> & { readonly ifs: RuleIf[] };
const IF: Omit<RuleIf, 'kind' | 'is'> = { from: '08:00', until: '20:00', sense: '', mode: '' };

/**
 * Reads a rule as it is said: slots in any order, names as they stand in the job, words around them. What it does not understand is no
 * rule: nothing is guessed.
 */
export function readSentence(text: string, n: LimitNames, id: string): ReadSentence {
  const said = new Said(text);
  if (/\b(or|tomorrow|yesterday|tonight)\b/.test(said.rest))
    return no('“or” and single dates are no rule', 'Say one rule for each, at a time or on weekdays.');
  const slots: Slots = { ifs: [] };
  takeTier(said, slots);
  takeOften(said, slots);
  takeLate(said, slots);
  takeDates(said, slots);
  takeBounds(said, slots);
  takeWindows(said, slots);
  takeArmed(said, slots);
  takeUnless(said, slots, n);
  const edges = [takeSun(said, slots), takeEvent(said, slots), takeEdge(said, slots, n)].filter(Boolean).length;
  takeWhile(said, slots, n);
  const deed = takeDeed(said, slots, n);
  const days = takeDays(said);
  const times = takeTimes(said, /\b(?:evening|night|afternoon)\b/i.test(text));
  if (times.wrong) return no(`${times.wrong} is no time of day`, 'Say a time such as 7:30 or 6 pm.');
  if (times.all.length > 1) return no('it names two times', 'Say one rule for each.');
  if (edges + times.all.length !== 1)
    return no(
      edges + times.all.length === 0 ? 'it names no time' : 'it names more than one thing that begins it',
      'Say when: at 7:30, at sunset, when a sense says so.',
    );
  if (!deed)
    return no(
      'it does not say what to do',
      `Name a move: ${n.moves.map((m) => m.name).join(', ') || 'there is none yet'}.`,
    );
  const left = said.rest
    .replace(FILLER, ' ')
    .replace(/[\s,;:.!-]+/g, ' ')
    .trim();
  if (left !== '') return no(`“${left}” is not understood`, 'Leave it out, or say it by the slots.');
  const timed = slots.when !== 'sense' && slots.when !== 'mode';
  const at = itemAt([...times.all, '12:00'], 0);
  return { ok: true, sentence: sentenceAt(at, { id, days: days ?? (timed ? [...EVERY_DAY] : []), ...slots }) };
}

/** Words that say nothing of their own. */
const SMALL_WORDS =
  'at|on|in|the|a|an|please|it|i|want|to|should|must|then|and|but|every|each|sensor|contact|switch|move|press|of|' +
  'with|day|days|mode|when|whenever|once|if|as|soon|is|for|only|do|let|be|time|by|itself|daily|morning|evening|afternoon|night';
const FILLER = new RegExp(String.raw`\b(${SMALL_WORDS})\b`, 'g');

function takeTier(said: Said, slots: Slots): void {
  if (said.has(/\(safety\)|\bsafety\b|^ alarm ,/)) slots.tier = 'safety';
  else if (said.has(/\(lock-?out\)|\block-?out\b/)) slots.tier = 'lock-out';
  else if (said.has(/\(hand\)|\bas a hand\b/)) slots.tier = 'hand';
}

function takeOften(said: Said, slots: Slots): void {
  const day = said.take(/\b(?:at most|no more than|not more than)\s+(once|twice|(\d+) times)\s+(?:a|per) day\b/);
  if (day) slots.aDay = day[1] === 'once' ? 1 : day[1] === 'twice' ? 2 : Number(day[2]);
  const gap = said.take(
    new RegExp(String.raw`\b(?:not again for|at most every|at most once every|then rest for)\s+${DURATION}`),
  );
  if (gap) slots.gapSeconds = durationIn(itemAt(gap, 0));
}

function takeLate(said: Said, slots: Slots): void {
  const late = said.take(new RegExp(String.raw`\b(?:up to|at most)\s+${DURATION}\s+late\b`));
  if (late) Object.assign(slots, { whenHeld: 'late', lateSeconds: durationIn(itemAt(late, 0)) });
  else if (said.has(/\bhowever late\b|\beven if (?:it is|it's) late\b|\blate if need be\b/)) slots.whenHeld = 'kept';
}

function takeDates(said: Said, slots: Slots): void {
  if (said.has(/\b(?:except|but not|not)\s+(?:on\s+)?(?:public |bank )?holidays\b/)) slots.dates = 'others';
  else if (said.has(/\b(?:only )?on (?:public |bank )?holidays(?: alone| only)?\b/)) slots.dates = 'holidays';
}

function takeBounds(said: Said, slots: Slots): void {
  const before = said.take(
    new RegExp(
      String.raw`\b(?:but )?(?:not before|no earlier than|not earlier than|at the earliest at)\s+${TIME_WORDS}`,
    ),
  );
  if (before) slots.notBefore = timeIn(itemAt(before, 0)) ?? '';
  const after = said.take(
    new RegExp(
      String.raw`\b(?:but )?(?:not after|not later than|no later than|at the latest at|at the latest)\s+${TIME_WORDS}`,
    ),
  );
  if (after) slots.notAfter = timeIn(itemAt(after, 0)) ?? '';
}

function takeWindows(said: Said, slots: Slots): void {
  const pattern = new RegExp(
    String.raw`\b(but )?(not |only )?(?:at night )?between\s+(${TIME_WORDS})\s+and\s+(${TIME_WORDS})`,
  );
  for (let m = said.take(pattern); m; m = said.take(pattern)) {
    const parts = m[0].split(/\band\b/);
    const [from, until] = [timeIn(itemAt(parts, 0)), timeIn(itemAt(parts, 1))];
    if (from !== null && until !== null)
      slots.ifs.push({ ...IF, kind: 'window', is: !/\bnot\b/.test(m[0]), from, until });
  }
}

function takeArmed(said: Said, slots: Slots): void {
  if (said.has(/\b(?:only )?(?:if|when|while) (?:it is )?armed\b/)) slots.ifArmed = true;
}

/** What is said of what only has to hold. */
const HOLDS = '(?: mode)?(?: is on| is active| says so| is so)?(?= )';

/** “Unless” and “not while”: what holds it back. */
function takeUnless(said: Said, slots: Slots, n: LimitNames): void {
  for (const [list, kind] of [
    [n.modes, 'mode'],
    [n.senses, 'sense'],
  ] as const) {
    const pattern = new RegExp(
      String.raw`\b(?:but )?(?:unless|not while|not if|not when|except while)\s+(?:the )?(${anyOf(list)})${HOLDS}`,
    );
    for (let m = said.take(pattern); m; m = said.take(pattern))
      slots.ifs.push({ ...IF, kind, is: false, [kind]: idOf(list, m[1]) });
  }
}

/** “While” and “if”, beside what begins it. */
function takeWhile(said: Said, slots: Slots, n: LimitNames): void {
  for (const [list, kind] of [
    [n.modes, 'mode'],
    [n.senses, 'sense'],
  ] as const) {
    const pattern = new RegExp(String.raw`\b(?:only )?(?:while|if|when)\s+(?:the )?(${anyOf(list)})${HOLDS}`);
    for (let m = said.take(pattern); m; m = said.take(pattern))
      slots.ifs.push({ ...IF, kind, is: true, [kind]: idOf(list, m[1]) });
  }
}

const SUN: readonly (readonly [pattern: string, sun: Sentence['sun']])[] = [
  ['sunrise|the sun is up|the sun comes up|the sun rises', 'rise'],
  ['sunset|the sun sets|the sun goes down|the sun is down', 'set'],
  ['dawn|it gets light|it is getting light', 'dawn'],
  ['dusk|it gets dark|it is getting dark', 'dusk'],
];

function takeSun(said: Said, slots: Slots): boolean {
  for (const [words, sun] of SUN) {
    const shifted = said.take(new RegExp(String.raw`\b${DURATION}\s+(before|after|past)\s+(?:the )?(?:${words})\b`));
    const plus = shifted ? null : said.take(new RegExp(String.raw`\b(?:${words})\s+(plus|minus)\s+${DURATION}`));
    const m = shifted ?? plus;
    if (m) {
      const seconds = durationIn(m[0]);
      const before = /\b(before|minus)\b/.test(m[0]);
      Object.assign(slots, { when: 'sun', sun, offsetSeconds: before ? -seconds : seconds });
      return true;
    }
    if (said.has(new RegExp(String.raw`\b(?:at |when |with |after |by )?(?:the )?(?:${words})\b`))) {
      Object.assign(slots, { when: 'sun', sun });
      return true;
    }
  }
  return false;
}

const CALLED = String.raw`(?:an?|any|every|each|the)\s+(?:event|appointment|meeting|entry)(?:\s+(?:called|named)\s+([\p{L}\d]+))?`;

function takeEvent(said: Said, slots: Slots): boolean {
  const ahead = said.take(new RegExp(String.raw`\b${DURATION}\s+(?:before|ahead of)\s+${CALLED}`, 'u'));
  const begins = ahead
    ? null
    : said.take(
        new RegExp(String.raw`\b(?:when|at the beginning of|as soon as)\s+${CALLED}(?:\s+(?:begins|starts))?`, 'u'),
      );
  const m = ahead ?? begins;
  if (!m) return false;
  const event = /(?:called|named)\s+([\p{L}\d]+)/u.exec(m[0])?.[1] ?? '';
  Object.assign(slots, { when: 'event', event, aheadSeconds: ahead ? durationIn(m[0]) : 0 });
  return true;
}

const ON = String.raw`says so|says yes|trips|triggers|opens|comes on|goes on|turns on|is on|has been on|is open|starts|begins|on`;
const OFF =
  'no longer says so|stops saying so|says no|stops|goes off|turns off|is off|has been off|is gone|is over|ends|' +
  'is no longer on|off';
const WHEN = String.raw`(?:when|whenever|if|once|as soon as|after)`;

/** Whether something else begins it, so that what a sense or a mode says is a condition. */
const isBegun = (said: Said, slots: Slots): boolean => slots.when === 'sun' || slots.when === 'event' || hasTime(said);

/** What a sense or a mode has to do for the rule to begin. */
const takeEdge = (said: Said, slots: Slots, n: LimitNames): boolean =>
  takeModeEdge(said, slots, n) || takeSenseEdge(said, slots, n);

function takeModeEdge(said: Said, slots: Slots, n: LimitNames): boolean {
  const m = said.take(new RegExp(String.raw`\b${WHEN}\s+(?:the )?(${anyOf(n.modes)})(?: mode)?\s+(${OFF}|${ON})(?= )`));
  if (!m) return false;
  const is = !new RegExp(`^(?:${OFF})$`).test(m[2] ?? '');
  const mode = idOf(n.modes, m[1]);
  if (isBegun(said, slots)) {
    slots.ifs.push({ ...IF, kind: 'mode', is, mode });
    return false;
  }
  Object.assign(slots, { when: 'mode', mode, says: is });
  return true;
}

function takeSenseEdge(said: Said, slots: Slots, n: LimitNames): boolean {
  const names = anyOf(n.senses);
  const lasts = String.raw`(?:\s+for\s+${DURATION})?`;
  const does = String.raw`(?: sensor| contact)?(?:\s+(${OFF}|${ON}))?${lasts}(?= )`;
  const none = said.take(new RegExp(String.raw`\bno (${names})${lasts}(?= )`));
  const m =
    none ??
    said.take(new RegExp(String.raw`\bafter\s+${DURATION}\s+of\s+(?:the )?(${names})(?= )`)) ??
    said.take(new RegExp(String.raw`\b${WHEN}\s+(?:the )?(${names})${does}`));
  if (!m) return false;
  const says = none === null && !new RegExp(String.raw` (?:${OFF})(?: |$)`).test(`${m[0]} `);
  const sense = nameIn(m[0], n);
  // At a time of the clock, or by the sun, it is a condition and no beginning.
  if (isBegun(said, slots)) {
    slots.ifs.push({ ...IF, kind: 'sense', is: says, sense });
    return false;
  }
  Object.assign(slots, { when: 'sense', sense, says, forSeconds: durationIn(m[0]) });
  return true;
}

const nameIn = (text: string, n: LimitNames): string => idOf(n.senses, new RegExp(anyOf(n.senses)).exec(text)?.[0]);

function takeDeed(said: Said, slots: Slots, n: LimitNames): boolean {
  const modes = anyOf(n.modes);
  const on = said.take(
    new RegExp(
      String.raw`\b(?:(?:put|switch|turn|set)\s+(?:the )?(${modes})(?: mode)?\s+(on|off)|` +
        String.raw`(start|begin|end|stop)\s+(?:the )?(${modes})(?: mode)?)(?= )`,
    ),
  );
  if (on) {
    const off = on[2] === 'off' || on[3] === 'end' || on[3] === 'stop';
    Object.assign(slots, { does: off ? 'mode-off' : 'mode-on', sets: idOf(n.modes, on[1] ?? on[4]) });
    return true;
  }
  if (said.has(/\bcall(?: for)?(?: somebody| someone| help| me| us)?\b/)) {
    slots.does = 'call';
    return true;
  }
  const move = said.take(new RegExp(String.raw`\b(?:begin |start |run |do )?(${anyOf(n.moves)})s?(?= )`));
  if (!move) return n.moves.length === 1 && said.has(/\bpress\b/);
  slots.move = idOf(n.moves, move[1]);
  return true;
}

/** Weekdays that it names; null for none. */
function takeDays(said: Said): number[] | null {
  if (said.has(/\b(?:on )?(?:week ?days?|working days?)\b/)) return [1, 2, 3, 4, 5];
  if (said.has(/\b(?:on |at )?(?:the )?week ?ends?\b/)) return [6, 7];
  const range = said.take(new RegExp(String.raw`\b(${DAY})\s*(?:-|–|to|until|through)\s*(${DAY})\b`));
  if (range) {
    const [from, to] = [DAY_NUMBER(range[1] ?? ''), DAY_NUMBER(range[2] ?? '')];
    return EVERY_DAY.filter((d) => (from <= to ? d >= from && d <= to : d >= from || d <= to));
  }
  const out: number[] = [];
  const one = new RegExp(String.raw`\b(?:on |every )?(${DAY})\b`);
  for (let m = said.take(one); m; m = said.take(one)) out.push(DAY_NUMBER(m[1] ?? ''));
  if (out.length > 0) return [...new Set(out)].sort((a, b) => a - b);
  return said.has(/\b(?:every ?day|daily|each day|every (?:morning|evening|night))\b/) ? [...EVERY_DAY] : null;
}

const hasTime = (said: Said): boolean => new RegExp(String.raw`\b(?:at\s+)?${TIME_WORDS}`).test(said.rest);

/** Times of day that it names, and what looks like one and is none. */
function takeTimes(said: Said, evening: boolean): { readonly all: readonly string[]; readonly wrong: string } {
  const all: string[] = [];
  const pattern = new RegExp(String.raw`(?:\bat\s+)?\b${TIME_WORDS}`);
  for (let m = said.take(pattern); m; m = said.take(pattern)) {
    const time = timeIn(m[0], evening);
    if (time === null) return { all, wrong: m[0].trim() };
    all.push(time);
  }
  const wrong = /\b\d{1,2}[:.]\d{2}\b/.exec(said.rest);
  return { all, wrong: wrong?.[0] ?? '' };
}
