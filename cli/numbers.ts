import { Unusable } from './unusable';

/** A whole number of an option. Throws Unusable with its bounds. */
export function whole(text: string | undefined, name: string, min: number, max: number): number {
  const n = Number(text);
  if (text === undefined || !Number.isInteger(n) || n < min || n > max)
    throw new Unusable(`--${name} wants a whole number from ${min} to ${max}`);
  return n;
}

/** A number of an option. Throws Unusable with its bounds. */
export function real(text: string, name: string, least: number, most: number): number {
  const n = Number(text);
  if (text.trim() === '' || !(n >= least && n <= most))
    throw new Unusable(`--${name} wants a number from ${least} to ${most}`);
  return n;
}
