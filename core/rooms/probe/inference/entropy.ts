import { present } from '../../../ground/lists';
/** Uncertainty over alternatives with these shares, bits. */
export const entropyBits = (shares: ArrayLike<number>): number => {
  let h = 0;
  for (let i = 0; i < shares.length; i++)
    if (present(shares[i]) > 0) h -= present(shares[i]) * Math.log2(present(shares[i]));
  return h;
};
