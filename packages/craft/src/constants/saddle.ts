import { constant, type Constant } from './constant.js';

const mm = (value: number, low: number, high: number) => constant(value, [low, high], 'mm', 'measured instruments of this kind');

/** A bridge from the side: top of its saddle and where the string goes on down, above the body, and how far that lies behind. */
export interface SaddleSide {
  saddleHeight: Constant;
  exitHeight: Constant;
  behind: Constant;
}

/** Where a string breaks over a saddle that does not move; others have none, or one whose parts turn with it. */
export const SADDLE_SIDES = {
  pins: { saddleHeight: mm(13, 10, 16), exitHeight: mm(9, 7, 11), behind: mm(7, 5, 12) },
  'tie-block': { saddleHeight: mm(12, 9, 15), exitHeight: mm(7.5, 6, 9), behind: mm(12, 9, 15) },
  'top-load': { saddleHeight: mm(11, 9, 15), exitHeight: mm(6, 4, 8), behind: mm(12, 9, 18) },
  'through-body': { saddleHeight: mm(11, 9, 15), exitHeight: mm(1, 0, 3), behind: mm(10, 7, 16) },
  'stop-tailpiece': { saddleHeight: mm(19, 15, 23), exitHeight: mm(12, 7, 17), behind: mm(42, 32, 55) },
  'hooked-tailpiece': { saddleHeight: mm(22, 15, 30), exitHeight: mm(7, 3, 12), behind: mm(95, 80, 125) },
} as const satisfies Record<string, SaddleSide>;

/** Under this a string that is played hard moves on its saddle and rings, degrees. */
export const LOW_OVER_SADDLE = constant(7, [5, 10], '°', 'setups of flat bridges, workshop practice');
