export { exportFile } from './export.js';
export { importFile } from './import.js';
