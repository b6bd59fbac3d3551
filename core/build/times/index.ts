export { closedAtMost, closedAtLeast, openAtLeast } from './contact-times';
