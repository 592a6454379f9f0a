import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { drawHead, drawMoves, drawNeck, letterOf } from './index.js';

const HOUR = 3_600_000;
const numbers = (svg: string, pattern: RegExp) => [...svg.matchAll(pattern)].map(([, value]) => Number(value));
const sizeOf = (svg: string) => numbers(svg, /(?:width|height)="([\d.]+)" /g).slice(0, 2);

describe('a head', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('of %s lies within its frame, with a post and a string for each peg on it', (id) => {
    const instrument = instrumentOf(id);
    const plain = instrument.strings.map(() => ({ kind: 'plain' as const }));
    const svg = drawHead(instrument, plain);
    const pegs = instrument.strings.filter(({ post }) => post.pipAlong === null).length;
    expect(numbers(svg, /circle cx="([-\d.]+)"/g)).toHaveLength(pegs);
    const [width = 0, height = 0] = sizeOf(svg);
    for (const x of numbers(svg, /circle cx="([-\d.]+)"/g)) expect(x > 0 && x < width).toBe(true);
    for (const y of numbers(svg, /cy="([-\d.]+)"/g)) expect(y > 0 && y < height).toBe(true);
    expect(svg).not.toContain('NaN');
  });

  it('is the mirror image for the left hand, and to scale: posts of a side 42 mm apart', () => {
    const parlour = instrumentOf('acoustic-parlour');
    const [right, left] = [drawHead(parlour, []), drawHead({ ...parlour, hand: 'left' }, [])];
    const [, height = 0] = sizeOf(right);
    const [ys, mirrored] = [right, left].map((svg) => numbers(svg, /cy="([-\d.]+)"/g));
    expect(mirrored?.map((y) => height - y)).toEqual(ys?.map((y) => expect.closeTo(y, 0) as number));
    const xs = numbers(right, /circle cx="([-\d.]+)"/g);
    expect((xs[0] ?? 0) - (xs[1] ?? 0)).toBeCloseTo(42, 0);
  });
});

it('a neck has its frets where they are, and letters where something was found', () => {
  const svg = drawNeck([{ string: 2, fret: 12 }, { string: null, fret: null }, { string: 6, fret: null }], 6, 200); // prettier-ignore
  const frets = numbers(svg, /<path d="M([\d.]+) 4V/g).slice(1);
  // the twelfth halves the string: as far from the nut as half of what is drawn is of the whole
  const whole = 1 - 2 ** (-15 / 12);
  expect(((frets[11] ?? 0) - 12) / (200 - 18)).toBeCloseTo(0.5 / whole, 2);
  const [first = 0, third = 0] = numbers(svg, /<circle cx="([\d.]+)"/g);
  expect(first).toBeCloseTo(((frets[10] ?? 0) + (frets[11] ?? 0)) / 2, 0);
  expect(third).toBe(12);
  expect([...svg.matchAll(/fill="#fff">(\w)</g)].map(([, letter]) => letter)).toEqual(['a', 'c']);
  expect([0, 1, 25].map(letterOf)).toEqual(['a', 'b', 'z']);
});

describe('how strings go on moving', () => {
  const home = Date.parse('2026-05-29T17:00:00Z'); // a Friday; six in the evening by the clock of the house
  const times = [1, 3, 14].map((hours) => home + hours * HOUR);
  const svg = drawMoves({ home, since: home - HOUR, limit: 5, withinHours: 24, times, holdsFrom: home + 14 * HOUR }, 400, 'Europe/London');
  const falls = [...svg.matchAll(/<path d="(M[\d. ]+(?:L[\d. ]+)+)" fill="none" stroke="#1f1a17"/g)].map(([, line = '']) =>
    [...line.matchAll(/([\d.]+) ([\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const),
  );

  it('falls from tuning to tuning to where it is tuned again, and no farther for as long as it is to hold', () => {
    expect(falls).toHaveLength(4);
    for (const fall of falls) {
      expect(fall.at(-1)?.[1]).toBeCloseTo(34, 0);
      for (const [index, [x, y]] of fall.entries())
        if (index > 0) expect(x >= (fall[index - 1]?.[0] ?? 0) && y >= (fall[index - 1]?.[1] ?? 0)).toBe(true);
    }
    for (const fall of falls.slice(1)) expect(fall[0]?.[1]).toBeCloseTo(8, 0);
  });

  it('marks each hour to tune, and the night in between', () => {
    expect([...svg.matchAll(/l-4 -7h8z/g)]).toHaveLength(3);
    const at = (hours: number) => 1 + (398 * hours) / 38; // to a day after the last, 38 hours on
    const nights = [...svg.matchAll(/<rect x="([\d.]+)" y="2" width="([\d.]+)"/g)].map(([, x, width]) => [Number(x), Number(width)]);
    expect(nights).toEqual([[expect.closeTo(at(4), 0), expect.closeTo(at(9) - at(0), 0)], [expect.closeTo(at(28), 0), expect.closeTo(at(9) - at(0), 0)]]); // prettier-ignore
    expect([...svg.matchAll(/middle"[^>]*>([^<]+)</g)].map(([, says]) => says)).toEqual(['Sat', 'Sun', 'Sat noon']);
    expect(svg).not.toContain('NaN');
  });
});
