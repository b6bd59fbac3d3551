import type { ControlFact } from '../../ground/facts';
import { freshControl, loadOf, type Control, type ControlKind, type Job, type Press, type Way } from '../../ground/job';
import { isExtraLow } from '../../engines/electrics';
import type { WayContext } from './context';

/** What a press without a control moves, by its way: nobody reads a motor, a valve or an outlet that is bought, its plate says it. */
const BARE_KINDS: Partial<Record<Way, ControlKind>> = {
  'reverse-motor': 'motor-pair',
  'hand-mechanism': 'motor-pair',
  'control-box': 'switched-load',
  'relay-contact': 'switched-load',
  'relay-module': 'switched-load',
  'switched-supply': 'switched-load',
  'module-contact': 'switched-load',
  'spare-remote': 'low-when-pressed',
  // A servo that moves something of its own: force and travel are the usual ones, a guess until somebody says that they will do.
  finger: 'low-when-pressed',
};

/** Whether a press belongs to no control. */
export const isBarePress = (c: Pick<WayContext, 'control'>): boolean => c.control.id === '';

/** What stands in for the control of such a press: it is called as the press is. */
export const bareControl = (press: Pick<Press, 'name'>): Control => freshControl('', press.name);

/** What a way moves where it needs no control; undefined where it is made for one. */
export const bareKind = (way: Way): ControlKind | undefined => BARE_KINDS[way];

/**
 * What is known of something that is bought: what it is by the way that moves it, and on what it runs as far as Guard was told. Over the
 * limits of extra-low voltage it is dangerous; while nobody said, nothing of that is known.
 */
export function bareFact(job: Job, press: Pick<Press, 'id'>, way: Way | null): ControlFact {
  const kind = (way && BARE_KINDS[way]) ?? null;
  const { volts, current } = loadOf(job, press.id);
  const switched = kind === 'switched-load';
  return {
    kind,
    leading: kind ?? 'switched-load',
    probability: kind === null ? 0 : 1,
    parameters: {},
    read: {},
    borrowed: false,
    readings: 1,
    lastReadingAt: '',
    alternating: switched && volts !== null ? (current === 'ac' ? 'yes' : 'no') : 'unknown',
    strobesLow: 'unknown',
    farSide: 'floats',
    mostAmps: null,
    contradicted: false,
    isolation: switched && volts === null ? 'unknown' : 'isolated',
    dangerous: switched && volts !== null && !isExtraLow(volts, current),
    signal: 'A',
    tied: [],
  };
}
