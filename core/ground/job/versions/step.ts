/** Turns a document of one version into one of the next. Pure; never drops what it does not know how to carry. */
export type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

/** An object of a document, whatever it holds. */
export type Plain = Record<string, unknown>;
/** Whether a value is such an object. */
export const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);
/** The object without some of its keys. */
export const without = (o: Plain, ...keys: string[]): Plain =>
  Object.fromEntries(Object.entries(o).filter(([k]) => !keys.includes(k)));
/** A list with each of its objects changed; what is no list stays as it is. */
export const eachOf = (list: unknown, add: (o: Plain) => Plain): unknown =>
  Array.isArray(list) ? list.map((x: unknown) => (isPlain(x) ? add(x) : x)) : list;
