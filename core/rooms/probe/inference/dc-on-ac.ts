import type { Reading } from '../../../ground/job';

/**
 * What a cheap AC setting without a capacitor before its rectifier shows of a DC voltage, the right way round: it halves the wave and is
 * scaled for a sine, π/√2 = 2.22 times; the other way round it shows none. Source: common practice (`dc-on-ac`).
 */
const SHOWN = { least: 2.05, most: 2.4 } as const;
/** Under so much DC the share is told by last digits. */
const LEAST_VOLTS = 1;

const opposite = (a: Reading, b: Reading): boolean =>
  a.from.kind === b.to.kind && a.from.name === b.to.name && a.to.kind === b.from.kind && a.to.name === b.from.name;
const alike = (a: Reading, b: Reading): boolean =>
  a.from.kind === b.from.kind && a.from.name === b.from.name && a.to.kind === b.to.kind && a.to.name === b.to.name;

/** Readings on AC that show the DC which was read at the same place in the same state: they tell of the meter, not of the control. */
export function dcOnAc(readings: readonly Reading[]): Reading[] {
  const dc = readings.filter((r) => r.kind === 'volts-dc' && r.relation === '=' && Math.abs(r.value) >= LEAST_VOLTS);
  return readings.filter(
    (r) =>
      r.kind === 'volts-ac' &&
      r.relation === '=' &&
      dc.some((d) => {
        const sign = alike(d, r) ? 1 : opposite(d, r) ? -1 : 0;
        const share = r.value / (sign * d.value);
        return sign !== 0 && d.state === r.state && share >= SHOWN.least && share <= SHOWN.most;
      }),
  );
}
