import { DateTime } from 'luxon';
import { KEPT } from '@gold-peg/contract/copies';

/** Which copies are kept: the latest of each of so many nights, weeks and months that have any. */
export function keptOf(copies: readonly { id: string; madeAt: Date }[], zone: string): Set<string> {
  const latestFirst = [...copies].sort((one, other) => other.madeAt.getTime() - one.madeAt.getTime());
  const kept = new Set<string>();
  for (const [format, most] of [
    ['yyyy-LL-dd', KEPT.nights],
    ["kkkk-'W'WW", KEPT.weeks],
    ['yyyy-LL', KEPT.months],
  ] as const) {
    const spans = new Set<string>();
    for (const { id, madeAt } of latestFirst) {
      const span = DateTime.fromJSDate(madeAt, { zone }).toFormat(format);
      if (spans.has(span) || spans.size === most) continue;
      spans.add(span);
      kept.add(id);
    }
  }
  return kept;
}
