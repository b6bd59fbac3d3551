/** FNV-1a's prime and its beginning; a second beginning makes a second hash (MurmurHash2's seed). */
const PRIME = 0x01000193;
const BEGINNINGS = [0x811c9dc5, 0x9747b28c] as const;
const HEX = { base: 16, digits: 8 } as const;

/** FNV-1a, 32 bits: short, and the same everywhere. Not a guard against ill will. */
function fnv(text: string, begin: number): string {
  let h = begin;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), PRIME) >>> 0;
  return h.toString(HEX.base).padStart(HEX.digits, '0');
}

/** A short key of a text, the same for the same text everywhere: FNV-1a twice with different beginnings. */
export const hashOf = (text: string): string => BEGINNINGS.map((begin) => fnv(text, begin)).join('');
