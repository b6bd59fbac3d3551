import type { Finding } from './finding';

/**
 * What takes longer than a moment: a press or the tap of a sense proven by circuit simulation, joints and taps from scattered parts,
 * stories of what goes wrong, the failure drill.
 */
export const STUDY_KINDS = ['proof', 'scatter', 'tap', 'tap-scatter', 'stories', 'drill'] as const;
/** One of `STUDY_KINDS`. */
export type StudyKind = (typeof STUDY_KINDS)[number];

/** What came of a study, with a key of the very inputs that it rests on. */
export interface StudyVerdict {
  readonly kind: StudyKind;
  /** Id of the press or the sense that it is about; empty where it is about the whole job. */
  readonly of: string;
  /** Key of its inputs: another one makes it old. */
  readonly basis: string;
  /** ISO time. */
  readonly at: string;
  readonly findings: readonly Finding[];
}

/** How a study is known within its job. */
export const studyId = (kind: StudyKind, of: string): string => `${kind} ${of}`;
