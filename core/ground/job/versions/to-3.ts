import type { Migration } from './step';

/** What the plans of version 3 began with; a value that differs was given by the maker. */
export const THIRD_PLANS: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
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

/** The wishes of version 3, in the order as shipped then. */
const THIRD_WISHES: readonly string[] = [
  'isolated',
  'silent',
  'any-polarity',
  'few-parts',
  'small',
  'cheap',
  'reversible',
  'moisture-proof',
  'sure-contact',
  'unopened',
  'hand-switch',
];

/**
 * Version 3 brought part libraries, the plans of the other ways of pressing, and two more wishes; the relay's contact
 * became a part that is picked.
 */
export const toThird: Migration = (d) => {
  const before = d['thumb'];
  if (typeof before !== 'object' || before === null) return { ...d };
  const { relayContact, ...kept } = before as Record<string, unknown>;
  const wishes = Array.isArray(kept['wishes'])
    ? [...kept['wishes'], ...THIRD_WISHES.filter((w) => !(kept['wishes'] as unknown[]).includes(w))]
    : kept['wishes'];
  return {
    ...d,
    thumb: { ...THIRD_THUMB, ...kept, wishes, picks: relayContact === 'signal' ? { relay: 'relay-signal' } : {} },
  };
};
