import type { BoardProfile, Job } from '../../ground/job';
import { pinOf, type Line } from '../../build/lines';
import { eventSeconds, levelsOver, type BoardEvent, type LevelSegment } from './levels';
import { contactOver, type ContactSegment } from './power-up';
import { pinAt } from './profile';

/** What one line does from an event until the program is in charge. */
export interface StripRow {
  readonly line: Line;
  readonly gpio: number;
  readonly label: string;
  readonly levels: readonly LevelSegment[];
  /** What it drives; empty for a line that moves nothing by itself. */
  readonly contact: readonly ContactSegment[];
}

/** All placed lines of a job over one event, those that move the machine first. */
export function stripOf(
  job: Job,
  lines: readonly Line[],
  profile: BoardProfile,
  event: BoardEvent,
): readonly StripRow[] {
  return lines
    .flatMap((line): StripRow[] => {
      const pin = pinAt(profile, pinOf(job, line.id));
      if (!pin) return [];
      return [
        {
          line,
          gpio: pin.gpio,
          label: pin.label,
          levels: levelsOver(pin, profile, event),
          contact: line.press && line.acts ? contactOver(pin, line.press, line.pulledDown, profile, event) : [],
        },
      ];
    })
    .sort((a, b) => Number(b.contact.length > 0) - Number(a.contact.length > 0));
}

/** A press that nobody asked for while the controller starts, for whoever simulates it: seconds from the event. */
export interface PowerUpPress {
  readonly press: string;
  /** Id of the line that does it. */
  readonly line: string;
  readonly event: BoardEvent;
  readonly from: number;
  readonly to: number;
  readonly sure: boolean;
}

/** What every press does by itself at an event, in the order of time. */
export const twitchesOf = (
  job: Job,
  lines: readonly Line[],
  profile: BoardProfile,
  event: BoardEvent,
): readonly PowerUpPress[] =>
  eventSeconds(profile, event) <= 0
    ? []
    : stripOf(job, lines, profile, event)
        .flatMap(({ line, contact }) =>
          contact
            .filter((s) => s.contact !== 'open')
            .map((s): PowerUpPress => ({
              press: line.owner,
              line: line.id,
              event,
              from: s.from,
              to: s.to,
              sure: s.contact === 'closed',
            })),
        )
        .sort((a, b) => a.from - b.from);
