import { added, type Migration } from './step';

/**
 * Version 12 knows jobs that press nothing, what the wires of a sense touch, and boards that are bought as a switch with its own contact.
 */
export const toTwelfth: Migration = added({
  wish: { does: 'acts' },
  senses: { touches: 'unknown' },
  'board.profiles': { module: null },
});
