import { eachOf, isPlain, type Migration } from './step';

/**
 * Version 8 says which key of a pad a press is, and has hands that begin moves and let go counted starts, commands by message among
 * them, signs that count until care is due, and machines that ask for something between their presses.
 */
export const toEighth: Migration = (d) => ({
  ...d,
  ...(Array.isArray(d['presses'])
    ? { presses: eachOf(d['presses'], (p) => (isPlain(p['scan']) ? { ...p, scan: { key: '', ...p['scan'] } } : p)) }
    : {}),
  ...(Array.isArray(d['hands'])
    ? { hands: eachOf(d['hands'], (h) => ({ begins: [], startsPerArming: null, topic: '', ...h })) }
    : {}),
  ...(isPlain(d['act']) && Array.isArray(d['act']['parts'])
    ? { act: { ...d['act'], parts: eachOf(d['act']['parts'], (p) => ({ asks: [], ...p })) } }
    : {}),
  ...(Array.isArray(d['signs']) ? { signs: eachOf(d['signs'], (s) => ({ dueAfterStarts: null, ...s })) } : {}),
});
