import { firstItem, present, realAt } from '../../ground/lists';
import { offScale } from '../../engines/circuit';
import { edited, type Job, type Reading } from '../../ground/job';
import { isolationOf } from './isolation/isolation';
import { isIsolationReading } from './isolation/relevant';
import { predictions } from './inference/particles';
import type { NextReading } from './next/say-next';
import { nextFor, surveysOf, type ControlSurvey } from './survey';

/** What readings that only prove isolation are imagined as, and the counts of a usual meter. */
const IMAGINED = { insulationOhms: 500e6, acVolts: 0.3, acDigit: 0.1, counts: 2000 } as const;

/** One reading of a plan for the whole board, with the answer that the plan takes for granted. */
export interface PlannedReading {
  readonly reading: NextReading;
  readonly controlName: string;
}

/**
 * The readings of a whole board in the order that touches least: isolation first, then what tells most, each planned on the
 * likeliest answer to those before it. A surprise changes what follows; the plan is then made anew.
 * @param count how many readings ahead.
 */
export function boardOrder(job: Job, count: number): PlannedReading[] {
  const out: PlannedReading[] = [];
  let imagined = job;
  for (let n = 0; n < count; n++) {
    const surveys = surveysOf(imagined);
    const options = surveys.flatMap((s) => {
      const reading = nextFor(imagined, s);
      return reading ? [{ s, reading, first: isolationOf(imagined, s.control).verdict === 'unknown' ? 1 : 0 }] : [];
    });
    // Unplugged readings go together, so that the plug is pulled once.
    const rank = (o: (typeof options)[number]): number =>
      o.first * 1000 + (o.reading.state === 'off' || o.reading.kind === 'ohms' ? 100 : 0) + o.reading.gainBits;
    const best = options.reduce<(typeof options)[number] | undefined>(
      (a, b) => (!a || rank(b) > rank(a) ? b : a),
      undefined,
    );
    if (!best) break;
    out.push({
      reading: best.reading,
      controlName: present(imagined.controls.find((c) => c.id === best.s.control)).name,
    });
    imagined = edited(
      imagined,
      { do: 'add-reading', say: '', reading: likeliest(best.s, best.reading, `plan-${n}`) },
      imagined.touchedAt,
    );
  }
  return out;
}

/** The answer that the leading kind expects, as a reading. Isolation is taken to hold. */
function likeliest(s: ControlSurvey, next: NextReading, id: string): Reading {
  const imaginedTop = s.posterior.before.meter.mostOhms;
  const { from, to, state, kind } = next;
  const base = {
    id,
    at: '2000-01-01T00:00:00Z',
    control: [from, to].some((p) => p.kind === 'contact') ? s.control : '',
    from,
    to,
    state,
    kind,
    by: 'hand',
    said: '',
    struck: false,
  } as const;
  if (isIsolationReading(next))
    return kind === 'ohms' || kind === 'insulation'
      ? { ...base, relation: '>', value: kind === 'ohms' ? imaginedTop : IMAGINED.insulationOhms, digit: 0 }
      : { ...base, relation: '=', value: IMAGINED.acVolts, digit: IMAGINED.acDigit };
  const meaning = next.meanings[0];
  if (kind === 'look') return { ...base, relation: '=', value: 0, digit: 0, said: meaning?.look ?? 'springs-back' };
  const { kinds, weights, before } = s.posterior;
  const best = s.candidates.reduce((a, c) => (kinds[c.kind] > kinds[a] ? c.kind : a), firstItem(s.candidates).kind);
  const table = predictions(best, next, before.meter);
  const heaviest = weights[best].reduce((a, w, i, all) => (w > realAt(all, a) ? i : a), 0);
  table.need(heaviest);
  const value = offScale(kind, s.posterior.supplies[best].mean(table, heaviest, kind));
  const most = before.meter.mostOhms;
  return kind === 'ohms' && value > most
    ? { ...base, relation: '>', value: most, digit: 0 }
    : { ...base, relation: '=', value, digit: Math.abs(value) / IMAGINED.counts };
}
