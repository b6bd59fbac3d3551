/** FNV-1a, 32 bits: short, and the same everywhere. Not a guard against ill will. */
function fnv(text: string, begin: number): string {
  let h = begin;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return h.toString(16).padStart(8, '0');
}

/** A short key of a text, the same for the same text everywhere: FNV-1a twice with different beginnings. */
export const hashOf = (text: string): string => fnv(text, 0x811c9dc5) + fnv(text, 0x9747b28c);
