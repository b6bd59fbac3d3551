export { contactTimes, closedAtMost, closedAtLeast, openAtLeast, type ContactTimes } from './contact-times';
