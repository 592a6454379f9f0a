import { describe, expect, it } from 'vitest';
import { judgeRounds } from '@gold-peg/craft/settle';
import { cents } from '@gold-peg/craft/units';
import type { PitchRead } from '@gold-peg/craft/worksheet';
import { stillKnown, type Known } from './still-known';

const noon = new Date(2026, 8, 1, 12).getTime();
const HOUR_MS = 3_600_000;
const known = (number: number, drops: number[], more: Partial<Known['string']> = {}, lastRead: PitchRead | null = null): Known => ({
  number,
  inJob: true,
  lastRead,
  string: {
    drops,
    soft: false,
    judged: drops.length === 0 ? null : judgeRounds({ drops: drops.map(cents), tolerance: cents(2) }),
    drift: null,
    since: noon,
    ...more,
  },
});
const tell = (strings: Known[], promisedAt: string | null = null) => stillKnown(strings, { now: noon + HOUR_MS, promisedAt });

describe('what is known at hand-over', () => {
  it('is nothing where steel was read until it stayed', () => {
    expect(tell([known(1, [40, 8, 2, 1]), known(2, [30, 5, 1])])).toEqual({ doubts: [], forOwner: [] });
  });

  it('is a slip, with what the owner should watch', () => {
    const { doubts, forOwner } = tell([known(3, [19, 22, 18, 21, 20])]);
    expect(doubts).toEqual(['String 3 slipped at Settle: seen to, or it comes back.']);
    expect(forOwner).toEqual(['Bring it back if string 3 goes flat by itself.']);
  });

  it('is rounds still to go, and strings that nobody read', () => {
    expect(tell([known(1, [40, 20, 10]), known(2, [])]).doubts).toEqual([
      'String 1: rounds still to go.',
      'String 2 never read after stretching: nobody knows whether it holds.',
    ]);
    expect(tell([known(1, []), known(2, [])]).doubts[0]).toMatch(/^No string was read/);
  });

  it('is a string that was left off its pitch', () => {
    const read: PitchRead = { cents: -12, after: 'stretch', retuned: false, by: 'typed' };
    expect(tell([known(4, [40, 8, 2, 1], {}, read)]).doubts).toEqual(['String 4 was left 12 ¢ flat.']);
    expect(tell([known(4, [40, 8, 2, 1], {}, { ...read, retuned: true })]).doubts).toEqual([]);
  });

  it('is a promise that soft strings cannot keep: a day from when they first bore pull', () => {
    const soft = known(1, [40, 20], { soft: true });
    const promised = new Date(noon + 5 * HOUR_MS).toISOString();
    expect(tell([soft], promised).doubts).toEqual([
      'Not before about Wed 12:00: until then soft strings go on moving, though it is promised for Tue 17:00.',
    ]);
    expect(tell([soft]).doubts).toEqual(['Not before about Wed 12:00: until then soft strings go on moving.']);
    expect(tell([soft]).forOwner[0]).toContain('do not judge them before Wed 12:00');
    // once readings say otherwise they count
    const drift = { nextRetune: { low: 1, likely: 2, high: 3 }, holdsFrom: { low: 5, likely: 6, high: 8 } };
    expect(tell([known(1, [], { soft: true, drift })]).doubts).toEqual(['Not before about Tue 18:00: until then soft strings go on moving.']); // prettier-ignore
  });

  it('says nothing of strings that were no part of the job', () => {
    expect(tell([{ ...known(5, []), inJob: false }])).toEqual({ doubts: [], forOwner: [] });
  });
});
