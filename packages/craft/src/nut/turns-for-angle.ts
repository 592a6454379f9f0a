import { turnHeight, type PostAndString } from '../post/index.js';
import type { Metres, Radians } from '../units/index.js';
import { breakAngle, exitHeightFor, type NutRun } from './break-angle.js';

export type TurnsForAngle =
  | { kind: 'turns'; turns: number }
  /** Even turns down to the face would leave the string too shallow. */
  | { kind: 'out-of-reach'; best: Radians };

/** Least turns on the post, those above the hole included, that break the string over the nut by `wanted`. */
export function turnsForAngle(
  wanted: Radians,
  run: Omit<NutRun, 'exitHeight'>,
  holeHeight: Metres,
  turnsAbove: number,
  wrapped: Pick<PostAndString, 'postDiameter' | 'stringDiameter'>,
): TurnsForAngle {
  const withNone = breakAngle({ ...run, exitHeight: holeHeight });
  if (withNone.vertical >= wanted) return { kind: 'turns', turns: turnsAbove };
  const lowest = (wrapped.stringDiameter / 2) as Metres;
  const height = exitHeightFor(wanted, run);
  if (height < lowest) return { kind: 'out-of-reach', best: breakAngle({ ...run, exitHeight: lowest }).vertical };
  return { kind: 'turns', turns: turnsAbove + (holeHeight - height) / turnHeight(wrapped) };
}
