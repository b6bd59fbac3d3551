/** A gear train's ratio from the teeth of its pairs, driven over driving. Throws RangeError for an empty train. */
export function gearRatio(pairs: readonly (readonly [driven: number, driving: number])[]): number {
  if (pairs.length === 0) throw new RangeError('a gear train has at least one pair');
  return pairs.reduce((ratio, [driven, driving]) => (ratio * driven) / driving, 1);
}
