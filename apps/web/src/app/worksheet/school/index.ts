export { SchoolLine } from './school-line';
