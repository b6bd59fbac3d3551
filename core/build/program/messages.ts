import type { Program } from './types';

/** Who sends a message: the controller tells, or it hears. */
export type MessageWay = 'tells' | 'hears';
/** A JSON Schema (draft 07) of the text that a message carries. */
export type PayloadSchema = Readonly<Record<string, unknown>>;

/** A message that the program sends or takes. */
export interface ProgramMessage {
  /** Its whole topic, where no word of the unit is set. */
  readonly topic: string;
  readonly way: MessageWay;
  /** The broker keeps the last one for whoever comes later. */
  readonly retained: boolean;
  /** What the broker says in the controller's place once it is gone; null for nothing. */
  readonly will: string | null;
  /** The name of what it is of. */
  readonly name: string;
  readonly what: 'presence' | 'state' | 'call' | 'told' | 'command' | 'reading';
  readonly payload: PayloadSchema;
  /** Texts that fit the schema, the first one as an example to try by hand. */
  readonly examples: readonly string[];
}

/** Texts that a sense or a command may not be longer than, in bytes; longer ones are read past. */
export const MOST_MESSAGE_BYTES = 1024;
/** Words that stand for yes and no in a message that is heard. */
export const YES_WORDS = ['on', 'yes', 'true', 'open', '1'] as const;
/** Words that stand for no. */
export const NO_WORDS = ['off', 'no', 'false', 'closed', '0'] as const;
const NUMBER = '^\\s*[+-]?(\\d+(\\.\\d*)?|\\.\\d+)([eE][+-]?\\d+)?\\s*$';

const words = (list: readonly string[]): PayloadSchema => ({ type: 'string', enum: list });

/** Topics of what is told: each name once, and none twice. */
export function topicWords(names: readonly string[], word: (name: string) => string): string[] {
  const out: string[] = [];
  for (const name of names) {
    const plain = word(name);
    let topic = plain;
    for (let n = 2; out.includes(topic); n++) topic = `${plain}-${n}`;
    out.push(topic);
  }
  return out;
}

/** What the controller tells. */
function toldBy(p: Program, base: string, word: (name: string) => string): ProgramMessage[] {
  const topics = topicWords(
    p.senses.map((s) => s.name),
    word,
  );
  const told: ProgramMessage[] = [
    {
      topic: `${base}/online`,
      way: 'tells',
      retained: true,
      will: 'no',
      name: p.title,
      what: 'presence',
      payload: words(['yes', 'no']),
      examples: ['yes', 'no'],
    },
    ...p.senses.map((s, i): ProgramMessage => ({
      topic: `${base}/sense/${topics[i] ?? ''}`,
      way: 'tells',
      retained: true,
      will: null,
      name: s.name,
      what: 'state',
      payload: words(['on', 'off', 'unknown']),
      examples: ['on', 'off', 'unknown'],
    })),
  ];
  if (calls(p))
    told.push({
      topic: `${base}/call`,
      way: 'tells',
      retained: false,
      will: null,
      name: p.title,
      what: 'call',
      payload: { type: 'string', pattern: '^[0-9]+$', description: 'how many calls there were since one was answered' },
      examples: ['1'],
    });
  const texts = p.steps.flatMap((s) => (s.op === 'tell' ? [s.text] : []));
  if (texts.length > 0)
    told.push({
      topic: `${base}/tells`,
      way: 'tells',
      retained: false,
      will: null,
      name: p.title,
      what: 'told',
      payload: words([...new Set(texts)]),
      examples: [...new Set(texts)],
    });
  return told;
}

/** What it hears. */
function heardBy(p: Program): ProgramMessage[] {
  return [
    ...p.hands
      .filter((h) => h.does === 'command' && h.topic !== '')
      .map((h): ProgramMessage => ({
        topic: h.topic,
        way: 'hears',
        retained: false,
        will: null,
        name: h.name,
        what: 'command',
        payload: {
          type: 'string',
          maxLength: MOST_MESSAGE_BYTES,
          description: 'whatever it says: that it comes is the command',
        },
        examples: ['now'],
      })),
    ...p.senses
      .filter((s) => s.from === 'message' && s.topic !== '')
      .map((s): ProgramMessage => ({
        topic: s.topic,
        way: 'hears',
        retained: true,
        will: null,
        name: s.name,
        what: 'reading',
        payload: s.limit
          ? { type: 'string', pattern: NUMBER, description: `a number, ${s.limit.unit}` }
          : { anyOf: [words([...YES_WORDS, ...NO_WORDS]), { type: 'string', pattern: NUMBER }] },
        examples: s.limit ? [String(s.limit.over)] : ['on', 'off'],
      })),
  ];
}

/**
 * Every message of a program, told ones first.
 * @param base what its topics begin with. @param word a name as a word of a topic.
 */
export const messagesOf = (p: Program, base: string, word: (name: string) => string): ProgramMessage[] => [
  ...toldBy(p, base, word),
  ...heardBy(p),
];

/** Whether anything in a program calls for help. */
const calls = (p: Program): boolean =>
  p.steps.some((s) => s.op === 'call' || s.otherwise === 'call') || p.rules.rules.some((r) => r.does === 'call');
