import { describe, expect, it } from 'vitest';
import { setsFor, stringProperties, type StringSet } from '../strings/index.js';
import { FAMILIES } from '../string-kinds/index.js';
import { loadString } from '../tension/index.js';
import { frequencyOf, parseNote, toMillimetres } from '../units/index.js';
import { ARCHETYPES, archetype, instrumentOf } from './index.js';
import {
  ANCHORS,
  buildInstrument,
  endsFor,
  HEADSTOCK_LAYOUTS,
  pitchOf,
  POST_STYLES,
  postSpacing,
  rollerSide,
  stretchingPath,
  windingDirection,
} from '../instrument/index.js';

const all = ARCHETYPES.map(({ id }) => [id, instrumentOf(id)] as const);

describe('archetypes', () => {
  it.each(all)('%s: one post, slot and note for each string, slots within the nut and in order', (_id, instrument) => {
    const onNut = instrument.strings.filter(({ post }) => post.pipAlong === null);
    const slots = onNut.map(({ slotSideways }) => slotSideways);
    expect(slots).toEqual([...slots].sort((a, b) => a - b)); // string 1 on the treble side, which is negative
    for (const slot of slots) expect(Math.abs(slot)).toBeLessThan(instrument.nutWidth / 2);
    for (const { note } of instrument.strings) expect(parseNote(note).ok).toBe(true);
  });

  it.each(all)('%s: no two posts on a side stand closer than their buttons are wide', (_id, instrument) => {
    if (instrument.headstock.layout === 'headless') return;
    instrument.strings.forEach((_, index) => {
      const spacing = postSpacing(instrument, index);
      if (spacing !== null) expect(toMillimetres(spacing)).toBeGreaterThan(20);
    });
  });

  it.each(all)(
    '%s: posts stand on their own side of the neck or of their strings, the outer strings nearest the nut on a split head',
    (_id, instrument) => {
      for (const { post, slotSideways } of instrument.strings) {
        const sides = [post.sideways, post.sideways - slotSideways].map(Math.sign);
        if (post.style !== 'clamp') expect(sides).toContain(post.side === 'bass' ? 1 : -1);
      }
      if (instrument.headstock.layout === 'in-line' || instrument.headstock.layout === 'headless') return;
      const onHead = instrument.strings.filter(({ post }) => post.pipAlong === null).map(({ post }) => post.along);
      expect(onHead[0]).toBe(Math.min(...onHead));
      expect(onHead.at(-1)).toBe(Math.min(...onHead));
    },
  );

  it('knows the parlour guitar by its figures: 632 mm, posts at 50, 92 and 134 mm, 23 to 29 mm from the middle', () => {
    const { strings } = instrumentOf('acoustic-parlour');
    expect(strings.map(({ post }) => Math.round(toMillimetres(post.along)))).toEqual([50, 92, 134, 134, 92, 50]);
    expect(strings.map(({ post }) => Math.round(toMillimetres(post.sideways)))).toEqual([-23, -26, -29, 29, 26, 23]);
    expect(strings.map(({ scaleLength }) => Math.round(toMillimetres(scaleLength)))).toEqual(Array(6).fill(632));
  });

  it('puts the first string of six in line at 163 mm, the sixth at 38, all on the bass side', () => {
    const { strings } = instrumentOf('electric-in-line');
    expect(strings.map(({ post }) => Math.round(toMillimetres(post.along)))).toEqual([163, 138, 113, 88, 63, 38]);
    expect(new Set(strings.map(({ post }) => windingDirection(post, 'right')))).toEqual(new Set(['anticlockwise']));
  });

  it('turns the bass side of a split head anticlockwise and the treble side clockwise', () => {
    const turns = instrumentOf('acoustic-parlour').strings.map(({ post }) => windingDirection(post, 'right'));
    expect(turns).toEqual(['clockwise', 'clockwise', 'clockwise', 'anticlockwise', 'anticlockwise', 'anticlockwise']);
  });

  it('keeps re-entrant tunings in the order of the strings: the fourth ukulele string is higher than the third', () => {
    const notes = instrumentOf('ukulele-concert').strings.map(({ note }) => note);
    expect(notes).toEqual(['A4', 'E4', 'C4', 'G4']);
    expect(frequencyOf(notes[3] ?? '')).toBeGreaterThan(frequencyOf(notes[2] ?? ''));
  });

  it('gives the banjo a short fifth string from a pip at the fifth fret', () => {
    const { strings } = instrumentOf('banjo-five-string');
    const fifth = strings[4];
    // 670 · (1 − 2^(−5/12)) = 168.0 mm to the fret, 502 mm left to sound
    expect(toMillimetres(fifth?.post.pipAlong ?? (0 as never))).toBeCloseTo(670 * (1 - 2 ** (-5 / 12)), 0);
    expect(toMillimetres(fifth?.scaleLength ?? (0 as never))).toBeCloseTo(670 * 2 ** (-5 / 12), 0);
    expect(postSpacing(instrumentOf('banjo-five-string'), 4)).toBeNull();
  });

  it('pairs the eight strings of a mandolin in four courses', () => {
    const { strings } = instrumentOf('mandolin');
    expect(strings.map(({ course }) => course)).toEqual([1, 1, 2, 2, 3, 3, 4, 4]);
    const gap = (a: number, b: number) => Math.abs((strings[a]?.slotSideways ?? 0) - (strings[b]?.slotSideways ?? 0));
    expect(gap(0, 1)).toBeLessThan(gap(1, 2) / 1.5);
  });

  it('winds the outer strings of a classical to the outside of their rollers, the inner four inside', () => {
    const classical = instrumentOf('classical');
    const sides = classical.strings.map((_, index) => rollerSide(classical, index));
    expect(sides).toEqual(['outward', 'inward', 'inward', 'inward', 'inward', 'outward']);
  });

  it('is the mirror image for the left hand: every post turns the other way', () => {
    for (const [, { strings }] of all)
      for (const { post } of strings) expect(windingDirection(post, 'left')).not.toBe(windingDirection(post, 'right'));
  });

  it('turns a reversed headstock in line clockwise all along, string 1 nearest the nut', () => {
    const { strings } = instrumentOf('electric-double-locking');
    expect(new Set(strings.map(({ post }) => windingDirection(post, 'right')))).toEqual(new Set(['clockwise']));
    expect(strings.map(({ post }) => Math.round(toMillimetres(post.along)))).toEqual([45, 70, 95, 120, 145, 170]);
  });

  it('runs strings straight over the nut where posts are set so: the tangent on the inside lies behind the slot', () => {
    for (const id of ['electric-in-line', 'electric-double-locking', 'bass-five', 'electric-seven-five-two']) {
      for (const { post, slotSideways } of instrumentOf(id).strings)
        expect(Math.abs(post.sideways - slotSideways)).toBeCloseTo(post.diameter / 2, 9);
    }
  });

  it.each(all)('%s: has a set that its own tuning does not break, nor leave slack', (_id, instrument) => {
    const holds = (set: StringSet) =>
      set.strings.every((spec, index) => {
        const [properties, place] = [stringProperties(spec), instrument.strings[index]];
        if (!properties.ok || place === undefined) return false;
        const { pull, reserve } = loadString(properties.value, place.scaleLength, pitchOf(instrument, place));
        return reserve > 0 && pull > 15; // newtons: less rattles
      });
    expect(setsFor(instrument.family, instrument.strings.length).some(holds)).toBe(true);
  });

  it('knows thirty kinds and more, with every family, post, layout and anchor among them', () => {
    expect(ARCHETYPES.length).toBeGreaterThanOrEqual(30);
    const instruments = all.map(([, instrument]) => instrument);
    const styles = new Set(instruments.flatMap(({ strings }) => strings.map(({ post }) => post.style)));
    for (const style of POST_STYLES) expect(styles).toContain(style);
    const layouts = new Set(instruments.map(({ headstock }) => headstock.layout));
    for (const layout of HEADSTOCK_LAYOUTS) expect(layouts).toContain(layout);
    const anchors = new Set(instruments.map(({ bridge }) => bridge.anchor));
    for (const anchor of ANCHORS) expect(anchors).toContain(anchor);
    const family = new Set(instruments.map((instrument) => instrument.family));
    for (const known of FAMILIES) expect(family).toContain(known);
  });

  it('splits posts as each kind does: four and two, four and three, five and two, four and one, three and two', () => {
    const onBass = (id: string) => instrumentOf(id).strings.filter(({ post }) => post.side === 'bass').length;
    const splits = ['electric-four-two', 'electric-seven-split', 'electric-seven-five-two', 'bass-five', 'bass-five-two-three'];
    expect(splits.map(onBass)).toEqual([4, 4, 5, 4, 3]);
    expect(onBass('acoustic-twelve')).toBe(6);
  });

  it('lets all string from anchor to post stretch: 20 + 632 + 50 mm on the parlour guitar', () => {
    const instrument = instrumentOf('acoustic-parlour');
    const [first] = instrument.strings;
    if (first === undefined) throw new Error('no string');
    expect(toMillimetres(stretchingPath(instrument, first))).toBeCloseTo(702, 9);
  });

  it('asks for the string ends that each anchor holds: loops on hooks, plain ends to tie, balls elsewhere', () => {
    expect(endsFor('hooked-tailpiece')).toEqual(['loop']);
    expect(endsFor('tie-block')).toEqual(['plain']);
    expect(endsFor('double-locking')).toContain('ball-cut-off');
    for (const anchor of ANCHORS) expect(endsFor(anchor).length).toBeGreaterThan(0);
  });

  it('knows no archetype that is not listed, and refuses a sketch with a string too few', () => {
    expect(archetype('harp')).toBeUndefined();
    expect(() => instrumentOf('harp')).toThrow(RangeError);
    const sketch = archetype('mandolin')?.sketch;
    if (sketch === undefined) throw new Error('no mandolin');
    expect(() => buildInstrument({ ...sketch, notes: sketch.notes.slice(1) })).toThrow(RangeError);
  });

  it('are none that nobody sketched', () => {
    expect(archetype('lute')).toBeUndefined();
    expect(() => instrumentOf('lute')).toThrow('no archetype lute');
  });
});
