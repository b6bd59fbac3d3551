export { ampsBetween, ohmsBetween, solveNodes, voltsBetween, type Branch, type NodeVolts } from './linear';
