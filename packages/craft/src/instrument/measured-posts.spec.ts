import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { fromMillimetres, toMillimetres } from '../units/index.js';
import { measuredRow, withMeasuredPosts } from './index.js';

describe('posts from three lengths of a rule', () => {
  it('stand evenly between the first and the last: 47, 88.5 and 130 mm', () => {
    const measured = withMeasuredPosts(instrumentOf('acoustic-parlour'), {
      side: 'bass',
      nutToFirst: fromMillimetres(47),
      firstToLast: fromMillimetres(83),
      firstAside: fromMillimetres(22),
      lastAside: fromMillimetres(30),
    });
    const posts = measured.strings.map(({ post }) => [toMillimetres(post.along), toMillimetres(post.sideways)]);
    // string 6 stands nearest the nut on the bass side
    expect(posts.slice(3).reverse().flat()).toEqual([47, 22, 88.5, 26, 130, 30].map((mm) => expect.closeTo(mm, 9) as number));
    expect(measured.strings.slice(0, 3)).toEqual(instrumentOf('acoustic-parlour').strings.slice(0, 3));
  });

  it('come back as they were when nothing was changed, whichever the instrument', () => {
    for (const id of ['acoustic-parlour', 'electric-double-locking', 'banjo-five-string', 'bass-five', 'mandolin']) {
      const instrument = instrumentOf(id);
      for (const side of ['bass', 'treble'] as const) {
        const row = measuredRow(instrument, side);
        if (row === null) continue;
        const again = withMeasuredPosts(instrument, row);
        again.strings.forEach(({ post }, index) => {
          expect(post.along).toBeCloseTo(instrument.strings[index]?.post.along ?? 0, 12);
          expect(post.sideways).toBeCloseTo(instrument.strings[index]?.post.sideways ?? 0, 12);
        });
      }
    }
  });

  it('are those of now: 50 to 134 mm along, 23 to 29 mm aside on either side', () => {
    for (const side of ['bass', 'treble'] as const) {
      const { nutToFirst, firstToLast, firstAside, lastAside, ...row } = measuredRow(instrumentOf('acoustic-parlour'), side) ?? {};
      expect(row).toEqual({ side });
      const told = [nutToFirst, firstToLast, firstAside, lastAside].map((length) => 1000 * (length ?? 0));
      expect(told).toEqual([50, 84, 23, 29].map((length) => expect.closeTo(length, 9) as number));
    }
  });

  it('are none on the empty side of a headstock in line', () => expect(measuredRow(instrumentOf('electric-in-line'), 'treble')).toBeNull());
});
