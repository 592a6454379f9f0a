export { actionChange, reliefChange, type Estimate, type NeckReading } from './neck-change.js';
