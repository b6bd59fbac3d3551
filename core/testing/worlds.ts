import type { MachineTable, Op, WorldPlan } from '../engines/world';

/** For tests: a world of one part that meets events as they come. */
export const alone = (table: MachineTable): WorldPlan => ({
  parts: [{ name: 'it', table }],
  lines: 0,
  contacts: [],
  channels: [],
  senses: [],
  aparts: [],
  hands: [],
  moves: [],
  monitors: [],
  twitches: [],
  readySeconds: 0,
});

/** For tests: a step that calls for help where it does not come true. */
export const op = (o: Partial<Op> & Pick<Op, 'do'>): Op => ({
  lines: [],
  seconds: 0,
  sense: -1,
  is: true,
  orElse: 'call',
  to: 0,
  times: 1,
  ...o,
});
