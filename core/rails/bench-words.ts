import { formatQuantity } from '../quantity';
import type { Rail } from '../job';
import { sourceOhms, testLoad } from './rails';

/** Enough to see a rail sag, little enough to harm nothing, A; common practice. */
const TEST_AMPS = 0.05;

/** What to hang on a rail to learn what it can spare, while that was not read; empty where it was, or where its volts are not known. */
export function loadToTry(r: Rail): string {
  if (!r.openVolts || r.loadedVolts !== null) return '';
  const [ohms, watts] = testLoad(r.openVolts, TEST_AMPS);
  return (
    `${formatQuantity(ohms!.result.value, 'Ω')} draws ${formatQuantity(TEST_AMPS, 'A')} and turns ` +
    `${formatQuantity(watts!.result.value, 'W')} to heat`
  );
}

/** The rails whose source resistance can be told, each with it. */
export const sourcesTold = (rails: readonly Rail[]): readonly { readonly name: string; readonly ohms: string }[] =>
  rails.flatMap((r) => {
    const s = sourceOhms(r);
    return s ? [{ name: r.name, ohms: formatQuantity(s.result.value, 'Ω') }] : [];
  });
