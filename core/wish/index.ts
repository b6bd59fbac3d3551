export { wishFindings } from './findings';
