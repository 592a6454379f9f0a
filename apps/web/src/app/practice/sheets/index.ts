export { SheetList } from './sheet-list';
export { SheetsPlace } from './sheets-place';
