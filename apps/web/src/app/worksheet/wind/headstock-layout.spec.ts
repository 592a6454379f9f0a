import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/instrument';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { lanesOf } from '../desk/lane';
import { layOutHeadstock } from './headstock-layout';
import type { HeadstockRequest } from './headstock-picture';
import { layOutPostSide } from './post-side-layout';
import { layOutRollerSide } from './roller-side-layout';

const SIZE = { width: 560, height: 352 };

function benchOf(id: string, inHand = 0) {
  const instrument = instrumentOf(id);
  const [set] = setsFor(instrument.family, instrument.strings.length);
  const strings = (set?.strings ?? []).map((string) => {
    const outcome = stringProperties(string);
    return outcome.ok ? outcome.value : null;
  });
  const lanes = lanesOf(instrument, strings);
  const plans = lanes.map(({ index, string }) => (string === null ? null : windString({ instrument, index, string })));
  const request: HeadstockRequest = {
    instrument,
    lanes,
    plans,
    inHand,
    planInHand: plans[inHand] ?? null,
    done: lanes.map(() => false),
    laneCentres: lanes.map((_, index) => 30 + index * 50),
    ...SIZE,
  };
  return { instrument, lanes, plans, picture: layOutHeadstock(request) };
}
const ids = ARCHETYPES.map(({ id }) => id);

describe('the headstock picture', () => {
  it.each(ids)('%s: stands at one scale, every post as far from the nut as it is', (id) => {
    const { lanes, picture } = benchOf(id);
    const nutX = picture.nut.x + 2 * picture.pxPerMm;
    for (const post of picture.posts) {
      const real = lanes[post.index]?.place.post;
      expect((nutX - post.x) / picture.pxPerMm).toBeCloseTo((real?.along ?? 0) * 1000, 6);
      expect((2 * post.radius) / picture.pxPerMm).toBeCloseTo((real?.diameter ?? 0) * 1000, 6);
    }
    const [first, ...others] = picture.posts;
    for (const post of others) {
      const real = (lanes[post.index]?.place.post.sideways ?? 0) - (lanes[first?.index ?? 0]?.place.post.sideways ?? 0);
      expect((post.y - (first?.y ?? 0)) / picture.pxPerMm).toBeCloseTo(real * 1000, 6);
    }
  });

  it.each(ids)('%s: fits its room, posts, buttons and the cut mark of every string', (id) => {
    const count = instrumentOf(id).strings.length;
    for (let inHand = 0; inHand < count; inHand++) {
      const { picture } = benchOf(id, inHand);
      for (const { button } of picture.posts) {
        expect(button.y).toBeGreaterThanOrEqual(0);
        expect(button.y + button.height).toBeLessThanOrEqual(SIZE.height);
      }
      if (picture.cut !== null) expect(picture.cut.x1).toBeGreaterThanOrEqual(0);
    }
  });

  it('puts the cut mark as far beyond the post as the plan says', () => {
    const { plans, picture } = benchOf('acoustic-parlour', 3);
    const { cut } = picture;
    if (cut === null) throw new Error('no cut');
    const px = Math.hypot(cut.x1 - cut.fromX, (cut.y1 + cut.y2) / 2 - cut.fromY);
    expect(px / picture.pxPerMm).toBeCloseTo((plans[3]?.cut ?? 0) * 1000, 6);
  });

  it('lies with the bass side nearest the technician: lower strings lower in the picture', () => {
    const { picture } = benchOf('acoustic-parlour');
    const y = (number: number) => picture.posts.find((post) => post.number === number)?.y ?? 0;
    expect(y(6)).toBeGreaterThan(y(1));
    expect(y(4)).toBeGreaterThan(y(3));
  });

  it('shows the fifth peg of a banjo apart, and no post for it on the head', () => {
    const { picture } = benchOf('banjo-five-string');
    expect(picture.fifthPeg?.number).toBe(5);
    expect(picture.posts.map(({ number }) => number)).toEqual([1, 2, 3, 4]);
  });
});

describe('the post from the side', () => {
  const room = { width: 352, height: 206 };
  const planOf = (id: string, index: number) => {
    const { instrument, lanes, plans } = benchOf(id, index);
    const [lane, plan] = [lanes[index], plans[index]];
    if (lane === undefined || plan == null) throw new Error('no plan');
    return { instrument, lane, plan };
  };
  /** Angle between the last stretch of the string and the level of the board. */
  function drawnAngle(path: string): number {
    const points = [...path.matchAll(/(-?[\d.]+),(-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
    const [[x1, y1], [x2, y2]] = [points.at(-2) ?? [0, 0], points.at(-1) ?? [0, 0]];
    return Math.atan2(y1 - y2, x2 - x1);
  }
  const verticalOf = (plan: WindPlan) => plan.nut?.vertical ?? Number.NaN;

  it.each([
    ['acoustic-parlour', 0],
    ['acoustic-parlour', 5],
    ['bass-in-line', 2],
    ['electric-in-line', 0],
    ['mandolin', 7],
  ] as const)('%s, string %i: draws the angle over the nut as it was computed', (id, index) => {
    const { instrument, lane, plan } = planOf(id, index);
    const picture = layOutPostSide(instrument, lane, plan, room);
    expect(drawnAngle(picture?.string ?? '')).toBeCloseTo(verticalOf(plan), 6);
  });

  it('draws the stack as many turns high as there are, and the post as thick as it is', () => {
    const { instrument, lane, plan } = planOf('acoustic-parlour', 3);
    const picture = layOutPostSide(instrument, lane, plan, room);
    expect(picture?.turns.length).toBe(Math.ceil(plan.wind.turns));
    expect((picture?.post.width ?? 0) / (picture?.pxPerMm ?? 1)).toBeCloseTo(6, 9);
  });

  it('draws a roller as a circle, its string leaving by the computed angle', () => {
    const { instrument, lane, plan } = planOf('classical', 2);
    expect(layOutPostSide(instrument, lane, plan, room)).toBeNull();
    const picture = layOutRollerSide(instrument, lane, plan, room);
    expect(drawnAngle(picture?.string ?? '')).toBeCloseTo(verticalOf(plan), 6);
    expect((2 * (picture?.roller.radius ?? 0)) / (picture?.pxPerMm ?? 1)).toBeCloseTo(10, 9);
  });

  it('draws no nut for a fifth peg', () => {
    const { instrument, lane, plan } = planOf('banjo-five-string', 4);
    expect(layOutPostSide(instrument, lane, plan, room)).toBeNull();
    expect(layOutRollerSide(instrument, lane, plan, room)).toBeNull();
  });
});
