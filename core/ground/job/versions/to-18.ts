import { added, type Migration } from './step';

/**
 * Version 18 has the mains lead, apartness, boards, hazards, gates, accepted stories and links of Guard, harm and warmth as conditions,
 * a watchdog, and cut-outs of loops.
 */
export const toEighteenth: Migration = added({
  guard: {
    watchdogSeconds: null,
    chains: [],
    apart: { category: 'unknown', altitude: null, group: 'unknown' },
    boards: [],
    own: [],
    gates: {},
    drills: [],
    accepted: [],
    links: [],
  },
  'wish.nevers': { sense: '', degrees: 40, harm: 'unsaid', whom: '' },
  'routine.loops': { cutsOffAt: null, backAt: null },
});
