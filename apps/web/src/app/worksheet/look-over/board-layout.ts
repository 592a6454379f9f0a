import type { Part } from '@gold-peg/craft/findings';
import type { Family } from '@gold-peg/craft/strings';

/** Frets that are drawn, typical of a kind: a finding farther up is typed. */
const FRETS: Readonly<Record<Family, number>> = {
  acoustic: 20,
  electric: 22,
  bass: 21,
  classical: 19,
  ukulele: 15,
  mandolin: 20,
  banjo: 22,
};
const INLAYS = [3, 5, 7, 9, 12, 15, 17, 19, 21];

/** Where something can be found on one string. */
export interface Place {
  part: Part;
  /** Zero-based. */
  lane: number;
  fret: number | null;
}

export interface BoardLayout {
  width: number;
  height: number;
  laneHeight: number;
  nutX: number;
  saddleX: number;
  /** Where the fingerboard ends. */
  boardEnd: number;
  /** From the nut on: fret 1 first. */
  frets: { number: number; x: number; inlay: boolean }[];
  /** y of the lanes, in the order they lie, the farthest first. */
  laneYs: number[];
  /** x where a finding of this part is drawn, for a fret where it has one. */
  xOf(part: Part, fret: number | null): number;
  /** What lies at a point of the drawing; `row` counts lanes as they lie. */
  at(x: number, y: number): { part: Part; row: number; fret: number | null };
}

const WIDTH = 1000;
const PEG_X = 26;
const NUT_X = 64;
const SADDLE_X = 940;

/** The instrument from above, headstock to the left, its scale to the width: fret n stands at 1 − 2^(−n/12) of it. */
export function boardLayout(family: Family, laneCount: number, laneHeight: number): BoardLayout {
  const length = SADDLE_X - NUT_X;
  const fretX = (number: number) => NUT_X + length * (1 - 2 ** (-number / 12));
  const frets = Array.from({ length: FRETS[family] }, (_, index) => index + 1).map((number) => ({
    number,
    x: fretX(number),
    inlay: INLAYS.includes(number),
  }));
  const boardEnd = fretX(FRETS[family]) + 6;
  const rowAt = (y: number) => Math.max(0, Math.min(laneCount - 1, Math.floor(y / laneHeight)));
  return {
    width: WIDTH,
    height: laneCount * laneHeight,
    laneHeight,
    nutX: NUT_X,
    saddleX: SADDLE_X,
    boardEnd,
    frets,
    laneYs: Array.from({ length: laneCount }, (_, row) => (row + 0.5) * laneHeight),
    xOf(part, fret) {
      if (part === 'peg') return PEG_X;
      if (part === 'nut') return NUT_X;
      if (part === 'fret' && fret !== null) return fretX(fret);
      if (part === 'bridge') return SADDLE_X;
      if (part === 'pin') return SADDLE_X + 34;
      return (boardEnd + SADDLE_X) / 2;
    },
    at(x, y) {
      const row = rowAt(y);
      if (x < (PEG_X + NUT_X) / 2) return { part: 'peg', row, fret: null };
      if (x < (NUT_X + fretX(1)) / 2) return { part: 'nut', row, fret: null };
      if (x > SADDLE_X + 17) return { part: 'pin', row, fret: null };
      if (x > (boardEnd + SADDLE_X) / 2) return { part: 'bridge', row, fret: null };
      const nearest = frets.reduce((best, fret) => (Math.abs(fret.x - x) < Math.abs(best.x - x) ? fret : best));
      return { part: 'fret', row, fret: nearest.number };
    },
  };
}
