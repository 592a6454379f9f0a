export { CHECK_LINE_MM, PAPER_KINDS, PAPERS, type Paper } from './paper.js';
export { drawCutStrip, type CutStrip, type Sheet } from './cut-strip.js';
export { stripRows, type StripRow } from './strip-rows.js';
