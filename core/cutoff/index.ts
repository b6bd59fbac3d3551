export { oneShot, type OneShot } from './one-shot';
