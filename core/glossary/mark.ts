import { TERMS, type Term } from './terms';

/** A text cut where terms begin and end. */
export type TextPiece = { readonly text: string; readonly term: Term | null };

/**
 * Cuts a text at the terms that are explained, each marked once: what stands in `seen` already is left plain, and what is marked is
 * put there. The pieces joined are the text.
 */
export function marked(text: string, seen: Set<string> = new Set()): readonly TextPiece[] {
  const found = TERMS.flatMap((term) => {
    if (seen.has(term.key)) return [];
    const m = new RegExp(`(?<![\\w-])(?:${term.words.source})(?![\\w-])`, 'i').exec(text);
    return m ? [{ term, at: m.index, end: m.index + m[0].length }] : [];
  })
    // Where two overlap, the earlier and then the longer one stands: a solid-state relay is no relay of another sort.
    .sort((a, b) => a.at - b.at || b.end - a.end);
  const pieces: TextPiece[] = [];
  let at = 0;
  for (const f of found) {
    if (f.at < at) continue;
    if (f.at > at) pieces.push({ text: text.slice(at, f.at), term: null });
    pieces.push({ text: text.slice(f.at, f.end), term: f.term });
    seen.add(f.term.key);
    at = f.end;
  }
  if (at < text.length) pieces.push({ text: text.slice(at), term: null });
  return pieces;
}
