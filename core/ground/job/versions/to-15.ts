import { added, eachOf, without, type Migration, type Plain } from './step';

/** The own meter of a bought module shows watts; what else read a current read one round a lead. */
const kindOf = (s: Plain): Plain =>
  s['kind'] === 'current' && s['touches'] === 'module' ? { ...s, kind: 'watts' } : s;

/** A divider was all that could stand before a pin. */
const jointOf = (s: Plain): Plain => ({
  joint: s['divider'] === true ? 'divider' : 'direct',
  ...without(s, 'divider'),
});

/**
 * Version 15 keeps recordings beside the job, knows where a number that a sense reads says yes, and what stands between what the machine
 * gives and a pin.
 */
export const toFifteenth: Migration = (document) => {
  const nothing = { limit: null, signal: null, coil: null, lead: null, magnet: null, count: null, place: 'unknown' };
  const grown = added({ senses: nothing, 'act.parts': { between: null, screws: [] } })(document);
  return { recordings: [], ...grown, senses: eachOf(grown['senses'], (s) => kindOf(jointOf(s))) };
};
