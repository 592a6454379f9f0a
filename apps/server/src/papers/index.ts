export { cutStripPdf } from './cut-strip-pdf.js';
export { stringTablePdf } from './table-pdf.js';
