import { floats, isVibrato, type Bridge } from '../instrument/index.js';

/** Which way the bridge goes when the total pull changes. How far is a matter of springs, and needs the balance of this instrument. */
export type Tilt = 'fixed' | 'stands-loose' | 'rests-on' | 'may-lift' | 'as-before' | 'toward-neck' | 'into-body' | 'unknown';

/** Less than this, in per cent of the total, is within the friction of a bridge. */
const NO_CHANGE_PERCENT = 1;

/** `totalPercent` is the change of the total pull; null while the old set is not known. */
export function bridgeTilt(bridge: Pick<Bridge, 'anchor'> & Partial<Pick<Bridge, 'vibrato'>>, totalPercent: number | null): Tilt {
  if (bridge.anchor === 'hooked-tailpiece') return 'stands-loose';
  const moves = floats(bridge);
  if (!isVibrato(bridge)) return 'fixed';
  if (totalPercent === null) return 'unknown';
  if (!moves) return totalPercent > NO_CHANGE_PERCENT ? 'may-lift' : 'rests-on';
  if (Math.abs(totalPercent) <= NO_CHANGE_PERCENT) return 'as-before';
  return totalPercent > 0 ? 'toward-neck' : 'into-body';
}
