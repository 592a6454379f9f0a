export { saddleBreak, type SaddleBreak } from './saddle-break.js';
