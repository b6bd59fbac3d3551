export const YES_NO = ['unknown', 'yes', 'no'] as const;
