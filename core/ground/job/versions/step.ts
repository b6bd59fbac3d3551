/** Turns a document of one version into one of the next. Pure; never drops what it does not know how to carry. */
export type Migration = (document: Readonly<Record<string, unknown>>) => Record<string, unknown>;

export type Plain = Record<string, unknown>;
export const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);
export const without = (o: Plain, ...keys: string[]): Plain =>
  Object.fromEntries(Object.entries(o).filter(([k]) => !keys.includes(k)));
export const eachOf = (list: unknown, add: (o: Plain) => Plain): unknown =>
  Array.isArray(list) ? list.map((x: unknown) => (isPlain(x) ? add(x) : x)) : list;
