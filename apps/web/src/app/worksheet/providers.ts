import type { Provider } from '@angular/core';
import { Listening, SimulatedInstrument } from './hearing';
import { RetunePlanned, RoundsByEar, Settling } from './settle';
import { BenchActions } from './actions';
import { Drafts, InHand, JobLog, LaidOut, RunInHand, StageClock, WindPlans, WorksheetDesk, WorksheetFiles } from './desk';

/** What one worksheet holds, from its file to what can be done. */
export const DESK: Provider[] = [
  WorksheetFiles,
  Drafts,
  InHand,
  JobLog,
  LaidOut,
  WindPlans,
  RunInHand,
  WorksheetDesk,
  StageClock,
  BenchActions,
  Settling,
  SimulatedInstrument,
  Listening,
  RoundsByEar,
  RetunePlanned,
];
