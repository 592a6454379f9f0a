import type { Provider } from '@angular/core';
import { BridgeByEar } from './balance';
import { BridgeDesk, BridgeWork } from './bridge';
import { Listening, SimulatedBridge, SimulatedInstrument } from './hearing';
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
  BridgeDesk,
  BridgeWork,
  BenchActions,
  Settling,
  SimulatedBridge,
  SimulatedInstrument,
  Listening,
  RoundsByEar,
  BridgeByEar,
  RetunePlanned,
];
