import type { Worksheet } from './fold.js';
import type { ScrapReason } from './events.js';

/** One thing that a job takes from the shelf. */
export interface StockUse {
  kind: 'set' | 'string';
  itemId: string;
  state: 'reserved' | 'used' | 'scrapped';
  /** String number on the instrument; null for a set. */
  string: number | null;
  why: ScrapReason | null;
  /** When it was reserved, opened or lost, ISO 8601. */
  at: string;
}

/**
 * What a job takes: its set, a single for every string that is not of that set, and one more for each string that was scrapped. Reserved when it is
 * chosen, used from the first string that is laid out or fitted, since a packet that is open is no stock any more.
 * `setStrings` are the ids of the set that was chosen, string 1 first; null where it is no set of the table.
 */
export function stockUse(sheet: Worksheet, setStrings: readonly string[] | null): StockUse[] {
  const { chosen } = sheet;
  if (chosen === null) return [];
  const { setId, strings } = chosen.payload;
  const opened = sheet.standing.find(({ kind }) => kind === 'laid-out' || kind === 'wound' || kind === 'handed-over');
  const state = opened === undefined ? ('reserved' as const) : ('used' as const);
  const at = (opened ?? chosen).at;
  const set: StockUse[] =
    setId === undefined || setId === null || setStrings === null
      ? []
      : [{ kind: 'set', itemId: setId, state, string: null, why: null, at }];
  const singles = strings.flatMap(({ stringId }, index): StockUse[] =>
    stringId === undefined || setStrings?.[index] === stringId
      ? []
      : [{ kind: 'string', itemId: stringId, state, string: index + 1, why: null, at }],
  );
  const scrapped = sheet.scrapped.flatMap(({ string, payload, at: lostAt }): StockUse[] => {
    const itemId = strings[string - 1]?.stringId;
    return itemId === undefined ? [] : [{ kind: 'string', itemId, state: 'scrapped', string, why: payload.why, at: lostAt }];
  });
  return [...set, ...singles, ...scrapped];
}
