export { insulationFor, type Category, type Insulation } from './table';
