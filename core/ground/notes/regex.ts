/** A regular expression in pieces, so that a long list of phrases can be read line by line. */
export const regex = (flags: string, ...pieces: readonly string[]): RegExp => new RegExp(pieces.join(''), flags);
