export { CLASSES } from './classes';
export { jointOf } from './joint';
export { chosenWay, rankWays, thumbFindings, wayContext } from './rank';
export { WAY_WORDS, type Part, type WayContext, type WayResult, type Wire } from './way';
