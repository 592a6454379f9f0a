export { pluck, ringing, type Pluck } from './pluck.js';
