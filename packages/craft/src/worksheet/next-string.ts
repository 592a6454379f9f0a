import { passed, type Worksheet } from './fold.js';
import { STAGES, type Stage } from './stages.js';

/** First string (zero-based) in the technician's `order` that has not passed `stage`, looking on from `after` and round; null when all have. */
export function nextString(sheet: Worksheet, stage: Stage, order: readonly number[], after: number | null = null): number | null {
  const done = passed(sheet, stage);
  const start = after === null ? 0 : order.indexOf(after) + 1;
  const rotated = [...order.slice(start), ...order.slice(0, start)];
  return rotated.find((index) => done[index] === false) ?? null;
}

/** The first stage that some string has not passed; the last one when all have. */
export const currentStage = (sheet: Worksheet): Stage => STAGES.find((stage) => passed(sheet, stage).includes(false)) ?? 'hand-over';

/** The event that taking back would undo: the latest that stands, at `stage` where one is given. */
export function lastStanding(sheet: Worksheet, kinds?: readonly string[]): string | null {
  return sheet.standing.findLast(({ kind }) => kinds === undefined || kinds.includes(kind))?.id ?? null;
}
