import type { EventOf } from './events.js';
import type { ScrapReason } from '../stages/index.js';
import type { Worksheet } from './fold.js';

/** One thing that a job takes from the shelf. */
export interface StockUse {
  kind: 'set' | 'string';
  itemId: string;
  /** 'kept': it came out of a set that was opened for some of its strings, and lies on the shelf as a single. */
  state: 'reserved' | 'used' | 'scrapped' | 'kept';
  /** String number on the instrument; null for a set. */
  string: number | null;
  why: ScrapReason | null;
  /** When it was reserved, opened or lost, ISO 8601. */
  at: string;
}

/** Ids of the strings of a set, string 1 first; null where it is no set of the table. */
export type SetStrings = (setId: string) => readonly string[] | null;

/** What opens a packet. */
const OPENS: ReadonlySet<string> = new Set(['laid-out', 'wound', 'handed-over']);

/**
 * What a job takes: the set it chose, a single for every string that is not of that set, and one more for each string that was scrapped. Reserved
 * while it is chosen, used from the first string that is laid out or fitted after that: a packet that is open is no stock any more, even when
 * another set is chosen in its place. Choosing the same strings again, in another tuning for instance, opens nothing anew. Where only some strings are
 * replaced, those alone are singles, or come out of a set whose others are kept as singles.
 */
export function stockUse(sheet: Worksheet, setStrings: SetStrings): StockUse[] {
  const choices = choicesOf(sheet);
  const last = choices.at(-1);
  return choices.flatMap((choice) => [
    ...(choice.openedAt === null && choice !== last ? [] : takenBy(choice, setStrings)),
    ...choice.scrapped.flatMap((event) => lostOf(choice, event)),
  ]);
}

interface Choice {
  chosen: EventOf<'set-chosen'>;
  openedAt: string | null;
  scrapped: EventOf<'scrapped'>[];
}

/** Each choice of the job with what happened under it; a choice of the same strings goes on with the one before. */
function choicesOf({ standing }: Worksheet): Choice[] {
  const choices: Choice[] = [];
  for (const event of standing) {
    const current = choices.at(-1);
    if (event.kind === 'set-chosen') {
      if (current === undefined || keyOf(current.chosen) !== keyOf(event)) choices.push({ chosen: event, openedAt: null, scrapped: [] });
    } else if (current !== undefined) {
      if (OPENS.has(event.kind)) current.openedAt ??= event.at;
      if (event.kind === 'scrapped') current.scrapped.push(event);
    }
  }
  return choices;
}

const keyOf = ({ payload: { setId, strings, only } }: EventOf<'set-chosen'>) =>
  [setId ?? '', only?.join() ?? '', ...strings.map(({ stringId, gaugeMm, construction }) => stringId ?? `${construction} ${gaugeMm}`)].join(
    ' ',
  );

function takenBy({ chosen, openedAt }: Choice, setStrings: SetStrings): StockUse[] {
  const { setId, strings, only } = chosen.payload;
  const state = openedAt === null ? ('reserved' as const) : ('used' as const);
  const at = openedAt ?? chosen.at;
  const ofSet = setId === undefined || setId === null ? null : setStrings(setId);
  const opened = ofSet === null || setId == null ? [] : [{ kind: 'set', itemId: setId, state, string: null, why: null, at } as const];
  const single = (itemId: string, index: number, as: StockUse['state'] = state): StockUse => ({
    kind: 'string',
    itemId,
    state: as,
    string: index + 1,
    why: null,
    at,
  });
  const fits = (index: number) => only?.includes(index + 1) ?? true;
  const singles = strings.flatMap(({ stringId }, index) =>
    stringId === undefined || !fits(index) || ofSet?.[index] === stringId ? [] : [single(stringId, index)],
  );
  const kept =
    only === undefined || openedAt === null ? [] : (ofSet ?? []).flatMap((id, index) => (fits(index) ? [] : [single(id, index, 'kept')]));
  return [...opened, ...singles, ...kept];
}

function lostOf({ chosen }: Choice, { string, payload, at }: EventOf<'scrapped'>): StockUse[] {
  const itemId = chosen.payload.strings[string - 1]?.stringId;
  return itemId === undefined ? [] : [{ kind: 'string', itemId, state: 'scrapped', string, why: payload.why, at }];
}
