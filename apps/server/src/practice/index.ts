export { keepPractice, readPractice } from './routes.js';
export { addSheet, listLearners, listSheets, sheetCsv, takeSheetBack } from './sheets.js';
