/**
 * A name that fits into so many characters: the whole of it belongs into a title beside it. Its last word stays, since names of two sides
 * differ there.
 */
export function cut(text: string, most: number): string {
  if (text.length <= most) return text;
  const last = text.slice(text.lastIndexOf(' ') + 1);
  if (last.length > most / 2) return `${text.slice(0, most - 1).trimEnd()}…`;
  return `${text.slice(0, most - last.length - 2).trimEnd()}… ${last}`;
}
