import { added, type Migration } from './step';

/**
 * Version 11 can press the other side of all that a step presses, not of the first alone, and knows whether an insulation tester is at
 * hand.
 */
export const toEleventh: Migration = added({
  'act.moves.steps': { alsoOther: false },
  'survey.mains': { tester: 'unknown' },
});
