export { bandOf, type Band, type Weighted } from './band.js';
