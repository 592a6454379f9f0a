export { bisect, type Root } from './bisect.js';
export { invertSpd } from './cholesky.js';
