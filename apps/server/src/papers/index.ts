export { cardPdf } from './card-pdf.js';
export { cutStripPdf } from './cut-strip-pdf.js';
export { daySheetPdf } from './day-sheet-pdf.js';
export { labelPdf } from './label-pdf.js';
export { stringTablePdf } from './table-pdf.js';
