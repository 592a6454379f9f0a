/** What one job left on an instrument: when, and when each string that is on it since was fitted. */
export interface Fitting {
  /** ISO 8601. */
  fittedAt: string;
  /** Where only some strings were replaced. */
  only?: { strings: readonly number[] } | undefined;
  strings: readonly { string: number; fittedAt?: string | undefined }[];
}

/** How long one string was on: `early` where it was replaced by itself, before the set was due. */
export interface StringLife {
  /** Milliseconds since 1970. */
  from: number;
  /** Null while it is on. */
  to: number | null;
  ended: 'with-its-set' | 'early' | null;
}

/** The lives of one string, numbered from 1, the oldest first. `fittings` in any order. */
export function livesOf(fittings: readonly Fitting[], string: number): StringLife[] {
  const inOrder = [...fittings].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt));
  const lives: StringLife[] = [];
  for (const { fittedAt, only, strings } of inOrder) {
    const there = strings.find((each) => each.string === string);
    if (there === undefined) continue;
    const from = Date.parse(there.fittedAt ?? fittedAt);
    const before = lives.at(-1);
    if (before?.from === from) continue;
    if (before !== undefined) lives[lives.length - 1] = { ...before, to: from, ended: only === undefined ? 'with-its-set' : 'early' };
    lives.push({ from, to: null, ended: null });
  }
  return lives;
}
