/** Of one wire, or of many fine ones. */
export type Strand = 'flexible' | 'solid';
