/** An answer that may not be known. */
export const YES_NO = ['unknown', 'yes', 'no'] as const;
