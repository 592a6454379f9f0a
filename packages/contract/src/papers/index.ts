export { drawCutStrip, type CutStrip, type Sheet } from './cut-strip.js';
export { stripRows, type StripRow } from './strip-rows.js';
