import { describe, expect, it } from 'vitest';
import type { JobSummary } from '@gold-peg/contract/jobs';
import { jobRow } from './job-row';
import { promiseTicks } from './promise-rule';

const NOW = Date.parse('2026-05-26T09:00:00Z');
const HOUR = 3_600_000;

function job(
  passport: number,
  hours: number | null,
  family: JobSummary['instrument']['family'] = 'acoustic',
  attendedMinutes = 40,
): JobSummary {
  return {
    id: String(passport),
    state: 'waiting',
    stage: 'choose',
    reason: '',
    takenInAt: new Date(NOW).toISOString(),
    promisedAt: hours === null ? null : new Date(NOW + hours * HOUR).toISOString(),
    setName: null,
    attendedMinutes,
    learnedFrom: 0,
    instrument: {
      id: 'i',
      passport,
      name: 'n',
      facts: '',
      family,
      scaleMm: 600,
      stringCount: 6,
      ownerId: null,
      ownerName: null,
      currentSet: null,
      fittedAt: null,
      openJobId: null,
    },
  };
}

describe('a line of the rack', () => {
  it('says what it takes and how much time is left before it has to be started', () => {
    expect(jobRow(job(7, 10), NOW)).toMatchObject({ passport: '0007', takes: '40 min', state: 'time', left: '9 h to spare' });
  });

  it('counts the day that nylon moves', () => {
    const row = jobRow(job(8, 26, 'ukulele', 30), NOW);
    expect(row).toMatchObject({ takes: '30 min + 24 h settling', state: 'soon' });
    expect(row.left).toMatch(/^start by /);
    expect(jobRow(job(8, 20, 'ukulele', 30), NOW)).toMatchObject({ state: 'late', left: expect.stringContaining('too late') });
  });

  it('takes the minutes that this person has shown to need, and says that it does', () => {
    const learned = { ...job(7, 10, 'acoustic', 52.4), learnedFrom: 5 };
    expect(jobRow(learned, NOW)).toMatchObject({ takes: '52 min, your pace', left: '9 h to spare' });
    expect(jobRow({ ...learned, promisedAt: new Date(NOW + 50 * 60_000).toISOString() }, NOW).state).toBe('late');
  });

  it('leaves an open promise open', () => {
    expect(jobRow(job(9, null), NOW)).toMatchObject({ state: 'open', promised: 'no hurry', left: 'when there is time' });
  });

  it('tells the stage of what is on the bench', () => {
    expect(jobRow({ ...job(9, 4), state: 'on-bench', stage: 'wind' }, NOW).left).toBe('at Wind');
  });
});

describe('the rule of promises', () => {
  const rows = [job(1, 4), job(2, 4.1), job(3, 30), job(4, null)].map((one) => jobRow(one, NOW));

  it('puts later promises farther right, within the rule, and leaves out those without', () => {
    const { marks } = promiseTicks(rows, NOW);
    expect(marks.map(({ passport }) => passport)).toEqual(['0001', '0002', '0003']);
    const lefts = marks.map(({ left }) => left);
    expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
    expect(lefts.at(-1)).toBeLessThan(100);
  });

  it('keeps promises that are close together on rows of their own', () => {
    const [first, second] = promiseTicks(rows, NOW).marks;
    expect(first?.row).not.toBe(second?.row);
  });

  it('lets no flag lie on another as long as three rows have room', () => {
    const crowded = [4, 4.5, 5, 30, 31, 32].map((hours, index) => jobRow(job(index + 1, hours), NOW));
    const { marks } = promiseTicks(crowded, NOW);
    for (const [index, mark] of marks.entries())
      for (const other of marks.slice(index + 1)) if (other.row === mark.row) expect(other.left - mark.left).toBeGreaterThan(4);
  });

  it('spans half a day even where nothing is promised', () => {
    expect(promiseTicks([], NOW).hours.length).toBeGreaterThan(2);
  });
});
