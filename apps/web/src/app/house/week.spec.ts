import { describe, expect, it } from 'vitest';
import { USUAL_HOURS } from '@gold-peg/contract/day';
import { weekOf } from './week';

const HOUR = 60;
const DAY = 24 * HOUR;
/** Thursday 26 November 2026, by a clock without summer time; minutes from its midnight. */
const week = (now: number, windows: [number, number][]) =>
  weekOf({
    origin: '2026-11-26T00:00:00.000Z',
    now,
    hours: { ...USUAL_HOURS, zone: 'UTC' },
    people: [{ id: 'a', name: 'A', can: [], overrun: 0, windows }],
  } as unknown as Parameters<typeof weekOf>[0]);

describe('the week of the house', () => {
  it('has seven days from today, each with its hours, and says where it is closed', () => {
    const days = week(10 * HOUR, [[9 * HOUR, 12 * HOUR], [13 * HOUR, 17 * HOUR + 30], [DAY + 10 * HOUR, DAY + 12 * HOUR]]); // prettier-ignore
    expect(days.map(({ name }) => name)).toEqual(['Thu 26', 'Fri 27', 'Sat 28', 'Sun 29', 'Mon 30', 'Tue 1', 'Wed 2']);
    expect(days.map(({ hours }) => hours).slice(0, 3)).toEqual(['9 to 17:30', '10 to 12', 'closed']);
    expect(days[0]?.people[0]).toHaveLength(2);
  });

  it('draws from eight to seven, and now where it is', () => {
    const [today, tomorrow] = week(13 * HOUR + 30, [[8 * HOUR, 19 * HOUR]]);
    expect(today?.people[0]).toEqual([{ left: 0, width: 100 }]);
    expect(today?.now).toBeCloseTo(50, 9); // half past one lies half way from eight to seven
    expect(tomorrow?.now).toBeNull();
  });
});
