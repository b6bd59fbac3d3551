import { POWER_BACK as BACK, POWER_LOST as LOST } from '../../engines/world';

/** What sort of event it is: a press goes down, is let go, or lasts long; something is in the way; nobody comes; power goes or is back. */
export type EventHow = 'down' | 'up' | 'long' | 'obstacle' | 'nobody' | 'power-lost' | 'power-back';

/** An event that a part can meet: what sort it is, and the key by which tables, cells and happenings know it. */
export interface PartEvent {
  readonly how: EventHow;
  readonly key: string;
}

/** A press goes down. @param role what it is to the part. */
export const down = (role: string): PartEvent => ({ how: 'down', key: role });
/** It is let go. */
export const up = (role: string): PartEvent => ({ how: 'up', key: `${role} let go` });
/** It is held longer than a short press. */
export const long = (role: string): PartEvent => ({ how: 'long', key: `${role} held long` });
/** Something is in the way. */
export const OBSTACLE: PartEvent = { how: 'obstacle', key: 'obstacle' };
/** What happens to what is asked of somebody: nobody does it. */
export const NOBODY: PartEvent = { how: 'nobody', key: 'nobody comes' };
/** Power goes. */
export const LOSES_POWER: PartEvent = { how: 'power-lost', key: LOST };
/** Power is back. */
export const GETS_POWER: PartEvent = { how: 'power-back', key: BACK };
