export { contactTimes, longestClosed, shortestClosed, shortestOpen, type ContactTimes } from './contact-times';
