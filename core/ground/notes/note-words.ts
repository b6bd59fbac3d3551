import type { JobEdit } from '../job';
import { nearestWord } from './nearest-word';

/** How a note line was understood: an edit to apply and the same in words, or where it went wrong. */
export type Understood =
  | { ok: true; edit: JobEdit; words: string; hint?: string }
  | { ok: false; at: number; message: string; suggestion?: string };

/** What a line is read against. */
export interface NoteContext {
  /** Unique id for what the line adds. */
  id: string;
  /** ISO time. */
  now: string;
}

/** A word of a line and where it begins. */
export interface Word {
  text: string;
  at: number;
}

/** Where a line stops making sense, and what was perhaps meant. */
export class Misread extends Error {
  constructor(
    readonly at: number,
    message: string,
    readonly suggestion?: string,
  ) {
    super(message);
  }
}

/** The words of a line. */
export const wordsOf = (line: string): Word[] => [...line.matchAll(/\S+/g)].map((m) => ({ text: m[0], at: m.index }));

/** A line read word by word. */
export class Cursor {
  private i: number;

  constructor(
    readonly line: string,
    private readonly words: readonly Word[],
    from: number,
  ) {
    this.i = from;
  }

  peek(): string {
    return this.words[this.i]?.text.toLowerCase() ?? '';
  }

  /** The next word; Misread where the line ends, saying what is missing. */
  next(what: string): Word {
    const w = this.words[this.i++];
    if (!w) throw new Misread(this.line.length, `${what} is missing`);
    return w;
  }

  skip(): void {
    this.i++;
  }

  /** What is left of the line. */
  rest(): { text: string; at: number } {
    const at = this.words[this.i]?.at ?? this.line.length;
    return { text: this.line.slice(at).trim(), at };
  }

  /** The line with a word replaced by the nearest of a vocabulary, where there is one. */
  suggest(word: Word, vocabulary: readonly string[]): string | undefined {
    const near = nearestWord(word.text, vocabulary);
    return near && this.line.slice(0, word.at) + near + this.line.slice(word.at + word.text.length);
  }
}
