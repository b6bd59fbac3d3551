export { sunEvent, sunStays, type SkyPlace } from './sun';
