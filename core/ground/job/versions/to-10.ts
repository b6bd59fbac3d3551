import { added, eachOf, isPlain, type Migration, type Plain } from './step';

/** Words of the states that version 9 knew of each kind of part, without those of its modes and of what it asks for. */
const TRAVEL = ['closed', 'opening', 'open', 'closing', 'stopped'];
const WORDS: Readonly<Record<string, readonly string[]>> = {
  'starts-and-stops-itself': ['at rest', 'running'],
  flips: ['off', 'on'],
  'on-and-off': ['off', 'on'],
  'while-held': ['off', 'on'],
  'open-stop-close-stop': TRAVEL,
  'opens-and-closes': TRAVEL,
  'travels-while-held': TRAVEL,
  'in-turn': ['at rest', 'ready'],
};
const STEPS = ['off', 'low', 'high'];

/** All words that a part's states may have. */
function wordsOf(part: Plain): readonly string[] {
  const modes = Array.isArray(part['modes']) ? part['modes'].map(String) : [];
  const asks = Array.isArray(part['asks']) ? part['asks'].filter(isPlain) : [];
  const heeds = Array.isArray(part['heeds']) ? part['heeds'].length : 0;
  const kind = String(part['kind']);
  const own = kind === 'steps' ? (modes.length > 1 ? modes : STEPS) : (WORDS[kind] ?? []);
  return [
    ...own,
    ...asks.map((a) => `${a['by'] === 'itself' ? '' : 'asks for '}${String(a['word'])}`),
    ...(kind === 'in-turn' ? Array.from({ length: heeds }, (_, i) => `after ${i + 1}`) : []),
    ...(part['firstPressWakes'] === true ? ['asleep'] : []),
  ];
}

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** Version 9 read out of what a sense means which states it tells. */
function told(sense: Plain, parts: readonly Plain[]): Plain {
  const part = parts.find((p) => p['id'] === sense['part']) ?? (sense['part'] === '' ? parts[0] : undefined);
  if (sense['tells'] !== 'other' || !part) return { states: [], ...sense };
  const said = ` ${plain(String(sense['meaning']))} `;
  return { states: [...new Set(wordsOf(part))].filter((w) => said.includes(` ${w} `)), ...sense };
}

const withMore = added({ senses: { takenFor: 'unknown' }, controls: { like: '' } });

/**
 * Version 10 says in which states a sense says yes, which version 9 read out of its meaning, and what runs take it for where it tells of
 * something else than the machine; and of a control, which other it is taken to be like.
 */
export const toTenth: Migration = (d) => {
  const act = isPlain(d['act']) ? d['act']['parts'] : [];
  const parts = Array.isArray(act) ? act.filter(isPlain) : [];
  return withMore({ ...d, senses: eachOf(d['senses'], (s) => told(s, parts)) });
};
