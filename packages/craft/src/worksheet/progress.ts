import { passed, stagesOf, type Worksheet } from './fold.js';
import { isTick, stageOf } from './stages.js';
import type { Stage } from '../stages/index.js';

/**
 * Where the work is: at the stage of the latest step while some string has not passed it, and then at the first stage that some string has not passed; the last one when
 * all have. Strings that come off one at a time are so at the stage of the one in hand.
 */
export function currentStage(sheet: Worksheet): Stage {
  const latest = sheet.standing.findLast(isTick);
  const at = latest === undefined ? null : stageOf(latest.kind);
  if (at !== null && sheet.handedOver === null && passed(sheet, at).includes(false)) return at;
  return stagesOf(sheet).find((stage) => passed(sheet, stage).includes(false)) ?? 'hand-over';
}

/** The event that taking back would undo: the latest that stands, at `stage` where one is given. */
export function lastStanding(sheet: Worksheet, kinds?: readonly string[]): string | null {
  return sheet.standing.findLast(({ kind }) => kinds === undefined || kinds.includes(kind))?.id ?? null;
}
