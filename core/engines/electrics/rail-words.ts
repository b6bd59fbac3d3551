import { present } from '../../ground/lists';
import { formatQuantity } from '../../ground/quantity';
import { finding, type Finding } from '../../ground/finding';
import type { Rail } from '../../ground/job';
import { sourceOhms, testLoad } from './rails';

/** Enough to see a rail sag, little enough to harm nothing, A; common practice. */
const TEST_AMPS = 0.05;

/** What to hang on a rail to learn what it can spare, while that was not read; empty where it was, or where its volts are not known. */
export function loadToTry(r: Rail): string {
  if (!r.openVolts || r.loadedVolts !== null) return '';
  const [ohms, watts] = testLoad(r.openVolts, TEST_AMPS);
  return (
    `${formatQuantity(present(ohms).result.value, 'Ω')} draws ${formatQuantity(TEST_AMPS, 'A')} and turns ` +
    `${formatQuantity(present(watts).result.value, 'W')} to heat`
  );
}

/** The source resistance of each rail of which open and loaded volts were read, with how it came about. It decides nothing by itself. */
export const sourcesTold = (rails: readonly Rail[]): readonly Finding[] =>
  rails.flatMap((r) => {
    const s = sourceOhms(r);
    return s
      ? [
          finding('probe', `rail.${r.id}.source`, {
            verdict: 'settled',
            title: `Source resistance of ${r.name}`,
            caption: 'source resistance',
            value: s.result,
            steps: [s],
            source: ['ohm'],
          }),
        ]
      : [];
  });
