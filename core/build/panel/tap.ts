import { designedTap, TAP_PULL_OHMS, type Tap } from '../../engines/tap';
import type { DriveFact } from '../../ground/facts';
import type { Sense, SenseSignal } from '../../ground/job';
import { isBare, needsPin, ownPullOf, SENSES } from '../lines';
import { dividerOhms } from './divider';

/** Where nobody read it: nothing stands behind it, its low level is zero, it is up for a tenth of each turn. */
const UNREAD_SIGNAL = { sourceOhms: 0, lowVolts: 0, duty: 0.1 } as const;

/** What a sense is given, as nobody read it. */
const UNREAD: SenseSignal = {
  nature: 'unknown',
  lowVolts: null,
  sourceOhms: null,
  hertz: null,
  duty: null,
  shortestSeconds: null,
};
/** What was read of what comes in. */
export const readSignal = (sense: Pick<Sense, 'signal'>): SenseSignal => sense.signal ?? UNREAD;

/** Whether something stands between a signal and a pin, or may have to: what brings a level of its own. */
export const isTapped = (sense: Sense): boolean =>
  needsPin(sense) && !isBare(sense) && sense.kind !== 'temperature' && sense.highVolts !== null;

/** Whether each going up is one pulse that is to come through. */
export const isPulsed = ({ kind }: Pick<Sense, 'kind'>): boolean => SENSES[kind].sort === 'pulses';

/** Whether what goes up and down while it is so is to be told as one, and not pulse by pulse. */
export const isBridged = (sense: Sense, { nature }: SenseSignal): boolean =>
  nature === 'alternating' || (nature === 'flickering' && (!isPulsed(sense) || sense.joint === 'hold'));

/**
 * The tap of a sense with parts that fit what it reads, every value the usual one; null where none is planned, or where it hangs on how
 * often the signal goes up and down and nobody read that.
 */
export function tapOf(sense: Sense, drive: DriveFact): Tap | null {
  if (!isTapped(sense) || sense.highVolts === null) return null;
  const signal = readSignal(sense);
  if ((isBridged(sense, signal) || sense.joint === 'pump') && signal.hertz === null) return null;
  const swings = signal.nature === 'alternating' && sense.joint !== 'pump';
  const tap = designedTap({
    joint: sense.joint,
    signal: {
      // What alternates goes half its swing up and half of it down.
      highVolts: swings ? sense.highVolts / 2 : sense.highVolts,
      lowVolts: signal.nature === 'alternating' ? 0 : (signal.lowVolts ?? UNREAD_SIGNAL.lowVolts),
      sourceOhms: signal.sourceOhms ?? UNREAD_SIGNAL.sourceOhms,
      hertz: isBridged(sense, signal) || sense.joint === 'pump' ? signal.hertz : null,
      duty: dutyOf(sense, signal),
    },
    pinVolts: drive.pinVolts,
    pullOhms: ownPullOf(sense) ?? TAP_PULL_OHMS,
  });
  return { ...tap, upperOhms: dividerOhms(sense, drive.highVolts.high) ?? 0 };
}

function dutyOf(sense: Sense, signal: SenseSignal): number {
  if (sense.joint === 'pump') return 0.5;
  if (signal.nature === 'flickering') return isBridged(sense, signal) ? (signal.duty ?? UNREAD_SIGNAL.duty) : 1;
  return signal.nature === 'alternating' && sense.joint === 'hold' ? 0.5 : 1;
}
