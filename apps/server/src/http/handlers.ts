import { addAttachment, attachment, listAttachments, removeAttachment } from '../attachments/index.js';
import { appendEvents, jobEvents, logCsv, logJson, readLog } from '../bench-log/index.js';
import { calendarAddress, dayCalendar, makeCalendarAddress, subscribedCalendar, withdrawCalendarAddress } from '../calendars/index.js';
import { askedJob, changeHours, day, keepPlan, pin, promisesKept, visits } from '../day/index.js';
import { changeHouse, house } from '../house/index.js';
import { listJobs, mergeInstruments, movePromise, takeIn, worksheet } from '../jobs/index.js';
import { addPerson, changePassphrase, health, listNames, listPeople, savePreferences, session, signIn, signOut } from '../people/index.js';
import {
  addInstrument,
  addOwner,
  archiveInstrument,
  changeGeometry,
  changeInstrument,
  changeMethods,
  changeOwner,
  dueCalendar,
  listDue,
  listInstruments,
  listOwners,
  mergeOwners,
  passport,
} from '../register/index.js';
import { exportFile, importFile } from '../files/index.js';
import { outbox, sendMessage } from '../outbox/index.js';
import { countStock, placeOrder, stock } from '../stock/index.js';
import { addSet, addString, addTuning, changeString, stringTable } from '../strings/index.js';
import { cardPdf, cutStripPdf, daySheetPdf, labelPdf, stringTablePdf } from '../papers/index.js';
import type { Handlers } from '../handling/index.js';

/** All but the feed, which needs a line to the database of its own. */
export const handlers: Omit<Handlers, 'feed'> = {
  health,
  session,
  signIn,
  signOut,
  savePreferences,
  changePassphrase,
  listPeople,
  listNames,
  addPerson,
  listOwners,
  addOwner,
  changeOwner,
  mergeOwners,
  listInstruments,
  listDue,
  dueCalendar,
  dayCalendar,
  calendarAddress,
  makeCalendarAddress,
  withdrawCalendarAddress,
  subscribedCalendar,
  outbox,
  sendMessage,
  addInstrument,
  passport,
  listAttachments,
  addAttachment,
  attachment,
  removeAttachment,
  changeInstrument,
  archiveInstrument,
  mergeInstruments,
  changeGeometry,
  changeMethods,
  house,
  changeHouse,
  day,
  askedJob,
  pin,
  keepPlan,
  changeHours,
  promisesKept,
  visits,
  daySheetPdf,
  listJobs,
  takeIn,
  movePromise,
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
  readLog,
  logCsv,
  logJson,
  cutStripPdf,
  cardPdf,
  labelPdf,
  stringTablePdf,
};
