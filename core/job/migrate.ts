import { freshSurvey } from './fresh-survey';
import { JOB_VERSION, WAY_WISHES, type WayWish } from './types';

/** Turns a document of one version into one of the next. Pure; never drops what it does not know how to carry. */
export type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** The wishes of version 2, in the order as shipped. */
const SECOND_WISHES: readonly WayWish[] = [
  'isolated',
  'silent',
  'any-polarity',
  'few-parts',
  'small',
  'cheap',
  'reversible',
  'moisture-proof',
  'sure-contact',
];

/** Version 2 brought readings without a number, what Probe records beside readings, and the order of wishes for a way of pressing. */
const toSecond: Migration = (d) => ({
  ...d,
  readings: Array.isArray(d['readings'])
    ? d['readings'].map((r: unknown) => (typeof r === 'object' && r !== null ? { ...r, said: '' } : r))
    : d['readings'],
  survey: without(freshSurvey() as unknown as Plain, 'mains'),
  thumb:
    typeof d['thumb'] === 'object' && d['thumb'] !== null ? { ...d['thumb'], wishes: [...SECOND_WISHES] } : d['thumb'],
});

/** What the plans of version 3 began with; a value that differs was given by the maker. */
const THIRD_PLANS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
  finger: {
    on: 'button',
    hornMetres: 0.022,
    axisMetres: 0.016,
    restDegrees: 0,
    pressDegrees: 50,
    mount: 'foam-tape',
    padLengthMetres: 0.05,
    padWidthMetres: 0.025,
    leverMetres: 0.03,
  },
  motor: {
    wiring: 'two-changeovers',
    boxWiring: 'box-interlocked',
    supplyVolts: 12,
    runningAmps: null,
    stallAmps: null,
    windingOhms: null,
    coastSeconds: 0.5,
    swapped: false,
    mirrored: false,
  },
  signal: {
    what: 'level',
    points: [],
    topStep: 0,
    highVolts: 5,
    enable: 'none',
    loadOhms: 10e3,
    returnVolts: null,
    pwmHertz: 1000,
    knob: 'changeover',
  },
  hand: {
    drive: 'crank',
    motor: 'gear-motor',
    loadKilograms: 2,
    tubeMetres: 0.04,
    crankNewtons: 10,
    crankMetres: 0.1,
    turns: 20,
    rewired: false,
    driverVolts: 12,
    mirrored: false,
    fits: [],
  },
  scan: { medianSeconds: 2e-3, mostSeconds: 8e-3, leadSeconds: 0.2e-3, scansNeeded: 3, holdSeconds: 0.3 },
  remote: { has: 'unknown', batteryVolts: 3, pullOhms: 100e3 },
};

/** What Thumb began with in version 3, as it was then: a later beginning must not change what an old file becomes. */
const THIRD_THUMB: Readonly<Record<string, unknown>> = {
  control: '',
  way: null,
  resistorOhms: null,
  groundWireMetres: 0.3,
  colours: {},
  parts: [],
  picks: {},
  stock: [],
  currency: 'EUR',
  machines: 1,
  ...THIRD_PLANS,
  motor: { ...THIRD_PLANS['motor'], contactAmps: 10 },
  supply: { resumes: 'untested', atRest: 'open' },
};

/**
 * Version 3 brought part libraries, the plans of the other ways of pressing, and two more wishes; the relay's contact
 * became a part that is picked.
 */
const toThird: Migration = (d) => {
  const before = d['thumb'];
  if (typeof before !== 'object' || before === null) return { ...d };
  const { relayContact, ...kept } = before as Record<string, unknown>;
  const wishes = Array.isArray(kept['wishes'])
    ? [...kept['wishes'], ...WAY_WISHES.filter((w) => !(kept['wishes'] as unknown[]).includes(w))]
    : kept['wishes'];
  return {
    ...d,
    thumb: { ...THIRD_THUMB, ...kept, wishes, picks: relayContact === 'signal' ? { relay: 'relay-signal' } : {} },
  };
};

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

type Plain = Record<string, unknown>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);
const without = (o: Plain, ...keys: string[]): Plain =>
  Object.fromEntries(Object.entries(o).filter(([k]) => !keys.includes(k)));
const eachOf = (list: unknown, add: (o: Plain) => Plain): unknown =>
  Array.isArray(list) ? list.map((x: unknown) => (isPlain(x) ? add(x) : x)) : list;

/**
 * Version 4 brought how the machine meets mains, where it stands, what ends a press, who tried what, and which values were given.
 * Which level presses became a property of the way, the contact's rating one of its part. A machine that nobody described is unknown.
 */
const toFourth: Migration = (d) => {
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

/** Keyed by the version they start from. */
export const MIGRATIONS: Readonly<Record<number, Migration>> = { 1: toSecond, 2: toThird, 3: toFourth };

/**
 * Brings a document up to the current version, one step at a time.
 * Throws RangeError where a step is missing.
 */
export function migrate(
  document: Readonly<Record<string, unknown>>,
  steps: Readonly<Record<number, Migration>> = MIGRATIONS,
  target: number = JOB_VERSION,
): Record<string, unknown> {
  let current: Record<string, unknown> = { ...document };
  while (current['version'] !== target) {
    const from = current['version'] as number;
    const step = steps[from];
    if (!step) throw new RangeError(`no way is known from version ${from} to ${from + 1}`);
    current = { ...step(current), version: from + 1 };
  }
  return current;
}
