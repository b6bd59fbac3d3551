import type { MachinePart } from '../ground/job';
import { tableOf } from '../rooms/act';

/** Words of the states in which a part of the machine may be seen, each once; none while its kind is not said. */
export const stateWords = (p: MachinePart): readonly string[] =>
  p.kind === 'unknown' ? [] : [...new Set(tableOf(p).states.flatMap((s) => (s.role === 'dark' ? [] : [s.word])))];
