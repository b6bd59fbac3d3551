import { added, type Migration } from './step';

/** What a sentence of a clock time leaves open. */
const CLOCK_ALONE = {
  when: 'clock',
  sun: 'set',
  offsetSeconds: 0,
  notBefore: '',
  notAfter: '',
  event: '',
  aheadSeconds: 0,
  sense: '',
  says: true,
  forSeconds: 0,
  mode: '',
  dates: 'any',
  ifs: [],
  does: 'move',
  sets: '',
  tier: 'comfort',
  whenHeld: 'dropped',
  lateSeconds: 600,
  gapSeconds: 0,
  aDay: null,
};

/** Version 16 has rules with other edges than the clock, in tiers, with modes, limits and a calendar, and knows where the sun rises. */
export const toSixteenth: Migration = added({
  region: { latitude: null, longitude: null },
  routine: { modes: [], limits: [], events: [], holidays: [], handHoldsSeconds: null },
  'routine.sentences': CLOCK_ALONE,
});
