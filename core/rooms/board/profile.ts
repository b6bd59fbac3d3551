import type { ContactFact, DriveFact } from '../../ground/facts';
import type { SourceKey } from '../../ground/sources';
import type { BoardPin, BoardProfile, Job, SwitchModule } from '../../ground/job';
import { EIGHT_BIT } from './eight-bit';
import { HEADER_28 } from './header28';
import { PLUG_SWITCH } from './plug-switch';
import { WIFI_17 } from './wifi17';
import { WIFI_34 } from './wifi34';

/** The boards that ship, by what they are. */
export const SHIPPED_BOARDS: readonly BoardProfile[] = [WIFI_17, WIFI_34, EIGHT_BIT, HEADER_28, PLUG_SWITCH];

const SOURCE: Readonly<Record<string, SourceKey>> = {
  'wifi-17': 'board-wifi17',
  'wifi-34': 'board-wifi34',
  'eight-bit-20': 'board-8bit',
  'header-28': 'board-header28',
  'plug-switch': 'board-switch',
};

/** Every board that a job may take: its own, then those that ship; an own board hides a shipped one of the same key. */
export const boardsOf = (job: Job): readonly BoardProfile[] => [
  ...job.board.profiles,
  ...SHIPPED_BOARDS.filter((s) => !job.board.profiles.some((p) => p.key === s.key)),
];

/** The board of a job; undefined where none is called so. */
export const profileOf = (job: Job): BoardProfile | undefined => boardsOf(job).find((p) => p.key === job.board.profile);

/** Where the values of the job's board come from. */
export const boardSource = (job: Job): SourceKey =>
  job.board.profiles.some((p) => p.key === job.board.profile)
    ? 'board-own'
    : (SOURCE[job.board.profile] ?? 'board-own');

/** A pin of a board by its chip number. */
export const pinAt = (profile: BoardProfile | undefined, gpio: number | null): BoardPin | undefined =>
  profile?.pins.find((p) => p.gpio === gpio);

const usual = ([low, nominal, high]: readonly [number, number, number]) => ({ low, nominal, high });

const contactOf = (m: SwitchModule, key: SourceKey): ContactFact => ({
  name: 'the contact of the module',
  amps: m.contactAmps,
  inrushAmps: m.inrushAmps,
  volts: m.contactVolts,
  origin: { from: 'source', key },
});

/** What the chosen controller's pins can drive. */
export function driveFact(job: Job): DriveFact | null {
  const p = profileOf(job);
  return p
    ? {
        controller: p.name,
        source: boardSource(job),
        highVolts: usual(p.highVolts),
        limitAmps: p.pinAmps,
        meanAmps: p.meanAmps,
        peakAmps: p.peakAmps,
        supplyVolts: usual(p.supplyVolts),
        chipVolts:
          p.chipLeastVolts === null || p.chipMostVolts === null
            ? null
            : { low: p.chipLeastVolts, nominal: p.volts, high: p.chipMostVolts },
        pinVolts: p.volts,
        regulator: p.regulator,
        dropVolts: p.dropVolts,
        sleepAmps: p.sleepAmps,
        chipSleepAmps: p.chipSleepAmps,
        module: p.module,
        moduleContact: p.module && contactOf(p.module, boardSource(job)),
      }
    : null;
}
