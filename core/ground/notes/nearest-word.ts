import { itemAt } from '../lists';
/** Levenshtein distance of two short words. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      next[j] = Math.min(
        itemAt(row, j) + 1,
        itemAt(next, j - 1) + 1,
        itemAt(row, j - 1) + Number(a[i - 1] !== b[j - 1]),
      );
    }
    row = next;
  }
  return itemAt(row, b.length);
}

/** The word of a vocabulary nearest to `word`, if it is near enough to be a slip: one in two letters, at most two. */
export function nearestWord(word: string, vocabulary: readonly string[]): string | undefined {
  const allowed = Math.min(2, Math.max(1, Math.floor(word.length / 2)));
  return vocabulary
    .map((v) => ({ v, d: distance(word.toLowerCase(), v.toLowerCase()) }))
    .filter((x) => x.d <= allowed)
    .sort((x, y) => x.d - y.d)[0]?.v;
}
