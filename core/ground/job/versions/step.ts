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

/** An object, or each object of a list, with what it lacks; what is neither stays as it is. */
const grown = (at: unknown, path: readonly string[], values: Plain): unknown => {
  if (Array.isArray(at)) return at.map((x: unknown) => grown(x, path, values));
  if (!isPlain(at)) return at;
  const [key, ...rest] = path;
  if (key === undefined) return { ...values, ...at };
  return Object.hasOwn(at, key) ? { ...at, [key]: grown(at[key], rest, values) } : at;
};

/**
 * A step that only adds: values that objects of the version before do not have yet, by the path of those objects, through lists as well:
 * `added({ presses: { note: '' }, 'act.parts': { asks: [] } })`. What is there already stays as it is.
 * @param what literals of this step: it must not follow what today begins with.
 */
export const added =
  (what: Readonly<Record<string, Plain>>): Migration =>
  (document) =>
    Object.entries(what).reduce<Plain>((d, [path, values]) => grown(d, path.split('.'), values) as Plain, document);
