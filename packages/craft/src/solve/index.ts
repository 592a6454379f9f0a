export { bisect, type Root } from './bisect.js';
