import { placeOf, type Finding } from './findings.js';

/** Where a job looked: what lies elsewhere is as it was. */
export interface Looked {
  /** Numbers of the strings that it was about; left out where it was about all. */
  only?: { strings: readonly number[] } | undefined;
  /** Numbers of those that were looked over; left out where all of them were. */
  looked?: readonly number[] | undefined;
}

/** What one job found, and where it looked. */
export interface LookedOver<F extends Finding> extends Looked {
  /** ISO 8601. */
  fittedAt: string;
  findings?: readonly F[] | undefined;
}

/** Whether a job looked where something is: under its string, or for what is under none at an instrument that was looked over as a whole. */
export function lookedAt({ string }: Pick<Finding, 'string'>, { only, looked }: Looked): boolean {
  if (string === null) return only === undefined && looked?.length !== 0;
  return [only?.strings, looked].every((numbers) => numbers?.includes(string) ?? true);
}

/** Something that was found, from the first time on; `until`: when it was looked for and not found any more, null while it is open. `finding`: as it was found last. */
export interface Thread<F extends Finding> {
  finding: F;
  since: string;
  until: string | null;
}

/** What was found and never found to be over since, the oldest first. `jobs` in any order. */
export const stillOpen = <F extends Finding>(jobs: readonly LookedOver<F>[]): F[] =>
  threadsOf(jobs).flatMap(({ finding, until }) => (until === null ? [finding] : []));

/** What became of all that was ever found on an instrument, the oldest first. `jobs` in any order. */
export function threadsOf<F extends Finding>(jobs: readonly LookedOver<F>[]): Thread<F>[] {
  const threads: Thread<F>[] = [];
  for (const { fittedAt, findings = [], ...job } of [...jobs].sort((a, b) => Date.parse(a.fittedAt) - Date.parse(b.fittedAt))) {
    const found = new Map(findings.map((finding) => [placeOf(finding), finding]));
    threads.forEach((thread, nth) => {
      if (thread.until !== null) return;
      const again = found.get(placeOf(thread.finding));
      if (again !== undefined) threads[nth] = { ...thread, finding: again };
      else if (lookedAt(thread.finding, job)) threads[nth] = { ...thread, until: fittedAt };
      found.delete(placeOf(thread.finding));
    });
    for (const finding of found.values()) threads.push({ finding, since: fittedAt, until: null });
  }
  return threads;
}
