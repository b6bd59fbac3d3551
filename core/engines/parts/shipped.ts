import { MOTION } from './shipped-motion';
import type { ShippedPart } from './shipped-part';
import { RELAYS } from './shipped-relays';
import { SEMICONDUCTORS } from './shipped-semiconductors';

/** Part classes that ship; the first of each kind is taken where nothing is picked. */
export const SHIPPED_PARTS: readonly ShippedPart[] = [...SEMICONDUCTORS, ...RELAYS, ...MOTION];
