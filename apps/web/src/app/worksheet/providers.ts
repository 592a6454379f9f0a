import type { Provider } from '@angular/core';
import { Settling } from './settle/settling';
import { BenchActions } from './actions/bench-actions';
import { Drafts } from './desk/drafts';
import { InHand } from './desk/in-hand';
import { JobLog } from './desk/job-log';
import { LaidOut } from './desk/laid-out';
import { StageClock } from './desk/stage-clock';
import { WindPlans } from './desk/wind-plans';
import { WorksheetDesk } from './desk/worksheet-desk';
import { WorksheetFiles } from './desk/worksheet-files';

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
