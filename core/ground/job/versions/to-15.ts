import { added, eachOf, type Migration, type Plain } from './step';

/** The own meter of a bought module shows watts; what else read a current read one round a lead. */
const kindOf = (s: Plain): Plain =>
  s['kind'] === 'current' && s['touches'] === 'module' ? { ...s, kind: 'watts' } : s;

/** Version 15 keeps recordings beside the job, and knows where a number that a sense reads says yes. */
export const toFifteenth: Migration = (document) => {
  const grown = added({ senses: { limit: null } })(document);
  return { recordings: [], ...grown, senses: eachOf(grown['senses'], kindOf) };
};
