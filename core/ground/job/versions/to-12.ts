import { added, type Migration } from './step';

/**
 * Version 12 knows jobs that press nothing, what the wires of a sense touch, boards that are bought as a switch with its own contact, what
 * a load runs on and loads that differ from press to press, runs as the machine was bought, and what is lost.
 */
export const toTwelfth: Migration = added({
  wish: { role: 'acts', whole: [], cameBroken: false },
  senses: { touches: 'unknown' },
  'board.profiles': { module: null },
  guard: { loadVolts: null, loadCurrent: 'ac', loads: [], losses: [], lossesReviewed: false },
});
