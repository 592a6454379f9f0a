import { passed, type Worksheet } from './fold.js';
import { STAGES, type Stage } from './stages.js';

/** The first stage that some string has not passed; the last one when all have. */
export const currentStage = (sheet: Worksheet): Stage => STAGES.find((stage) => passed(sheet, stage).includes(false)) ?? 'hand-over';

/** The event that taking back would undo: the latest that stands, at `stage` where one is given. */
export function lastStanding(sheet: Worksheet, kinds?: readonly string[]): string | null {
  return sheet.standing.findLast(({ kind }) => kinds === undefined || kinds.includes(kind))?.id ?? null;
}
