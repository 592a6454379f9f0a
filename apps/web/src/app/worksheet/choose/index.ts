export { Choose } from './choose';
