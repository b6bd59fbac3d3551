export { CONTACT_TELLS, senseFindings } from './findings';
