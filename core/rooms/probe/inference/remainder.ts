import { lookShare } from '../../../engines/circuit';
import { CONTROL_KINDS, LOOKS, type Look, type Meter } from '../../../ground/job';
import { likelihoodOf, WHOLE_SCALE } from './likelihood';
import { particles } from './builds';
import { predictions } from './particles';
import type { Evidence } from './repeats';

/** Shares of controls that are built in a way that no structure foresees, and that are a known structure of no kind (`remainder`). */
export const REMAINDER_SHARE = 0.04;
export const STRANGER_SHARE = 0.05;
/**
 * Of what such a control shows, this share is spread over the whole scale; the rest looks, reading by reading, like
 * what some kind shows.
 */
const ANYWHERE = 0.15;
/** How much wider than a kind's own it lets a reading lie. */
const WIDER = 3;
/** Every so many of the builds are enough for a distribution as broad as this. */
const EVERY = 11;

const kept = new Map<string, number>();
const MOST_KEPT = 4000;

/**
 * How likely a reading is for a control of no known kind: a broad distribution of its own, made of what the kinds show before
 * anything is known, one reading at a time. It knows of no supply that readings share, so whatever fits a kind as a whole beats it,
 * and only what fits none leaves it in the lead.
 */
export function remainderLikelihood(e: Evidence, meter: Meter): number {
  return e.agreed.reduce((sum, a) => sum + a.share * single(a.reading, a.ids.length > 1, meter), 0);
}

function single(r: Evidence['agreed'][number]['reading'], repeated: boolean, meter: Meter): number {
  if (r.kind === 'look')
    return (1 - ANYWHERE) * mean(CONTROL_KINDS.map((k) => lookShare(k, r.said as Look))) + ANYWHERE / LOOKS.length;
  const key = JSON.stringify([r.kind, r.from, r.to, r.state, r.relation, r.value, r.digit, r.said, repeated, meter]);
  const known = kept.get(key);
  if (known !== undefined) return known;
  const { of, slip } = likelihoodOf(r, meter, repeated);
  const usual = mean(
    CONTROL_KINDS.map((kind) => {
      const table = predictions(kind, r, meter, r.value);
      const { weights } = particles(kind);
      let [sum, total] = [0, 0];
      for (let i = 0; i < weights.length; i += EVERY) {
        table.need(i);
        sum += weights[i]! * of(table.mean[i]!, WIDER * table.sd[i]!);
        total += weights[i]!;
      }
      return sum / total;
    }),
  );
  const anywhere = r.relation === '=' && r.said === '' ? 1 / WHOLE_SCALE[r.kind] : 0.5;
  const out = slip + (1 - ANYWHERE) * usual + ANYWHERE * anywhere;
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, out);
  return out;
}

const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;
