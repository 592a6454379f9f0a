export { pluck, ringing, type Pluck, type RingsAlong } from './pluck.js';
