/** A record's own value under a key that came from outside; what every object inherits is no value of it. */
export const own = <V>(record: Readonly<Record<string, V>>, key: string): V | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
