export { byteAt, firstItem, intAt, itemAt, lastItem, present, realAt } from './items';
