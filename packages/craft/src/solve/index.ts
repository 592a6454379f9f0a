export { bisect, type Root } from './bisect.js';
export { factorSpd, type Factored } from './cholesky.js';
export { ridders } from './ridders.js';
