import { slug } from '../../ground/quantity';

/** What the program says once it is in charge; the programming sheet tells what to look for. */
export const inCharge = (title: string): string => `${slug(title)} is in charge`;
