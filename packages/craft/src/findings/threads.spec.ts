import { expect, it } from 'vitest';
import { lookedAt, stillOpen, threadsOf, type Finding } from './index.js';

const at = (day: number) => new Date(Date.UTC(2026, 0, day)).toISOString();
const groove: Finding = { what: 'groove', severity: 'watch', string: 2, fret: 3, wood: null };
const worse: Finding = { ...groove, severity: 'soon' };
const dry: Finding = { what: 'board-dry', severity: 'soon', string: null, fret: null, wood: 'rosewood' };

it('follows what was found until it was looked for and not found, as it was found last', () => {
  const jobs = [{ fittedAt: at(20), findings: [worse] }, { fittedAt: at(10), findings: [dry, groove] }, { fittedAt: at(5) }];
  expect(threadsOf(jobs)).toEqual([{ finding: dry, since: at(10), until: at(20) }, { finding: worse, since: at(10), until: null }]); // prettier-ignore
});

it('takes what a job about one string did not look at for open, and what comes back for new', () => {
  const only = (...strings: number[]) => ({ only: { strings } });
  const first = { fittedAt: at(1), findings: [groove, dry] };
  expect(threadsOf([first, { fittedAt: at(2), ...only(1) }]).every(({ until }) => until === null)).toBe(true);
  expect(threadsOf([first, { fittedAt: at(2), ...only(2) }]).map(({ until }) => until)).toEqual([at(2), null]);
  const again = threadsOf([first, { fittedAt: at(2) }, { fittedAt: at(3), findings: [dry] }]);
  expect(again.map(({ since, until }) => [since, until])).toEqual([[at(1), at(2)], [at(1), at(2)], [at(3), null]]); // prettier-ignore
});

it('leaves open what nobody looked at, in whatever job', () => {
  const then = (looked?: number[]) =>
    stillOpen([
      { fittedAt: at(1), findings: [groove, dry] },
      { fittedAt: at(2), looked },
    ]);
  expect([then([]), then([1]), then([2]), then()]).toEqual([[groove, dry], [groove], [], []]);
  const one = { only: { strings: [2] } };
  expect([lookedAt(groove, one), lookedAt(groove, { ...one, looked: [] }), lookedAt(dry, one)]).toEqual([true, false, false]);
});
