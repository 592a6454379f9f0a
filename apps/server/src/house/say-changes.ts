/** What differs between two sets of ways, as "turns.thin-plain: 3 to 2.5; stripping: none to one-at-a-time". */
export function sayChanges(before: object, after: object): string {
  const [old, now] = [leaves(before), leaves(after)];
  return [...new Set([...old.keys(), ...now.keys()])]
    .filter((key) => old.get(key) !== now.get(key))
    .map((key) => `${key}: ${old.get(key) ?? 'as usual'} to ${now.get(key) ?? 'as usual'}`)
    .join('; ');
}

function leaves(value: object, path: readonly string[] = []): Map<string, string> {
  return new Map(
    Object.entries(value).flatMap(([key, each]: [string, unknown]) =>
      typeof each === 'object' && each !== null ? [...leaves(each, [...path, key])] : [[[...path, key].join('.'), String(each)] as const],
    ),
  );
}
