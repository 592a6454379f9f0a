export {
  addInstrument,
  archiveInstrument,
  changeGeometry,
  changeInstrument,
  changeMethods,
  listInstruments,
  passport,
} from './instrument-routes.js';
export { dueCalendar, listDue, projectDue, writeDue } from './due.js';
export { asFiled, fileInstrument, instrumentProblems } from './filed.js';
export { readPassport } from './instrument.js';
export { addOwner, changeOwner, listOwners, mergeOwners } from './owner-routes.js';
export { ownerData, removeOwner } from './owner-data.js';
export { summariesOf } from './summaries.js';
