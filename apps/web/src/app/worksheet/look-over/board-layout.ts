import type { Part } from '@gold-peg/craft/findings';
import type { StringPlace } from '@gold-peg/craft/instrument';
import type { Family } from '@gold-peg/craft/string-kinds';

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
  /** With the numbers of the frets below the neck. */
  drawnHeight: number;
  pegX: number;
  nutX: number;
  saddleX: number;
  /** Where the fingerboard ends. */
  boardEnd: number;
  /** From the nut on: fret 1 first. */
  frets: { number: number; x: number; inlay: boolean; says: string }[];
  /** y of the lanes, in the order they lie, the farthest first. */
  laneYs: number[];
  /** x where a string begins: at its peg beyond the nut, or at the fifth peg beside the board. */
  begins(place: Pick<StringPlace, 'post' | 'scaleLength'>): number;
  /** x where a finding of this part is drawn, for a fret where it has one. */
  xOf(part: Part, fret: number | null): number;
  /** What lies at a point of the drawing; `row` counts lanes as they lie. */
  at(x: number, y: number): { part: Part; row: number; fret: number | null };
}

const PEG_X = 26;
const NUT_X = 64;
const NUMBERS_PX = 14;
/** From the saddle to the right edge. */
const BEHIND = 60;
/** What is behind the saddle is drawn so far from it. */
const PIN = 34;

/** Px: the width that there is, the height of a lane, and how many lie on one another. */
interface Drawing {
  lanes: number;
  laneHeight: number;
  width: number;
}

/** Frets that stand closer bear no number unless there is an inlay. */
const ROOM_FOR_NUMBER = 18;

/** The instrument from above, headstock to the left, its scale to the width: fret n stands at 1 − 2^(−n/12) of it. */
export function boardLayout(family: Family, { lanes, laneHeight, width }: Drawing): BoardLayout {
  const saddleX = width - BEHIND;
  const length = saddleX - NUT_X;
  const fretX = (number: number) => NUT_X + length * (1 - 2 ** (-number / 12));
  const frets = Array.from({ length: FRETS[family] }, (_, index) => index + 1).map((number) => ({
    number,
    x: fretX(number),
    inlay: INLAYS.includes(number),
    says: INLAYS.includes(number) || fretX(number) - fretX(number - 1) >= ROOM_FOR_NUMBER ? String(number) : '',
  }));
  const boardEnd = fretX(FRETS[family]) + 6;
  const rowAt = (y: number) => Math.max(0, Math.min(lanes - 1, Math.floor(y / laneHeight)));
  return {
    width,
    pegX: PEG_X,
    height: lanes * laneHeight,
    drawnHeight: lanes * laneHeight + NUMBERS_PX,
    laneHeight,
    nutX: NUT_X,
    saddleX,
    boardEnd,
    frets,
    laneYs: Array.from({ length: lanes }, (_, row) => (row + 0.5) * laneHeight),
    begins({ post: { pipAlong }, scaleLength }) {
      // from its pip on it has its own scale, the rest of the neck's
      return pipAlong === null ? PEG_X : NUT_X + (length * pipAlong) / (pipAlong + scaleLength);
    },
    xOf(part, fret) {
      if (part === 'peg') return PEG_X;
      if (part === 'nut') return NUT_X;
      if (part === 'fret' && fret !== null) return fretX(fret);
      if (part === 'bridge') return saddleX;
      if (part === 'pin') return saddleX + PIN;
      return (boardEnd + saddleX) / 2;
    },
    at(x, y) {
      const row = rowAt(y);
      if (x < (PEG_X + NUT_X) / 2) return { part: 'peg', row, fret: null };
      if (x < (NUT_X + fretX(1)) / 2) return { part: 'nut', row, fret: null };
      if (x > saddleX + PIN / 2) return { part: 'pin', row, fret: null };
      if (x > (boardEnd + saddleX) / 2) return { part: 'bridge', row, fret: null };
      const nearest = frets.reduce((best, fret) => (Math.abs(fret.x - x) < Math.abs(best.x - x) ? fret : best));
      return { part: 'fret', row, fret: nearest.number };
    },
  };
}
