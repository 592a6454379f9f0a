import type { PastSetup } from '@gold-peg/contract/register';
import { describe, expect, it } from 'vitest';
import { lifeRows, sayWhen } from './due-words';
import { curveOf, foundMarks, LEFT, lifeMarks, measuredOf, setupMarks, timeAxis } from './time-line';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 5, 1);
const ago = (days: number) => new Date(NOW - days * DAY).toISOString();
const WIDTH = 900;

const setup = (days: number, more: Partial<PastSetup> = {}): PastSetup => ({
  jobId: `job ${days}`,
  setName: '.012–.053',
  fittedAt: ago(days),
  fittedBy: 'Corin Vell',
  remark: '',
  notes: [],
  measurements: [],
  strings: [1, 2].map((string) => ({ string, construction: 'wound', gaugeMm: 0.3 * string, turns: null, slackMm: null })),
  ...more,
});
const axisOf = (setups: PastSetup[]) => timeAxis(setups, null, NOW, WIDTH);

describe('the time line', () => {
  it('has its first setup at its left, today farther right, and room for what is to come', () => {
    const setups = [setup(400), setup(100)];
    const axis = axisOf(setups);
    const marks = setupMarks(axis, setups);
    expect(marks.map(({ setup: { jobId } }) => jobId)).toEqual(['job 400', 'job 100']);
    expect(marks[0]?.x).toBeGreaterThanOrEqual(LEFT);
    expect(axis.x(NOW)).toBeLessThan(WIDTH - 60);
    // days are as far apart wherever they lie: 300 days from one to the other, 100 from there to now
    expect((marks[0]?.room ?? 0) / (marks[1]?.room ?? 1)).toBeCloseTo(3, 6);
    expect(axis.ticks.some(({ year, label }) => year && label === '2026')).toBe(true);
  });

  it('tells what rounds cost as a mean over the strings that were read', () => {
    const strings = [
      { ...setup(1).strings[0], string: 1, dropsCents: [-40, -10] },
      { ...setup(1).strings[1], string: 2, dropsCents: [-20] },
    ] as PastSetup['strings'];
    expect(setupMarks(axisOf([]), [setup(50, { strings })])[0]?.rounds).toEqual([30, 10]);
  });

  it('ends a string where the next is fitted: by itself that is early', () => {
    const first = setup(300);
    const only = setup(200, {
      only: { strings: [1], name: '.012' },
      strings: [
        { ...first.strings[0], string: 1, gaugeMm: 0.28 } as never,
        { ...first.strings[1], string: 2, fittedAt: ago(300) } as never,
      ],
    });
    const axis = axisOf([only, first]);
    const lives = lifeMarks(axis, [only, first], 1);
    expect(lives.map(({ early, on, gaugeMm }) => [early, on, gaugeMm])).toEqual([[true, false, 0.3], [false, true, 0.28]]); // prettier-ignore
    expect(lives[0]?.to).toBe(lives[1]?.from);
    expect(lifeMarks(axis, [only, first], 2)).toEqual([expect.objectContaining({ from: axis.x(NOW - 300 * DAY), to: axis.x(NOW), on: true })]); // prettier-ignore
  });

  it('draws what was found until it was not found again, and to today while it is open', () => {
    const groove = { what: 'groove' as const, severity: 'watch' as const, string: 2, fret: 3, wood: null, text: '' };
    const dry = { what: 'board-dry' as const, severity: 'soon' as const, string: null, fret: null, wood: null, text: '' };
    const setups = [
      setup(300, { findings: [dry, groove] }),
      setup(200, { findings: [{ ...groove, severity: 'soon' }] }),
      setup(100, { findings: [groove] }),
    ];
    const axis = axisOf(setups);
    const marks = foundMarks(axis, setups);
    expect(marks.map(({ finding, open }) => [finding.what, open])).toEqual([['board-dry', false], ['groove', true]]); // prettier-ignore
    expect(marks[0]?.to).toBe(axis.x(NOW - 200 * DAY));
    expect(marks[1]).toMatchObject({ from: axis.x(NOW - 300 * DAY), to: axis.x(NOW) });
  });
});

describe('a measure over time', () => {
  const measurements = (valueMm: number, asItCame: boolean) => [{ what: 'relief' as const, valueMm, asItCame }];

  it('is what it came in with before what it left with', () => {
    const setups = [
      setup(100, { measurements: [...measurements(0.2, false), ...measurements(0.26, true)] }),
      setup(300, { measurements: measurements(0.21, false) }),
    ];
    expect(measuredOf(setups, 'relief').map(({ value, found }) => [value, found])).toEqual([[0.21, false], [0.26, true], [0.2, false]]); // prettier-ignore
    expect(measuredOf(setups, 'action-bass')).toEqual([]);
  });

  it('stands higher on paper the larger it is, and steps where it stays as it was until the next', () => {
    const values = [
      { at: NOW - 200 * DAY, value: 600, says: '600 N', found: false },
      { at: NOW - 100 * DAY, value: 700, says: '700 N', found: false },
    ];
    const axis = axisOf([setup(200)]);
    const curve = curveOf(axis, values, { top: 10, bottom: 60, step: true });
    const [low, high] = curve?.points ?? [];
    expect(low?.y ?? 0).toBeGreaterThan(high?.y ?? 99);
    for (const { y } of curve?.points ?? []) expect(y > 10 && y < 60).toBe(true);
    expect(curve?.path.match(/L/g)).toHaveLength(3);
    expect(curveOf(axis, [], { top: 0, bottom: 1, step: true })).toBeNull();
  });

  it('is told where it changed and at the last, never over what is told of a later day', () => {
    // 'as found' stands before its point
    const told = (...row: [days: number, says: string][]) =>
      curveOf(axisOf([setup(400)]), row.map(([days, says]) => ({ at: NOW - days * DAY, value: Number.parseInt(says), says, found: says.endsWith('f') })), { top: 10, bottom: 60, step: true })?.points.map(({ label }) => label); // prettier-ignore
    expect(told([400, '362'], [300, '341'], [200, '341'], [100, '341'])).toEqual(['362', '341', '', '341']);
    expect(told([104, '340'], [102, '340.1'], [100, '340.2'])).toEqual(['', '', '340.2']);
    expect(told([104, '340'], [90, '347'])).toEqual(['', '347']); // it would lie over the other's point
    expect(told([130, '340f'], [100, '341'])).toEqual(['340f', '341']); // to either side
    expect(told([104, '300'], [100, '362'])).toEqual(['300', '362']); // one below the other
  });
});

describe('words about what is due', () => {
  it('count days to it and since', () => {
    expect([57, 1, 0, -1, -40].map((days) => sayWhen(NOW + days * DAY, NOW))).toEqual([
      'in 57 days',
      'in 1 day',
      'today',
      '1 day ago',
      '40 days ago',
    ]);
  });

  it('tell lives in hours by what is played: 210 days at 5 h a week are 150', () => {
    const rows = lifeRows({ setups: [setup(310), setup(100)] } as never, 2, 5, NOW);
    expect(rows.map(({ days, hours, on }) => [Math.round(days), Math.round(hours), on])).toEqual([[210, 150, false], [100, 71, true]]); // prettier-ignore
  });
});
