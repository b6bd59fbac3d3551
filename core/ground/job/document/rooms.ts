/** The rooms in the order of the work. */
export const ROOMS = [
  'wish',
  'probe',
  'thumb',
  'board',
  'feed',
  'guard',
  'sense',
  'act',
  'routine',
  'try',
  'pack',
] as const;
/** One of `ROOMS`. */
export type Room = (typeof ROOMS)[number];
