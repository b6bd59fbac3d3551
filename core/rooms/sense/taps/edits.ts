import type { JobEdit, Sense } from '../../../ground/job';

/** An edit that puts a sense otherwise. */
export const putSense = (sense: Sense, set: Partial<Sense>, say: string): JobEdit => ({
  do: 'put',
  list: 'senses',
  item: { ...sense, ...set },
  say: `${sense.name}: ${say}`,
});
