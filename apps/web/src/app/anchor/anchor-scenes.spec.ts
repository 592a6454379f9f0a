import { describe, expect, it } from 'vitest';
import { tieWay } from '@gold-peg/craft/bench-run';
import { ANCHORS, type AnchorKind } from '@gold-peg/craft/instrument';
import { anchorScenes } from './anchor-scenes';
import { HEIGHT, whichOf, WIDTH, type Frame, type Part, type SceneRequest } from './scene';

const six = (index: number, more: Partial<SceneRequest> = {}): SceneRequest => ({
  count: 6,
  index,
  soft: false,
  wound: index > 2,
  twoHoles: false,
  last: index === 0,
  cover: true,
  tie: tieWay(more.wound ?? index > 2, {}),
  tailUp: true,
  ...more,
});
const scenesOf = (anchor: AnchorKind, request = six(2)) => anchorScenes(anchor, request);
const framesOf = (anchor: AnchorKind, request = six(2)): Frame[] => {
  const { off, fit, seat = [], fault } = scenesOf(anchor, request);
  return [...off, ...fit, ...seat, fault];
};
const numbersIn = (d: string): number[] => (d.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
const strings = (frame: Frame) =>
  frame.parts.filter((part): part is Extract<Part, { kind: 'string' }> => part.kind === 'string' && part.of === 'this');
const drawn = (frames: readonly Frame[]) => JSON.stringify(frames.map(({ parts }) => parts));

describe('the drawings of an anchor', () => {
  it.each(ANCHORS)('%s: three to six steps to fit it, the fault beside them, and how it comes off', (anchor) => {
    const { off, fit, fault } = scenesOf(anchor);
    expect(fit.length).toBeGreaterThanOrEqual(3);
    expect(fit.length).toBeLessThanOrEqual(6);
    expect(off.length).toBeGreaterThanOrEqual(2);
    const titles = [...off, ...fit, fault].map(({ title }) => title);
    expect(new Set(titles).size).toBe(titles.length);
    for (const { says } of [...off, ...fit, fault]) expect(says).toMatch(/[.]$/);
  });

  it.each(ANCHORS)('%s: has this string in every frame, and nothing far outside the drawing', (anchor) => {
    for (const frame of framesOf(anchor)) {
      expect(strings(frame).length).toBeGreaterThan(0);
      for (const part of frame.parts) {
        if (part.kind === 'label' || part.kind === 'ball') {
          expect(part.x).toBeGreaterThanOrEqual(0);
          expect(part.x).toBeLessThanOrEqual(WIDTH);
          expect(part.y).toBeLessThanOrEqual(HEIGHT);
        }
        if (part.kind === 'area' || part.kind === 'wire')
          for (const number of numbersIn(part.d)) expect(Math.abs(number)).toBeLessThan(WIDTH + 4);
      }
    }
  });

  it.each(ANCHORS)('%s: warns with an arrow in the fault and in no right step', (anchor) => {
    const { off, fit, fault } = scenesOf(anchor);
    const warns = (frame: Frame) => frame.parts.some((part) => part.kind === 'arrow' && part.bad);
    expect(warns(fault)).toBe(true);
    expect([...off, ...fit].some(warns)).toBe(false);
  });

  it('draws a ball where strings have one, and none where they are tied', () => {
    const withBall = ANCHORS.filter((anchor) => framesOf(anchor).some(({ parts }) => parts.some(({ kind }) => kind === 'ball')));
    expect(ANCHORS.filter((anchor) => !withBall.includes(anchor))).toEqual(['tie-block', 'knot-in-slot', 'wrap-and-tuck', 'hooked-tailpiece']); // prettier-ignore
  });

  it('changes with the string: turns of a tie, a second hole, the last wrap, the slot it lies in, the cover', () => {
    const tie = (more: Partial<SceneRequest>) => scenesOf('tie-block', six(2, more)).fit;
    expect(tie({ wound: true }).map(({ title }) => title)).toContain('Tuck it once or twice');
    expect(tie({ wound: false }).map(({ title }) => title)).toContain('Tuck it twice or three times');
    expect(tie({ twoHoles: true }).map(({ title }) => title)).toContain('Back through the second hole');
    expect(drawn(tie({ wound: true }))).not.toBe(drawn(tie({ wound: false })));

    const wrap = (last: boolean) => scenesOf('wrap-and-tuck', six(2, { last })).fit;
    expect(wrap(true).map(({ says }) => says).join(' ')).toContain('the other way round'); // prettier-ignore
    expect(drawn(wrap(true))).not.toBe(drawn(wrap(false)));

    // string 1 is the farthest, at the top: toward a lower number a tail ends above its own string, the last one's below
    const tailEnd = (more: Partial<SceneRequest>) => {
      const frame = scenesOf('wrap-and-tuck', six(2, more)).fit.find(({ title }) => title === 'Three wraps round itself');
      const own = frame === undefined ? undefined : strings(frame).at(-1);
      return (own === undefined ? Number.NaN : (numbersIn(own.d).at(-1) ?? 0)) - 23;
    };
    expect(tailEnd({ tailUp: true })).toBeLessThan(0);
    expect(tailEnd({ tailUp: false })).toBeGreaterThan(0);

    const slot = (index: number) => scenesOf('knot-in-slot', { ...six(index), count: 4 }).fit;
    expect(new Set([0, 1, 2, 3].map((index) => drawn(slot(index)))).size).toBe(4);

    const cover = (there: boolean) => scenesOf('hooked-tailpiece', six(2, { cover: there })).off[0]?.title;
    expect(cover(true)).toContain('cover off');
    expect(cover(false)).not.toContain('cover');
  });

  it('stretches, tunes and locks a double-locking string at Trim, in three pictures', () => {
    expect(scenesOf('double-locking').seat?.map(({ title }) => title)).toEqual([
      'Stretch, nut open',
      'Tune, fine tuner half way',
      'Lock it with the key',
    ]);
  });

  it('says which of the strings it is by one dot among as many as there are', () => {
    for (const count of [4, 6, 12]) {
      const dots = whichOf({ count, index: 1 });
      expect(dots.map(({ here }) => here)).toEqual(Array.from({ length: count }, (_, at) => at === 1));
      for (const { x } of dots) expect(x > 0 && x < WIDTH).toBe(true);
      expect((dots[0]?.x ?? 0) + (dots.at(-1)?.x ?? 0)).toBeCloseTo(WIDTH, 9); // in the middle
    }
  });
});
