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
export type Room = (typeof ROOMS)[number];
