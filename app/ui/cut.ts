/** A name that fits into so many characters: the whole of it belongs into a title beside it. */
export const cut = (text: string, most: number): string =>
  text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;
