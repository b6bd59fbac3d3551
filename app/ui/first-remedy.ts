import { byHarm, type Finding } from '../../core/ground/finding';

/** The finding whose remedy stands at the foot of Know: the gravest that is not settled and knows what to do. */
export const firstRemedy = (findings: readonly Finding[]): Finding | undefined =>
  [...findings].sort(byHarm).find((f) => f.verdict !== 'settled' && f.remedy !== null);
