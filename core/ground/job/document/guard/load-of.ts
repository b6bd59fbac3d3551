import type { Job, Load } from '../types';

/** The load of a press: its own where that was said, else the one that was said for all. @param press empty for no press at all. */
export function loadOf({ guard }: Pick<Job, 'guard'>, press: string): Load {
  const { loadWatts: watts, loadKind: kind, loadVolts: volts, loadCurrent: current } = guard;
  return guard.loads.find((l) => l.press === press) ?? { press, watts, kind, volts, current };
}
