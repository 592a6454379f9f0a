import { describe, expect, it } from 'vitest';
import { FINE_WORK } from '@gold-peg/craft/methods';
import { newtons } from '@gold-peg/craft/units';
import { aimOf, hasArrived, isThere } from '../hearing';
import { sayOrder, sayReading, sayTurns, type Standing } from './reading-words';
import { highestOf, sayCents } from './up-rows';

const NOTE = aimOf({ firstPass: false, together: true, tolerance: FINE_WORK });
const FIRST = aimOf({ firstPass: true, together: true, tolerance: FINE_WORK });
const at = (cents: number | null, more: Partial<Standing> = {}) =>
  sayReading({ cents, aim: NOTE, arrived: true, safe: 300, breaks: 500, turns: 0.05, ...more });

describe('what is said of a string on its way up', () => {
  it('asks for a pluck before anything was heard', () => {
    expect(at(null)).toMatchObject({ kind: 'go-on', says: expect.stringContaining('Pluck it') });
  });

  it.each([-1200, -1170, -1255])('guards the octave at %d cents: the name is right and the string is not', (cents) => {
    const told = at(cents, { turns: 2.34 }).says;
    expect(told).toBe('An octave under: the same name and the wrong string pull. Keep on, 2.3 turns of the button.');
  });

  it('counts octaves, and has nothing to say of one in between', () => {
    expect(at(-2400).says).toContain('2 octaves under');
    expect(at(-1800).says).toBe('1800 ¢ to go, 18° of the button, from below.');
    expect(at(-7.4, { turns: null }).says).toBe('7.4 ¢ to go, from below.');
  });

  it('is there within two cents of the note; on the first pass from a tone under on, and under its note', () => {
    expect([-2, -0.3, 2].map((cents) => at(cents).kind)).toEqual(['there', 'there', 'there']);
    expect(at(-2.1).kind).toBe('go-on');
    const first = { aim: FIRST };
    expect([-260, -200, -31.5, -2].map((cents) => at(cents, first).kind)).toEqual(Array(4).fill('there'));
    expect(at(-280, first).says).toBe('80 ¢ to go, 18° of the button, from below.');
    expect(at(10, first).says).toBe('12 ¢ over: stretch it back, never slacken to it; if it gives no more, go well under and come up.');
    expect(isThere(-261, FIRST)).toBe(false);
  });

  it('never lets a sharp string down, warns before the safe limit, and stops at it and before it breaks', () => {
    expect(at(5).says).toBe('5.0 ¢ over: stretch it back, never slacken to it; if it gives no more, go well under and come up.');
    expect(at(230).says).toContain(' 70 ¢ more are not safe.');
    expect(at(301)).toMatchObject({ kind: 'stop', says: expect.stringContaining('more than is safe') });
    expect(at(420)).toMatchObject({ kind: 'stop', says: expect.stringContaining('about to break') });
    for (const cents of [5, 230, 301, 420]) expect(at(cents).says).not.toMatch(/slacken it|let it down/);
  });
});

describe('a string that is brought up before the next comes off', () => {
  const alone = aimOf({ firstPass: true, together: false, tolerance: FINE_WORK });

  it('goes to its note, is stretched there, and to its note again', () => {
    expect(at(0.4, { aim: alone, arrived: false }).says).toBe('At its note: one light stretch, and to the note again.');
    expect(at(0.4, { aim: alone }).says).toBe('At its note: it holds.');
    expect(hasArrived([-400, -30, 0.4], alone)).toBe(false);
    expect(hasArrived([-400, -30, 0.4, -25], alone)).toBe(false);
    expect(hasArrived([-400, -30, 0.4, -25, -1], alone)).toBe(true);
    expect(hasArrived([-400, 6, -12, 1], alone)).toBe(true); // it was sharp, and stretched back
  });

  it('has arrived at once on the second pass, and where all come up together', () => {
    expect(hasArrived([-30, 1], NOTE)).toBe(true);
    expect(hasArrived([1, -30], NOTE)).toBe(false);
    expect(hasArrived([], NOTE)).toBe(false);
    expect(hasArrived([-900, -240], FIRST)).toBe(true);
  });
});

it('writes cents with their sign, and turns as a hand sees them', () => {
  expect([null, 0, -18.34, 3.96, -1214.4].map(sayCents)).toEqual(['–', '0.0', '−18.3', '+4.0', '−1214']);
  expect([0.05, 1 / 4, 0.34, 2.26].map(sayTurns)).toEqual(['18°', '90°', '0.3 turns', '2.3 turns']);
});

it('has a scale up to where the last string breaks, half an octave at least and an octave and a half at most', () => {
  expect(highestOf([{ breaks: 520 }, { breaks: 900 }])).toBe(960);
  expect(highestOf([{ breaks: 100 }])).toBe(560);
  expect(highestOf([{ breaks: 3000 }])).toBe(1800);
});

it('names an evener order where there is one that is worth it', () => {
  const said = (apart: number, best: number) =>
    sayOrder({ apart: newtons(apart), best: newtons(best), order: 'outside-in' }, (pull) => `${pull} N`);
  expect(said(198, 67)).toBe('In this order the sides are never more than 198 N apart; from the outside in they would keep within 67 N.');
  expect(said(70, 67)).toContain('hardly any order is evener');
});
