export { feedFindings, loadsOf, type Load } from './findings';
