export { closedAtMost, closedAtLeast, openAtLeast } from './contact-times';
export { SAFE_PRESS, USUAL_PRESS_SECONDS } from './usual-press';
