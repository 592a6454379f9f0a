import type { Provider } from '@angular/core';
import { Settling } from '../settle/settling';
import { BenchActions } from './bench-actions';
import { Drafts } from './drafts';
import { InHand } from './in-hand';
import { JobLog } from './job-log';
import { LaidOut } from './laid-out';
import { StageClock } from './stage-clock';
import { WindPlans } from './wind-plans';
import { WorksheetDesk } from './worksheet-desk';
import { WorksheetFiles } from './worksheet-files';

/** What one worksheet holds, from its file to what can be done. */
export const DESK: Provider[] = [
  WorksheetFiles,
  Drafts,
  InHand,
  JobLog,
  LaidOut,
  WindPlans,
  WorksheetDesk,
  StageClock,
  BenchActions,
  Settling,
];
