import { STRING_EVENTS, type StringStage, type TickKind } from '../stages/index.js';
import type { BenchEvent, EventOf } from './events.js';

const STAGE_OF: Readonly<Record<string, StringStage>> = {
  ...Object.fromEntries(Object.entries(STRING_EVENTS).map(([stage, kind]) => [kind, stage as StringStage])),
  tensioned: 'bring-up',
};
export const isTick = (event: BenchEvent): event is EventOf<TickKind> => event.kind in STAGE_OF;
export const stageOf = (kind: TickKind): StringStage => STAGE_OF[kind] ?? 'bring-up';
