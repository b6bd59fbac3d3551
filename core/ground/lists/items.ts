/** The item at a place of a list. Throws RangeError where there is none: what is missing is found where it is missed. */
export function itemAt<T>(list: ArrayLike<T>, i: number): T {
  const item = list[i];
  if (item === undefined) throw noPlace(i, list.length);
  return item;
}

/** The first item of a list that has one. Throws RangeError for an empty list. */
export const firstItem = <T>(list: ArrayLike<T>): T => itemAt(list, 0);

/** The last item of a list that has one. Throws RangeError for an empty list. */
export const lastItem = <T>(list: ArrayLike<T>): T => itemAt(list, list.length - 1);

/** A value that is there by what was built before. Throws RangeError where it is not. */
export function present<T>(value: T | null | undefined): T {
  if (value === null || value === undefined) throw new RangeError('a value that must be there is missing');
  return value;
}

const noPlace = (i: number, length: number): RangeError =>
  new RangeError(`there is no item ${i} in a list of ${length}`);

// A reader for each kind of numbers: engines read them in their innermost loops, and a reader of one kind is as fast as the list itself.

/** A real number of a list. Throws RangeError outside of it. */
export function realAt(list: Float64Array, i: number): number {
  const x = list[i];
  if (x === undefined) throw noPlace(i, list.length);
  return x;
}

/** A whole number of a list. Throws RangeError outside of it. */
export function intAt(list: Int32Array, i: number): number {
  const x = list[i];
  if (x === undefined) throw noPlace(i, list.length);
  return x;
}

/** A byte of a list. Throws RangeError outside of it. */
export function byteAt(list: Uint8Array, i: number): number {
  const x = list[i];
  if (x === undefined) throw noPlace(i, list.length);
  return x;
}
