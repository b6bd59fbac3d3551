import { itemAt } from '../lists';
import type { Strip } from '../job';
import { PLACE_WORDS } from './lexicon';
import { regex } from './regex';

/** Whose reading a line tells. */
export interface Owner {
  /** As it stands in the canonical line; empty for the machine as a whole. */
  readonly name: string;
  readonly id: string;
  readonly strip: Strip | undefined;
}

/** Two terminals of one owner: `A-B`, `between a and b`, `3 and 4`, `red and white` of a strip. */
export function pairIn(rest: string, owner: Owner): { a: string; b: string; rest: string } | null {
  const one = owner.strip ? '(\\d\\d?)' : '([A-Z])';
  const joined = '\\s*(?:-|/|&|\\band\\b|\\bto\\b|\\bversus\\b|\\bvs\\.?(?=\\s)|\\bagainst\\b|\\bfrom\\b)\\s*';
  const lead = '(?:\\b(?:between|from|across|over)\\s+)?(?:\\b(?:terminals?|contacts?|pins?|legs?|points?)\\s+)?';
  const noUnit = '(?![.,]?\\d|\\s?(?:[mkµu]?V|volts?|[kM]?Ω|k?ohms?|[mµu]?A\\b))';
  const strict = new RegExp(
    `${lead}(?<=\\s)${one}${joined}(?:terminal |pin |contact )?${one}(?=[\\s])${noUnit}`,
    owner.strip ? 'i' : '',
  );
  const m =
    strict.exec(rest) ??
    (owner.strip
      ? new RegExp(`\\b(?:terminals|between|across|pins)\\s+${one}\\s+${one}(?=\\s)${noUnit}`).exec(rest)
      : (new RegExp('(?<=\\s)([a-z])-([a-z])(?=\\s)').exec(rest) ??
        /\b(?:between|from|across)\s+([a-z])\s+(?:and|to)\s+([a-z])(?=\s)/.exec(rest) ??
        /(?<=\s)([A-Z]) ([A-Z])(?=\s)/.exec(rest) ??
        /(?<=\s)(A)(B)(?=\s)/.exec(rest)));
  if (m) return { a: itemAt(m, 1).toUpperCase(), b: itemAt(m, 2).toUpperCase(), rest: rest.replace(m[0], ' ') };
  return owner.strip ? coloursIn(rest, owner.strip) : null;
}

/** Wires of a strip by their colours. */
function coloursIn(rest: string, strip: Strip): { a: string; b: string; rest: string } | null {
  const m = /\b(?:between |from )?(\w+) (?:and|to) (\w+)\b/i.exec(rest);
  const at = (word: string): number => strip.wires.findIndex((w) => w.toLowerCase() === word.toLowerCase());
  if (!m || at(itemAt(m, 1)) < 0 || at(itemAt(m, 2)) < 0) return null;
  return { a: String(at(itemAt(m, 1)) + 1), b: String(at(itemAt(m, 2)) + 1), rest: rest.replace(m[0], ' ') };
}

const TIPS = regex(
  'i',
  String.raw`\bred(?: probe| lead| tip| one)?(?: is)?(?: on| at| to)? (\S+)(?: and)? (?:the )?black(?: probe|`,
  String.raw` lead| tip| one)?(?: is)?(?: on| at| to)?(?: the)? (\S+)`,
);
const ACROSS = regex(
  'i',
  String.raw`\bacross(?: (?:it|them|both|the (?:button|switch|key|contacts?|terminals?|pins?|pair|two)))*|`,
  String.raw`\b(?:between|over)(?: the| its)?(?: two| both)? (?:terminals|contacts|pins|legs|sides|wires|`,
  String.raw`ends)\b|\bbetween (?:the )?(?:red and (?:the )?black|black and red)(?: (?:probes?|wires?|`,
  String.raw`leads?))?|\b(?:through|into) (?:it|the button)\b`,
);
const STRIP_TERMINAL = /(?:\b(?:terminal|pin|from|at|on)\s)?(?<=\s)(\d\d?)(?=\s)/;
/** A terminal by its letter: a capital anywhere, a small one after a word that says so, any other small one. */
const LETTERED = [
  /(?:\b(?:terminal|pin|contact|leg|point|side)\s)?(?<=\s)([A-HJ-Z])(?=\s)/,
  /\b(?:terminal|pin|contact|leg|point|side|at|on|from|between|with)\s([a-z])(?=\s)/,
  /(?<=\s)([b-hj-z])(?=\s)/,
] as const;

interface Placed {
  readonly text: string;
  readonly rest: string;
}

/** Which tip is where, by the colours of the probes. */
function byTips(rest: string): Placed | null {
  const tips = TIPS.exec(rest);
  const [a, b] = tips ? [pointOf(tips[1] ?? ''), pointOf(tips[2] ?? '')] : [null, null];
  return tips && a && b ? { text: `${a} to ${b}`, rest: rest.replace(tips[0], ' ') } : null;
}

/** Where the probes stand, as the grammar says it. */
export function placeInLine(rest: string, owner: Owner): Placed | null {
  const tips = byTips(rest);
  if (tips) return tips;
  const pair = pairIn(rest, owner);
  if (pair) return { text: `${pair.a}-${pair.b}`, rest: pair.rest };
  const fixed = PLACE_WORDS.flatMap(([kind, re]) => {
    const m = re.exec(rest);
    return m ? [{ kind, at: m.index, text: m[0] }] : [];
  }).sort((a, b) => a.at - b.at);
  const left = fixed.reduce((s, f) => s.replace(f.text, ' '), rest);
  const terminal = owner.strip
    ? STRIP_TERMINAL.exec(left)
    : LETTERED.reduce<RegExpExecArray | null>((m, re) => m ?? re.exec(left), null);
  const [to, second] = fixed;
  if (terminal)
    return second
      ? null
      : {
          text: `${(terminal[1] ?? '').toUpperCase()}${to ? ` to ${to.kind}` : ''}`,
          rest: left.replace(terminal[0], ' '),
        };
  if (owner.strip) return null;
  const across = ACROSS.exec(left);
  if (to && second) return fixed.length === 2 && !across ? { text: `${to.kind} to ${second.kind}`, rest: left } : null;
  return across && !to ? { text: 'A-B', rest: left.replace(across[0], ' ') } : null;
}

const pointOf = (word: string): string | null =>
  /^[A-Za-z]$/.test(word) ? word.toUpperCase() : (PLACE_WORDS.find(([, re]) => re.test(word))?.[0] ?? null);
