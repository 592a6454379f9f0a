import { expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { fromMillimetres, hertz, toMillimetres } from '../units/index.js';
import {
  endsFor,
  floats,
  isVibrato,
  pitchOf,
  postsBeyond,
  postSpacing,
  postToEnd,
  rollerSide,
  tieHoleCount,
  twoHoles,
  windingDirection,
  type Instrument,
} from './index.js';

const mm = (length: number | null) => (length === null ? null : Number(toMillimetres(length as never).toFixed(3)));
const [parlour, banjo, classical, headless] = ['acoustic-parlour', 'banjo-five-string', 'classical', 'electric-headless'].map((id) =>
  instrumentOf(id as 'classical'),
) as [Instrument, Instrument, Instrument, Instrument];
const FIFTH = 4;
const NOBODY = 99;

it('asks for ends that hold: plain to be tied, a loop for a hook, a ball that may come off only under a lock', () => {
  for (const tied of ['tie-block', 'knot-in-slot', 'wrap-and-tuck'] as const) expect(endsFor(tied)).toEqual(['plain']);
  expect(endsFor('hooked-tailpiece')).toEqual(['loop']);
  expect(endsFor('double-locking')).toEqual(['ball', 'ball-cut-off']);
  expect(endsFor('pins')).toEqual(['ball']);
});

it('measures along the posts of a side: 42 mm on, 3 mm aside, and a tip beyond the last', () => {
  // the parlour's stand at 50, 92 and 134 mm, 23, 26 and 29 mm from the middle; a head reaches 22 mm beyond its last post
  for (const index of [0, 1, 2, 3, 4, 5]) expect(mm(postSpacing(parlour, index))).toBeCloseTo(Math.hypot(42, 3), 2);
  expect([0, 1, 2, 3, 4, 5].map((index) => postsBeyond(parlour, index))).toEqual([2, 1, 0, 0, 1, 2]);
  expect([0, 1, 2].map((index) => mm(postToEnd(parlour, index)))).toEqual([106, 64, 22]);
  const lone = { ...parlour, strings: parlour.strings.slice(2, 3) };
  expect(postSpacing(lone, 0)).toBeNull();
});

it('leaves a fifth peg in the neck out of the row, and knows no head where there is none', () => {
  expect([postSpacing(banjo, FIFTH), postsBeyond(banjo, FIFTH), postToEnd(banjo, FIFTH)]).toEqual([null, 0, null]);
  expect(mm(postSpacing(banjo, 0))).toBeGreaterThan(20);
  expect(mm(postToEnd(banjo, 1))).toBe(22);
  expect(postToEnd(headless, 0)).toBeNull();
  expect([postSpacing(parlour, NOBODY), postsBeyond(parlour, NOBODY), postToEnd(parlour, NOBODY)]).toEqual([null, 0, null]);
});

it('winds rollers apart: the outer strings outward, the inner ones inward', () => {
  expect([0, 1, 2, 3, 4, 5].map((index) => rollerSide(classical, index))).toEqual(['outward', 'inward', 'inward', 'inward', 'inward', 'outward']); // prettier-ignore
});

it('has two holes only where a tie block has them, and floats only on springs', () => {
  const block = (tieHoles: 'single' | 'treble-double' | 'double') => ({ ...classical, bridge: { ...classical.bridge, tieHoles } });
  const holes = (instrument: Instrument) => [0, 2, 3, 5].map((index) => twoHoles(instrument, index));
  expect([block('single'), block('treble-double'), block('double')].map(holes)).toEqual([
    [false, false, false, false],
    [true, true, false, false],
    [true, true, true, true],
  ]);
  expect(holes({ ...parlour, bridge: { ...parlour.bridge, tieHoles: 'double' } })).toEqual([false, false, false, false]);
  expect([
    floats({ anchor: 'headless' }),
    floats({ anchor: 'headless', vibrato: true }),
    floats({ anchor: 'pins', vibrato: true }),
  ]).toEqual([false, true, false]);
  for (const anchor of ['floating-vibrato', 'double-locking'] as const) expect(floats({ anchor })).toBe(true);
  for (const anchor of ['resting-vibrato', 'stop-tailpiece'] as const) expect(floats({ anchor })).toBe(false);
  expect([isVibrato({ anchor: 'resting-vibrato' }), isVibrato({ anchor: 'pins' })]).toEqual([true, false]);
});

it('counts the holes of a tie block: one a string, two for the three trebles, two each', () => {
  expect((['single', 'treble-double', 'double'] as const).map((holes) => tieHoleCount(holes, 6))).toEqual([6, 9, 12]);
  expect(tieHoleCount('treble-double', 5)).toBe(7);
});

it('winds anticlockwise on the bass side of a right-handed head, and the other way on each other side', () => {
  const [bass, treble] = [{ side: 'bass' }, { side: 'treble' }] as const;
  expect([windingDirection(bass, 'right'), windingDirection(treble, 'left')]).toEqual(['anticlockwise', 'anticlockwise']);
  expect([windingDirection(treble, 'right'), windingDirection(bass, 'left')]).toEqual(['clockwise', 'clockwise']);
});

it('sounds at the pitch of its own where it has one, else at that of its note', () => {
  expect(pitchOf({ a4: hertz(440) }, { note: 'A4', frequency: hertz(431) })).toBe(431);
  expect(pitchOf({ a4: hertz(432) }, { note: 'A4', frequency: null })).toBeCloseTo(432, 9);
});

it('counts only posts of the same row: neither those of the other side nor one that stands as far', () => {
  const posts = (side: 'bass' | 'treble', ...alongMm: number[]) =>
    alongMm.map((along) => ({
      ...parlour.strings[0],
      post: { ...parlour.strings[0]?.post, side, along: fromMillimetres(along), sideways: fromMillimetres(0) },
    }));
  const head = { ...parlour, strings: [...posts('treble', 40, 40, 90), ...posts('bass', 45, 70)] } as Instrument;
  expect([0, 1, 2, 3, 4].map((index) => postsBeyond(head, index))).toEqual([1, 1, 0, 1, 0]);
  expect([0, 2, 3, 4].map((index) => mm(postSpacing(head, index)))).toEqual([0, 50, 25, 25]);
  expect([0, 1, 2, 3, 4].map((index) => rollerSide(head, index))).toEqual(['outward', 'outward', 'inward', 'outward', 'inward']);
  // a peg in the side of the neck is beyond none, and no end of the head
  const fifth = {
    ...banjo,
    strings: banjo.strings.map((place, index) =>
      index === FIFTH ? { ...place, post: { ...place.post, along: fromMillimetres(400) } } : place,
    ),
  };
  expect([0, 1, 2, 3].map((index) => postsBeyond(fifth, index))).toEqual([0, 1, 2, 3].map((index) => postsBeyond(banjo, index)));
  expect([0, 1, 2, 3].map((index) => mm(postSpacing(fifth, index)))).toEqual([0, 1, 2, 3].map((index) => mm(postSpacing(banjo, index))));
  expect(mm(postToEnd(fifth, 1))).toBe(22);
});
