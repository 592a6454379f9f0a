export { HandOver } from './hand-over';
