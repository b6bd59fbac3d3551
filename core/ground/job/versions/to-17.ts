import { added, type Migration } from './step';

/** Version 17 has loops of warmth, amounts by flow, and switches that put modes on. */
export const toSeventeenth: Migration = added({
  routine: { loops: [], amounts: [] },
  hands: { mode: '' },
});
