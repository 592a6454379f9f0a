import { placeOf, type Finding } from './findings.js';

/** What one job found; where it was about some strings only, what lies elsewhere was not looked at. */
export interface LookedOver<F extends Finding> {
  /** ISO 8601. */
  fittedAt: string;
  only?: { strings: readonly number[] } | undefined;
  findings?: readonly F[] | undefined;
}

/** Something that was found, from the first time on; `until`: when it was looked for and not found any more, null while it is open. `finding`: as it was found last. */
export interface Thread<F extends Finding> {
  finding: F;
  since: string;
  until: string | null;
}

/** What became of all that was ever found on an instrument, the oldest first. `jobs` in any order. */
export function threadsOf<F extends Finding>(jobs: readonly LookedOver<F>[]): Thread<F>[] {
  const threads: Thread<F>[] = [];
  for (const { fittedAt, only, findings = [] } of [...jobs].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt))) {
    const found = new Map(findings.map((finding) => [placeOf(finding), finding]));
    threads.forEach((thread, nth) => {
      if (thread.until !== null) return;
      const again = found.get(placeOf(thread.finding));
      const looked = only === undefined || (thread.finding.string !== null && only.strings.includes(thread.finding.string));
      if (again !== undefined) threads[nth] = { ...thread, finding: again };
      else if (looked) threads[nth] = { ...thread, until: fittedAt };
      found.delete(placeOf(thread.finding));
    });
    for (const finding of found.values()) threads.push({ finding, since: fittedAt, until: null });
  }
  return threads;
}
