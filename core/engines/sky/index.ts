export { sunEvent, sunStays, type Place } from './sun';
