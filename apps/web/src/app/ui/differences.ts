export interface Difference {
  path: readonly string[];
  now: unknown;
  typed: unknown;
}

/** Where two values of the same make differ, leaf by leaf. */
export function differences(now: unknown, typed: unknown, path: readonly string[] = []): Difference[] {
  if (!isHolder(now) || !isHolder(typed)) return Object.is(now, typed) ? [] : [{ path, now, typed }];
  const keys = [...new Set([...Object.keys(now), ...Object.keys(typed)])];
  return keys.flatMap((key) => differences(now[key], typed[key], [...path, key]));
}

const isHolder = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null;
