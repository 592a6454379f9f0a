export { pluck, type Pluck } from './pluck.js';
