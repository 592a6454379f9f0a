export { Letter } from './letter';
