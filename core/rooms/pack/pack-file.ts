/** A file that Pack writes. */
export interface PackFile {
  readonly name: string;
  readonly what: string;
  readonly type: string;
  readonly text: string;
}

/** A file of text. */
export const textFile = (name: string, what: string, type: string, body: string): PackFile => ({
  name,
  what,
  type,
  text: body,
});
