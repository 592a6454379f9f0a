import { appendEvents, jobEvents } from '../bench-log/routes.js';
import { changeHouse, house } from '../house/routes.js';
import { listJobs, takeIn, worksheet } from '../jobs/routes.js';
import { addPerson, changePassphrase, health, listPeople, savePreferences, session, signIn, signOut } from '../people/routes.js';
import {
  addInstrument,
  changeGeometry,
  changeInstrument,
  changeMethods,
  listInstruments,
  passport,
} from '../register/instrument-routes.js';
import { addOwner, changeOwner, listOwners } from '../register/owner-routes.js';
import { exportFile } from '../files/export.js';
import { importFile } from '../files/import.js';
import { countStock, placeOrder, stock } from '../stock/routes.js';
import { addSet, addString, addTuning, changeString, stringTable } from '../strings/routes.js';
import { cutStripPdf } from '../papers/cut-strip-pdf.js';
import { stringTablePdf } from '../papers/table-pdf.js';
import type { Handlers } from '../handling/handler.js';

/** All but the feed, which needs a line to the database of its own. */
export const handlers: Omit<Handlers, 'feed'> = {
  health,
  session,
  signIn,
  signOut,
  savePreferences,
  changePassphrase,
  listPeople,
  addPerson,
  listOwners,
  addOwner,
  changeOwner,
  listInstruments,
  addInstrument,
  passport,
  changeInstrument,
  changeGeometry,
  changeMethods,
  house,
  changeHouse,
  listJobs,
  takeIn,
  worksheet,
  stringTable,
  addString,
  changeString,
  addSet,
  addTuning,
  stock,
  countStock,
  placeOrder,
  importFile,
  exportFile,
  appendEvents,
  jobEvents,
  cutStripPdf,
  stringTablePdf,
};
