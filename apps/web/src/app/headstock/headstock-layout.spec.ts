import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import type { Hand, Instrument } from '@gold-peg/craft/instrument';
import { windingCircle } from '@gold-peg/craft/post';
import { pictureOf } from '../build';
import { frameOf } from './frame';
import { layOutHeadstock } from './headstock-layout';
import type { HeadstockRequest } from './headstock-picture';

const SIZE = { width: 560, height: 352 };

interface Lies {
  inHand?: number;
  turned?: boolean;
  hand?: Hand;
}

function benchOf(id: string, { inHand = 0, turned = false, hand = 'right' }: Lies = {}) {
  const instrument: Instrument = { ...instrumentOf(id), hand };
  const { lanes, plans, laneCentres } = pictureOf(instrument, SIZE.height);
  const request: HeadstockRequest = {
    instrument,
    lanes,
    plans,
    inHand,
    planInHand: plans[inHand] ?? null,
    done: lanes.map(() => false),
    laneCentres,
    turned,
    ...SIZE,
  };
  return { instrument, lanes, plans, request, picture: layOutHeadstock(request) };
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
      const { picture } = benchOf(id, { inHand });
      for (const { button, behind, y } of picture.posts) {
        const [top, bottom] =
          button === null ? [y - (behind?.radius ?? 0), y + (behind?.radius ?? 0)] : [button.y, button.y + button.height];
        expect(top).toBeGreaterThanOrEqual(0);
        expect(bottom).toBeLessThanOrEqual(SIZE.height);
      }
      if (picture.cut !== null) expect(picture.cut.x1).toBeGreaterThanOrEqual(0);
    }
  });

  it('puts the cut mark as far beyond the post as the plan says', () => {
    const { plans, picture } = benchOf('acoustic-parlour', { inHand: 3 });
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

  it.each(ids)('%s: turned by 180 degrees, everything lies opposite, and posts turn the same way', (id) => {
    const [one, other] = [benchOf(id), benchOf(id, { turned: true })];
    one.picture.posts.forEach((post, index) => {
      const opposite = other.picture.posts[index];
      expect((opposite?.x ?? 0) + post.x).toBeCloseTo(SIZE.width, 6);
      expect((opposite?.y ?? 0) - (other.picture.posts[0]?.y ?? 0)).toBeCloseTo((one.picture.posts[0]?.y ?? 0) - post.y, 6);
    });
    expect(other.picture.turn?.arc).toBe(one.picture.turn?.arc);
  });

  it('is the mirror image for the left hand: bass side up, and the other way round the post', () => {
    const [right, left] = [benchOf('acoustic-parlour'), benchOf('acoustic-parlour', { hand: 'left' })];
    const y = (picture: typeof right.picture, number: number) => picture.posts.find((post) => post.number === number)?.y ?? 0;
    expect(y(left.picture, 6)).toBeLessThan(y(left.picture, 1));
    expect(y(left.picture, 6) - y(left.picture, 1)).toBeCloseTo(y(right.picture, 1) - y(right.picture, 6), 6);
    expect(left.picture.turn?.arc).not.toBe(right.picture.turn?.arc);
    // with the headstock to the right as well, string 1 is the farthest again
    const both = benchOf('acoustic-parlour', { hand: 'left', turned: true });
    expect(y(both.picture, 6)).toBeGreaterThan(y(both.picture, 1));
  });

  it('gives back the millimetres of any place, however it lies', () => {
    for (const lies of [{}, { turned: true }, { hand: 'left' as const }, { hand: 'left' as const, turned: true }]) {
      const frame = frameOf(benchOf('bass-in-line', lies).request);
      const [x, y] = frame.at(97, -13.5);
      const [along, sideways] = frame.toFace(x, y);
      expect(along).toBeCloseTo(97, 9);
      expect(sideways).toBeCloseTo(-13.5, 9);
    }
  });

  it('rings each post with the circle that its string makes there', () => {
    const { picture, plans } = benchOf('acoustic-parlour');
    picture.posts.forEach(({ wound }, index) => {
      const plan = plans[index];
      if (plan?.kind !== 'post') throw new Error('no plan');
      expect((wound?.radius ?? 0) / picture.pxPerMm).toBeCloseTo(windingCircle(plan.geometry).radius * 1000, 6);
    });
  });

  it('stacks turns along a roller, outer strings outward and inner ones inward', () => {
    const { picture, plans } = benchOf('classical');
    const across = (index: number) => [...(picture.strings[index]?.stack ?? '').matchAll(/M[-\d.]+,([-\d.]+)/g)].map(([, y]) => Number(y));
    for (const index of [4, 5]) expect(across(index).length).toBe(Math.ceil(plans[index]?.kind === 'post' ? plans[index].wind.turns : 0));
    const [last, inner] = [across(5), across(4)];
    expect(last[1]).toBeGreaterThan(last[0] ?? 0); // string 6 lies at the bottom: outward is down
    expect(inner[1]).toBeLessThan(inner[0] ?? 0);
  });

  it('shows pegs that point back as rings without buttons, clamps without turning arrow, and the screws of a headless tail to scale', () => {
    for (const { button, behind } of benchOf('ukulele-soprano').picture.posts) {
      expect(button).toBeNull();
      expect(behind?.radius).toBeGreaterThan(0);
    }
    const { picture, plans } = benchOf('electric-headless');
    expect(picture.turn).toBeNull();
    picture.screws.forEach(({ travel, used, over }, index) => {
      const plan = plans[index];
      if (plan?.kind !== 'clamp') throw new Error('no clamp');
      expect(travel.width / picture.pxPerMm).toBeCloseTo(16, 6);
      expect(used.width / picture.pxPerMm).toBeCloseTo(plan.screw.used * 1000, 6);
      expect(over).toBe(false);
    });
  });

  it('draws a retainer bar over all the strings it presses, a tree over its own', () => {
    const slots = (id: string) => instrumentOf(id).strings.map(({ slotSideways }) => slotSideways * 1000);
    const bar = benchOf('electric-double-locking').picture;
    const all = slots('electric-double-locking');
    expect((bar.trees[0]?.height ?? 0) / bar.pxPerMm).toBeCloseTo(Math.max(...all) - Math.min(...all) + 10, 6);
    const tree = benchOf('electric-in-line').picture;
    const [first = 0, second = 0] = slots('electric-in-line');
    expect((tree.trees[0]?.height ?? 0) / tree.pxPerMm).toBeCloseTo(Math.abs(second - first) + 6, 6);
  });
});
