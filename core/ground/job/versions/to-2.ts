import type { Migration } from './step';

/** The wishes of version 2, in the order as shipped. */
const SECOND_WISHES: readonly string[] = [
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

/** What the survey of version 2 began with, as it was then: today's beginning must not change what an old file becomes. */
const SECOND_SURVEY: Readonly<Record<string, unknown>> = {
  meter: {
    name: 'hand-held, 6 000 counts',
    voltsShare: 0.005,
    voltsDigits: 2,
    otherShare: 0.01,
    otherDigits: 3,
    inputOhms: 10e6,
    burdenOhms: 1,
    mostOhms: 20e6,
    beepBelowOhms: 50,
    trueRms: true,
  },
  strips: [],
  keypads: [],
  rails: [],
  faces: [],
  pieces: [],
  photos: [],
};

/** Version 2 brought readings without a number, what Probe records beside readings, and the order of wishes for a way of pressing. */
export const toSecond: Migration = (d) => ({
  ...d,
  readings: Array.isArray(d['readings'])
    ? d['readings'].map((r: unknown) => (typeof r === 'object' && r !== null ? { ...r, said: '' } : r))
    : d['readings'],
  survey: { ...SECOND_SURVEY, meter: { ...(SECOND_SURVEY['meter'] as object) } },
  thumb:
    typeof d['thumb'] === 'object' && d['thumb'] !== null ? { ...d['thumb'], wishes: [...SECOND_WISHES] } : d['thumb'],
});
