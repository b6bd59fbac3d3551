const measured = new WeakMap<object, number>();

/**
 * How many characters a value takes as the shortest JSON. What was measured before is remembered, so that of a job that was changed only
 * the change is measured.
 * @param value plain data.
 */
export function jsonSize(value: unknown): number {
  if (typeof value !== 'object' || value === null) return value === undefined ? 0 : JSON.stringify(value).length;
  const known = measured.get(value);
  if (known !== undefined) return known;
  let size = 2;
  if (Array.isArray(value)) for (const item of value) size += jsonSize(item) + 1;
  else for (const [key, item] of Object.entries(value)) size += JSON.stringify(key).length + jsonSize(item) + 2;
  measured.set(value, size);
  return size;
}
