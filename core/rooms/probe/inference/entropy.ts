/** Uncertainty over alternatives with these shares, bits. */
export const entropyBits = (shares: ArrayLike<number>): number => {
  let h = 0;
  for (let i = 0; i < shares.length; i++) if (shares[i]! > 0) h -= shares[i]! * Math.log2(shares[i]!);
  return h;
};
