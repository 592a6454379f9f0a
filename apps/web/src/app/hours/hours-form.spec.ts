import { describe, expect, it } from 'vitest';
import { houseHours, USUAL_HOURS } from '@gold-peg/contract/day';
import { hoursForm, readHours } from './hours-form';
import { minutesOf, readStretches, sayStretches } from './stretches';

const [ada, bo] = ['01900000-0000-7000-8000-000000000001', '01900000-0000-7000-8000-000000000002'] as const;

describe('hours as people write them', () => {
  it('are read with or without minutes, with dashes or words, and said back', () => {
    expect(readStretches('9-12:15, 13–17:30')).toEqual([[540, 735], [780, 1050]]); // prettier-ignore
    expect(readStretches('8 until 12; 13 to 16')).toEqual([[480, 720], [780, 960]]); // prettier-ignore
    expect(sayStretches([[540, 735], [780, 1050]])).toBe('9–12:15, 13–17:30'); // prettier-ignore
    expect([readStretches(''), readStretches('nine to five'), readStretches('9:60-10')]).toEqual([[], null, null]);
  });

  it('add up to a week', () => expect(minutesOf(USUAL_HOURS.week)).toBe(5 * (195 + 270) + 240));
});

describe('the hours of a house as a form', () => {
  it('are read back as they were, with nothing said of people who are as the house is', () => {
    const form = hoursForm(USUAL_HOURS, [ada, bo]);
    expect(readHours(form, USUAL_HOURS)).toEqual(USUAL_HOURS);
    expect(houseHours.safeParse(readHours(form, USUAL_HOURS)).success).toBe(true);
  });

  it('say at their day what is wrong, and keep what was typed', () => {
    const { week } = hoursForm(USUAL_HOURS, []).controls;
    const says = (text: string) => {
      week.at(2).setValue(text);
      return week.at(2).getError('says') as string | null;
    };
    expect(says('whenever')).toContain('must be hours such as 9–12:15');
    expect(says('12-9')).toContain('each ending after it begins');
    expect(says('9-12, 11-17')).toContain('must follow one another');
    expect(says('9-25')).toContain('1440 at most');
    expect(week.at(2).value).toBe('9-25');
    expect([says(''), says('9-12:15')]).toEqual([null, null]);
  });

  it('refuse a share that was left empty, and take none for it', () => {
    const form = hoursForm(USUAL_HOURS, []);
    form.controls.counterPercent.setValue(null);
    expect(houseHours.safeParse(readHours(form, USUAL_HOURS)).error?.issues[0]?.message).toBe('must be a number');
  });

  it('keep what is their own of people, and what was said of somebody who is not there now', () => {
    const gone = { personId: '01900000-0000-7000-8000-000000000009', week: null, away: ['2026-08-03'], can: null };
    const before = { ...USUAL_HOURS, people: [gone] };
    const form = hoursForm(before, [ada, bo]);
    const [first, second] = form.controls.people.controls;
    first?.controls.own.setValue(true);
    first?.controls.week.at(5).setValue('');
    second?.controls.can.setValue(['bass', 'electric']);
    form.controls.counterPercent.setValue(25);
    const read = readHours(form, before);
    expect(read.counterShare).toBe(0.25);
    expect(read.people).toEqual([
      gone,
      { personId: ada, week: [...USUAL_HOURS.week.slice(0, 5), [], []], away: [], can: null },
      { personId: bo, week: null, away: [], can: ['bass', 'electric'] },
    ]);
  });
});
