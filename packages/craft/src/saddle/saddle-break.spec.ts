import { expect, it } from 'vitest';
import { SADDLE_SIDES } from '../constants/index.js';
import { ANCHORS } from '../instrument/index.js';
import { fromMillimetres, newtons, radians, toDegrees } from '../units/index.js';
import { saddleBreak } from './index.js';

const over = (anchor: (typeof ANCHORS)[number], saddleMm?: number) =>
  saddleBreak(anchor, newtons(70), saddleMm === undefined ? null : fromMillimetres(saddleMm));

it('is steeper through the body than over the top, and least toward a tailpiece', () => {
  const [through, top, tailpiece] = (['through-body', 'top-load', 'stop-tailpiece'] as const).map((anchor) => over(anchor)?.likely ?? 0);
  expect(through).toBeGreaterThan(top ?? 1);
  expect(top).toBeGreaterThan(tailpiece ?? 1);
});

it('is the slope from the saddle that was measured: 6 mm down over 12, and 70 N press with their sine', () => {
  const angle = over('top-load', 12);
  expect(toDegrees(angle?.likely ?? radians(0))).toBeCloseTo(26.565, 3);
  expect(angle?.downforce).toBeCloseTo(70 / Math.sqrt(5), 6);
});

it('has its band in order at every bridge that has such a break, also where the saddle hardly stands above the plate', () => {
  const known = ANCHORS.flatMap((anchor) => [over(anchor), over(anchor, 7.5)]).filter((each) => each !== null);
  expect(known.length).toBe(12);
  for (const { low, likely, high } of known) {
    expect(low).toBeLessThan(likely);
    expect(likely).toBeLessThan(high);
  }
  expect(over('double-locking')).toBeNull();
});

it('spans all that the bridge may be, however high its saddle was measured: no corner of the ranges lies outside', () => {
  for (const anchor of Object.keys(SADDLE_SIDES) as (keyof typeof SADDLE_SIDES)[])
    for (const measured of [undefined, 2, 5, 9, 14]) {
      const { exitHeight, behind, saddleHeight } = SADDLE_SIDES[anchor];
      const tops = measured === undefined ? [saddleHeight.low, saddleHeight.high] : [measured];
      const corners = tops.flatMap((top) =>
        [exitHeight.low, exitHeight.high].flatMap((exit) => [behind.low, behind.high].map((along) => Math.atan2(top - exit, along))),
      );
      const found = over(anchor, measured);
      expect(found?.low, `${anchor} ${measured}`).toBeCloseTo(Math.min(...corners), 9);
      expect(found?.high, `${anchor} ${measured}`).toBeCloseTo(Math.max(...corners), 9);
    }
});
