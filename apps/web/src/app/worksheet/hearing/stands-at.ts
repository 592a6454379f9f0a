import { dropsOf, type Worksheet } from '@gold-peg/craft/worksheet';
import { broughtTo } from './aim';

/** Where a string (zero-based) stands as far as the log knows, cents from its note; null where nobody knows. `together`: all come up in two passes. */
export function standsAt(sheet: Worksheet, lane: number, { together, inJob }: { together: boolean; inJob: boolean }): number | null {
  const last = sheet.pitches[lane]?.at(-1)?.payload;
  if (last !== undefined) return last.retuned ? 0 : last.cents;
  const heard = lastHeard(sheet, lane);
  if (heard !== null) return heard;
  if (!inJob || (sheet.done.strip[lane] ?? null) === null || (sheet.done['bring-up'][lane] ?? null) !== null) return 0;
  return (sheet.tensioned[lane] ?? null) === null ? null : broughtTo(together);
}

/** Where it was heard last, on the bridge or on its way up. */
export function lastHeard({ heard, onBridge }: Pick<Worksheet, 'heard' | 'onBridge'>, lane: number): number | null {
  const last = onBridge.findLast((event) => event.kind !== 'measured' && 'string' in event && event.string === lane + 1);
  const cents = last !== undefined && 'cents' in last.payload ? last.payload.cents : undefined;
  return cents ?? heard[lane]?.at(-1)?.payload.cents ?? null;
}

/** How often it was stretched and heard again. */
export const roundsOf = (sheet: Worksheet, lane: number): number => dropsOf(sheet, lane).length;
