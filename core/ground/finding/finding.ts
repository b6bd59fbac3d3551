import type { JobEdit, Room } from '../job';
import type { Unit } from '../quantity';
import type { SourceKey } from '../sources';

/** settled: meets its limit with margin. tight: meets it barely, or rests on a guess. stop: do not go on. unknown: not yet known. */
export type Verdict = 'settled' | 'tight' | 'stop' | 'unknown';

/** A number with its unit, base units. */
export interface Measure {
  readonly value: number;
  readonly unit: Unit;
}

/**
 * Where a number came from. `estimated` rests on readings, `at` is the last of them; `prior` is what such controls usually have,
 * since nobody read this one; `default` is what a plan begins with, since nobody confirmed it; `class` is the class of a part.
 * `path` names the field that would hold it once confirmed.
 */
export type Origin =
  | { readonly from: 'measured'; readonly at: string; readonly what: string }
  | { readonly from: 'estimated'; readonly at: string; readonly what: string }
  | { readonly from: 'prior'; readonly what: string }
  | { readonly from: 'default'; readonly what: string; readonly path: string }
  | { readonly from: 'maker'; readonly what: string }
  | { readonly from: 'class'; readonly key: SourceKey; readonly part: string }
  | { readonly from: 'source'; readonly key: SourceKey }
  | { readonly from: 'computed'; readonly what: string }
  | { readonly from: 'step' };

/** A number that goes into a step, with where it came from. */
export interface Input extends Measure {
  readonly symbol: string;
  readonly name: string;
  /** What it is an end of, by name, where it stands at an end of its tolerance. */
  readonly of?: string;
  readonly origin: Origin;
  /** The value itself, where `value` stands at an end of its tolerance. */
  readonly usual?: number;
  /** Between which values a maker could have it; none where it cannot be chosen or read otherwise. */
  readonly possible?: readonly [least: number, most: number];
}

/** One line of arithmetic: `symbol = formula`, with every input's value and origin. */
export interface Step {
  readonly what: string;
  readonly symbol: string;
  readonly formula: string;
  readonly inputs: readonly Input[];
  readonly result: Measure;
}

/** What a value is held against. */
export interface Limit extends Measure {
  readonly sense: 'at most' | 'at least';
  readonly name: string;
  readonly origin: Origin;
  /** How the limit itself was worked out, where it was. */
  readonly steps?: readonly Step[];
}

/** What to do about a finding; `edit`, where given, can be applied to the job with one press. */
export interface Remedy {
  readonly text: string;
  readonly label?: string;
  readonly edit?: JobEdit;
  /** Other answers, where which one is right is for the maker to say. */
  readonly others?: readonly { readonly label: string; readonly edit: JobEdit }[];
}

/** What a finding is about, by ids of the job: what it may be looked up by. A finding of the whole job says nothing here. */
export interface About {
  readonly press?: string;
  readonly control?: string;
  /** Parts of the tree of supplies, or loads: several where they are judged as one. */
  readonly nodes?: readonly string[];
  readonly line?: string;
  /** A hand or sign at the controller, whichever of its lines. */
  readonly owner?: string;
  /** A strip, a keypad, a rail or a measured piece of Probe. */
  readonly strip?: string;
  readonly keypad?: string;
  readonly rail?: string;
  /** The place of a fit among those of a press. */
  readonly fit?: number;
}

/** One judgement. A screen shows findings and computes none. */
export interface Finding {
  readonly id: string;
  readonly room: Room;
  readonly verdict: Verdict;
  readonly title: string;
  /** About four words for the bead of the thread. */
  readonly caption: string;
  readonly value: Measure | null;
  readonly limit: Limit | null;
  readonly steps: readonly Step[];
  readonly source: readonly SourceKey[];
  readonly remedy: Remedy | null;
  readonly about?: About;
  /**
   * How far it holds: `without-faults`, it was looked at only while nothing goes wrong, and whatever was looked at more closely takes
   * its place; `whatever-kind`, it holds whatever the control turns out to be.
   */
  readonly holds?: 'without-faults' | 'whatever-kind';
  /** What it says of a way beside its verdict: this control is none for it, or its kind is not known yet. */
  readonly says?: 'no-use' | 'kind-unknown';
  /** It sums its room up, and speaks for it where it is as grave as the rest. */
  readonly sums: boolean;
}

const HARM: Record<Verdict, number> = { settled: 0, tight: 1, unknown: 2, stop: 3 };

/** Whether a verdict is graver than another; the one order in which verdicts stand. */
export const isGraver = (a: Verdict, than: Verdict): boolean => HARM[a] > HARM[than];

/** The graver of two verdicts: stop, then unknown, then tight, then settled. */
export const graver = (a: Verdict, b: Verdict): Verdict => (HARM[a] >= HARM[b] ? a : b);

/** The gravest verdict of a list; `unknown` for an empty one, since nothing judged is nothing known. */
export const gravest = (list: readonly Verdict[]): Verdict =>
  list.length > 0 ? list.reduce(graver, 'settled') : 'unknown';

/** Sorts gravest first and leaves equals in their order. */
export const byHarm = (a: { verdict: Verdict }, b: { verdict: Verdict }): number => HARM[b.verdict] - HARM[a.verdict];

/** Findings with what they are about, where they do not say so themselves. */
export const concerning = (about: About, findings: readonly Finding[]): Finding[] =>
  findings.map((f) => ({ ...f, about: { ...about, ...f.about } }));
