export { Ready } from './ready';
