export { placedEnd, wiringOf, type JobWire, type PinWords, type WiredPress, type Wiring } from './wiring';
