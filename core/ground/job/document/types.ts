import type { Room } from './rooms';
import type { Survey } from './survey/types';
import type { BoardPlan, Hand, Sense, Sign } from './controller/types';
import type { ActPlan } from './act/types';
import type { GuardRecord } from './guard/types';
import type { Region, SheetPlan, StandinState, Trial, Wish } from './plan/types';
import type { Control, Reading } from './readings/types';
import type { FeedPlan } from './feed/types';
import type { BenchPlan, Press } from './press/types';
import type { RoutinePlan } from './routine/types';
import type { JobRecording } from './recordings/types';

export * from './act/types';
export * from './survey/types';
export * from './controller/types';
export * from './feed/types';
export * from './guard/types';
export * from './plan/types';
export * from './readings/types';
export * from './yes-no';
export * from './press/types';
export * from './recordings/types';
export * from './routine/types';

/** What every job file says it is. */
export const JOB_FORMAT = 'gentle-thumb/job';
/** The version of the document that this program writes. */
export const JOB_VERSION = 18;

/** Everything known, decided and tested about one machine; one plain JSON document. Times are ISO 8601 with offset Z. */
export interface Job {
  format: typeof JOB_FORMAT;
  version: typeof JOB_VERSION;
  id: string;
  title: string;
  place: string;
  createdAt: string;
  touchedAt: string;
  archived: boolean;
  region: Region;
  wish: Wish;
  controls: Control[];
  readings: Reading[];
  survey: Survey;
  presses: Press[];
  bench: BenchPlan;
  senses: Sense[];
  /** Recordings that are kept beside the job, by the hash of their bytes. */
  recordings: JobRecording[];
  hands: Hand[];
  signs: Sign[];
  board: BoardPlan;
  feed: FeedPlan;
  guard: GuardRecord;
  act: ActPlan;
  routine: RoutinePlan;
  sheet: SheetPlan;
  trials: Trial[];
  standin: StandinState;
  /** Append-only: undo adds an entry, it takes none away. */
  log: LogEntry[];
}

/** A line of the log, with when and in which room. */
export interface LogEntry {
  at: string;
  room: Room | '';
  text: string;
}
