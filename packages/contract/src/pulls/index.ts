export { neckReadings, pullOf } from './pulls.js';
