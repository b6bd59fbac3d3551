import { added } from './step';

/**
 * Version 8 says which key of a pad a press is, and has hands that begin moves and let go counted starts, commands by message among
 * them, signs that count until care is due, and machines that ask for something between their presses.
 */
export const toEighth = added({
  'presses.scan': { key: '' },
  hands: { begins: [], startsPerArming: null, topic: '' },
  'act.parts': { asks: [] },
  signs: { dueAfterStarts: null },
});
