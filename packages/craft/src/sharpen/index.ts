export { sharpening, type Figure, type Sharpens } from './sharpen.js';
export { hasMeasure, strayed } from './strayed.js';
