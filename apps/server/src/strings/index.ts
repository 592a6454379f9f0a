export { fillTables } from './fill-tables.js';
export { misfit } from './misfit.js';
export { addSet, addString, addTuning, changeString, readStringTable, stringTable } from './routes.js';
export { setColumnsOf, stringColumnsOf, toSetColumns, toStringColumns } from './rows.js';
