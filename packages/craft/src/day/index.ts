export { expectedEffort, minutesToSpare, type Effort } from './latest-start.js';
