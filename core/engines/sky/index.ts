export { sunEvent, sunStays, type SkyPlace } from './sun';
export { ZONE_PLACES } from './zone-places';
