/** A whole number from 0 to less than `count`, each as likely. */
export const oneOf = (count: number, chance: () => number): number => Math.floor(chance() * count);

/**
 * Something of a list, each as likely.
 * @throws RangeError where it is empty, with what `none` says.
 */
export function pickFrom<T>(list: readonly T[], chance: () => number, none = 'there is nothing to pick from'): T {
  if (list.length === 0) throw new RangeError(none);
  return list[oneOf(list.length, chance)] as T;
}

/** True so large a share of the time. */
export const happens = (share: number, chance: () => number): boolean => chance() < share;

/** As far to one side as to the other, at most so far. */
export const eitherWay = (most: number, chance: () => number): number => most * (2 * chance() - 1);

/** In another order, each as likely (Fisher and Yates). */
export function shuffled<T>(list: readonly T[], chance: () => number): T[] {
  const now = [...list];
  for (let at = now.length - 1; at > 0; at--) {
    const other = oneOf(at + 1, chance);
    [now[at], now[other]] = [now[other] as T, now[at] as T];
  }
  return now;
}

/** What is meant for a level; what is harder than the list goes gets its last. */
export const atLevel = <T>(list: readonly T[], level: number): T => list[Math.min(level, list.length - 1)] as T;
