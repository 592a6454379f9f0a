import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { boardLayout } from './board-layout';

describe('the board of an instrument', () => {
  const six = boardLayout('electric', { lanes: 6, laneHeight: 36, width: 1000 });
  const scale = six.saddleX - six.nutX;
  const fretX = (number: number) => six.frets.find((fret) => fret.number === number)?.x ?? Number.NaN;

  it('has fret 12 half way, fret 7 at a third and fret 5 at a quarter of the scale, nearly', () => {
    expect(fretX(12) - six.nutX).toBeCloseTo(scale / 2, 9);
    expect((fretX(7) - six.nutX) / scale).toBeCloseTo(1 / 3, 2);
    expect((fretX(5) - six.nutX) / scale).toBeCloseTo(1 / 4, 2);
  });

  it('finds back what it drew: every fret, nut, peg, saddle and pin, on every string', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FAMILIES), fc.integer({ min: 1, max: 12 }), fc.nat(100), fc.nat(100), (family, lanes, pick, which) => {
        const board = boardLayout(family, { lanes, laneHeight: 30, width: 560 + which * 8 });
        const row = pick % lanes;
        const y = board.laneYs[row] ?? 0;
        const fret = board.frets[which % board.frets.length]?.number ?? 1;
        expect(board.at(board.xOf('fret', fret), y)).toEqual({ part: 'fret', row, fret });
        for (const part of ['peg', 'nut', 'bridge', 'pin'] as const)
          expect(board.at(board.xOf(part, null), y)).toEqual({ part, row, fret: null });
      }),
    );
  });

  it('takes what is off its edge for the lane nearest to it', () => {
    expect(six.at(500, -5).row).toBe(0);
    expect(six.at(500, 999).row).toBe(5);
  });
});

it('begins a string beyond the nut, and the fifth of a banjo at its own peg: a quarter of the way, where fret 5 stands', () => {
  const board = boardLayout('banjo', { lanes: 5, laneHeight: 40, width: 1000 });
  const { strings } = instrumentOf('banjo-five-string');
  const [first, fifth] = [strings[0], strings[4]];
  if (first === undefined || fifth === undefined) throw new Error('no string');
  expect(board.begins(first)).toBeLessThan(board.nutX);
  // 168 of 670 mm; fret 5 lies at 1 − 2^(−5/12) = 0.251
  expect((board.begins(fifth) - board.nutX) / (board.saddleX - board.nutX)).toBeCloseTo(0.251, 2);
});
