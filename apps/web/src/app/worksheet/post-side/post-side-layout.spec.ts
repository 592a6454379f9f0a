import { describe, expect, it } from 'vitest';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import { kindPicture } from '../../build';
import { layOutClamp } from './clamp-layout';
import { layOutPostSide } from './post-side-layout';
import { layOutRollerSide } from './roller-side-layout';
import { layOutSidePeg } from './side-peg-layout';

describe('the post from the side', () => {
  const room = { width: 352, height: 206 };
  const planOf = (id: string, index: number) => {
    const { instrument, lanes, plans } = kindPicture(id, 300);
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
  const verticalOf = (plan: WindPlan) => (plan.kind === 'post' ? (plan.nut?.vertical ?? Number.NaN) : Number.NaN);

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
    expect(picture?.turns.length).toBe(plan.kind === 'post' ? Math.ceil(plan.wind.turns) : 0);
    expect((picture?.post.width ?? 0) / (picture?.pxPerMm ?? 1)).toBeCloseTo(6, 9);
  });

  it('draws a roller as a circle, its string leaving by the computed angle', () => {
    const { instrument, lane, plan } = planOf('classical', 2);
    expect(layOutPostSide(instrument, lane, plan, room)).toBeNull();
    const picture = layOutRollerSide(instrument, lane, plan, room);
    expect(drawnAngle(picture?.string ?? '')).toBeCloseTo(verticalOf(plan), 6);
    expect((2 * (picture?.roller.radius ?? 0)) / (picture?.pxPerMm ?? 1)).toBeCloseTo(10, 9);
  });

  it('draws a fifth peg from above: its turns along the shaft, from the hole toward the neck, its pip as far off as it is', () => {
    const { instrument, lane, plan } = planOf('banjo-five-string', 4);
    if (plan.kind !== 'post') throw new Error('no post');
    expect(layOutPostSide(instrument, lane, plan, room)).toBeNull();
    const picture = layOutSidePeg(instrument, lane, plan, room);
    if (picture === null) throw new Error('no picture');
    expect(picture.turns.length).toBe(3);
    expect(picture.turns.every((y) => y < picture.hole.y)).toBe(true);
    expect((picture.pip.x - picture.hole.x) / picture.pxPerMm).toBeCloseTo(24, 6);
    expect(layOutSidePeg(instrument, {...lane, place: {...lane.place, post: {...lane.place.post, style: 'through' } } }, plan, room)).toBeNull(); // prettier-ignore
  });

  it('draws a head clamp as deep as it is, and the travel of its screw until it runs out', () => {
    const { instrument, lane, plan } = planOf('electric-headless', 2);
    if (plan.kind !== 'clamp' || lane.string === null) throw new Error('no clamp');
    const picture = layOutClamp(instrument, lane, plan, room);
    expect(picture.block.width / picture.pxPerMm).toBeCloseTo(9, 6);
    expect(picture.used.width / picture.travel.width).toBeCloseTo(plan.screw.used / 0.016, 6);
    const cut = metres(plan.cut + 0.02);
    const long = windString({ instrument, index: 2, string: lane.string, cut });
    if (long?.kind !== 'clamp') throw new Error('no clamp');
    expect(layOutClamp(instrument, lane, long, room)).toMatchObject({ over: true, used: { width: picture.travel.width } });
  });

  it('shows what belongs to each post: a lock on top, gears or a knob behind the head, a word for tree or bar', () => {
    const partsOf = (id: string) => {
      const { instrument, lane, plan } = planOf(id, 0);
      return layOutPostSide(instrument, lane, plan, room);
    };
    expect(partsOf('acoustic-parlour')?.parts).toEqual([]);
    expect(partsOf('electric-seven')?.parts[0]?.y).toBeLessThan(0);
    for (const id of ['ukulele-soprano', 'banjo-tenor']) expect(partsOf(id)?.parts.every(({ y }) => y > 0)).toBe(true);
    expect(partsOf('electric-in-line')?.tree?.word).toBe('tree');
    expect(partsOf('electric-double-locking')?.tree?.word).toBe('bar');
  });
});
