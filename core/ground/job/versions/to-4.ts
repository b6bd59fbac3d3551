import { eachOf, isPlain, without, type Migration, type Plain } from './step';
import { THIRD_PLANS } from './to-3';

/**
 * Ratings that own parts of version 3 did not have, as low as they can be: what nobody entered must not pass for a good part.
 * A rating may take the value of another one of the same part.
 */
const NEW_RATINGS: Readonly<Record<string, Readonly<Record<string, number | string>>>> = {
  optocoupler: { outputAmps: 1e-3, gapMetres: 0 },
  'solid-state-relay': { gapMetres: 0 },
  relay: { inrushAmps: 'contactAmps', isolationVolts: 100, gapMetres: 0 },
  'relay-module': { inrushAmps: 'contactAmps', isolationVolts: 100, gapMetres: 0 },
  'analogue-switch': { switchAmps: 1e-3 },
  logic: { inputVolts: 'mostVolts' },
  stepper: { torqueHertz: 1 },
};

/** The values of an own part with the ratings that an older version did not ask for. */
export function withNewRatings(kind: unknown, values: unknown): unknown {
  const wanted = NEW_RATINGS[String(kind)];
  if (!wanted || !isPlain(values)) return values;
  return {
    ...Object.fromEntries(
      Object.entries(wanted).map(([key, v]) => [
        key,
        typeof v === 'string' ? (values[v] ?? [1e-3, 1e-3, 1e-3]) : [v, v, v],
      ]),
    ),
    ...values,
  };
}

/**
 * Version 4 brought how the machine meets mains, where it stands, what ends a press, who tried what, and which values were given.
 * Which level presses became a property of the way, the contact's rating one of its part. A machine that nobody described is unknown.
 */
export const toFourth: Migration = (d) => {
  const put = (key: string, change: (o: Plain) => Plain): Plain => (isPlain(d[key]) ? { [key]: change(d[key]) } : {});
  const given = isPlain(d['thumb'])
    ? Object.entries(THIRD_PLANS).flatMap(([plan, began]) => {
        const is = (d['thumb'] as Plain)[plan];
        return isPlain(is)
          ? Object.keys(began)
              .filter((k) => JSON.stringify(is[k]) !== JSON.stringify(began[k]))
              .map((k) => `${plan}.${k}`)
          : [];
      })
    : [];
  const fresh = { kind: 'starts-and-stops-itself', shortestPressSeconds: 0.04, runSeconds: 1500, afterPowerCut: 'off' };
  return {
    ...d,
    ...put('wish', (w) => ({ ...w, heldBy: '' })),
    ...put('survey', (s) => ({
      mains: { feed: 'unknown', mainSwitch: 'unknown', cables: 'unknown', earth: 'unknown' },
      ...s,
      ...(isPlain(s['meter']) ? { meter: { stated: false, ...s['meter'] } } : {}),
    })),
    ...put('thumb', (t) => ({
      ...t,
      ...(isPlain(t['motor']) ? { motor: { ...without(t['motor'], 'contactAmps'), runCapacitor: 'unknown' } } : {}),
      parts: eachOf(t['parts'], (p) => ({ ...p, values: withNewRatings(p['kind'], p['values']) })),
      given,
    })),
    ...put('board', (b) => without(b, 'activeHigh')),
    ...put('feed', (f) => ({ ...f, isolated: 'unknown', rail: '', leadMetres: null, leadSquareMetres: null })),
    ...put('guard', (g) => ({
      ...without(g, 'contactAmps'),
      ...(g['loadWatts'] === null ? { loadKind: 'unknown' } : {}),
      place: 'unknown',
      cutOff: 'none',
    })),
    ...put('act', (a) => {
      const machine = a['machine'];
      const unsaid =
        JSON.stringify(machine) === JSON.stringify(fresh) && Array.isArray(a['script']) && a['script'].length === 0;
      return {
        ...a,
        machine: unsaid
          ? {
              kind: 'unknown',
              shortestPressSeconds: null,
              longestPressSeconds: null,
              runSeconds: null,
              afterPowerCut: 'off',
            }
          : isPlain(machine)
            ? { ...machine, longestPressSeconds: null }
            : machine,
      };
    }),
    ...put('sheet', (s) => ({ ...s, by: '' })),
    trials: eachOf(d['trials'], (t) => ({ ...t, by: '', basis: '' })),
  };
};
