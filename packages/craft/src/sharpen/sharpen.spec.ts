import { expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { STRAYS } from '../constants/index.js';
import { MEASURES, type Instrument, type Measure } from '../instrument/index.js';
import { windString } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { toDegrees, toMillimetres } from '../units/index.js';
import { hasMeasure, sharpening, strayed } from './index.js';

const stringsOf = (instrument: Instrument) => {
  const [set] = setsFor(instrument.family, instrument.strings.length);
  return instrument.strings.map((_, index) => {
    const spec = set?.strings[index];
    const read = spec === undefined ? null : stringProperties(spec);
    return read?.ok === true ? read.value : null;
  });
};
const parlour = instrumentOf('acoustic-parlour');
const treed = ARCHETYPES.map(({ id }) => instrumentOf(id)).find(({ trees }) => trees.length > 0) ?? parlour;
const all = (instrument = parlour, taken: readonly Measure[] = []) => sharpening(instrument, stringsOf(instrument), new Set(taken));

it('says of each measure that nobody took which number hangs on it: a thicker post takes more slack for the same turns', () => {
  const thickness = all().find(({ measure }) => measure === 'thickness');
  expect(thickness?.figure).toBe('slack');
  const [index, [low, high]] = [thickness?.string ?? 0, thickness?.range ?? [0, 0]];
  const string = stringsOf(parlour)[index];
  const plan = string == null ? null : windString({ instrument: parlour, index, string });
  if (plan?.kind !== 'post') throw new Error('it is wound round a post');
  // so many turns round a post that is 0.3 mm thicker: π · 0.3 mm of string for each of them, and a part of one up to the hole
  const each = (high - low) / 2 / (plan.wind.turns * Math.PI * 0.3);
  expect(each).toBeGreaterThan(0.9);
  expect(each).toBeLessThan(1.2);
});

it('knows that the scale decides the pull: by twice its share', () => {
  const scale = all().find(({ measure }) => measure === 'scale');
  expect(scale?.figure).toBe('pull');
  const [low, high] = scale?.range ?? [0, 0];
  const longest = toMillimetres(parlour.strings[scale?.string ?? 0]?.scaleLength as never);
  expect((high - low) / 2 / (scale?.likely ?? 1)).toBeCloseTo((2 * 4) / longest, 3); // pull = 4 f² L² μ
});

it('asks for the face and the angle of the head where the break over the nut hangs on them, and for gears where buttons are counted', () => {
  const of = (measure: Measure) => all().find((each) => each.measure === measure)?.figure;
  expect([of('angle'), of('face'), of('gear'), of('slots')]).toEqual(['nut-angle', 'nut-angle', 'button-turns', 'slot-room']);
});

it.each(ARCHETYPES.map(({ id }) => id))('puts what says most first on %s, and asks for nothing that was taken or is not there', (id) => {
  const instrument = instrumentOf(id);
  const said = all(instrument, ['scale']);
  expect(said.map(({ weight }) => weight)).toEqual(said.map(({ weight }) => weight).sort((a, b) => b - a));
  expect(said.map(({ measure }) => measure)).not.toContain('scale');
  for (const { measure } of said) expect(hasMeasure(instrument, measure)).toBe(true);
  expect(said.length).toBeGreaterThan(3);
  expect(all(instrument, MEASURES)).toEqual([]);
});

it('says nothing of strings that nobody knows', () => {
  const unknown = parlour.strings.map(() => null);
  expect(sharpening(parlour, unknown, new Set())).toEqual([]);
});

it('weighs each by the farther of its ends, in steps that are noticed: a quarter turn, two millimetres, a degree, two newtons and so on', () => {
  const step = { turns: 0.25, slack: 2, 'nut-angle': 1, pull: 2, 'button-turns': 1, 'cents-per-turn': 100, 'slot-room': 0.05 };
  for (const { id } of ARCHETYPES)
    for (const { figure, range, likely, weight } of all(instrumentOf(id)))
      expect(weight * step[figure]).toBeCloseTo(Math.max(...range.map((end) => Math.abs(end - likely))), 9);
});

it('takes the room in a slot for its width less the gauge', () => {
  const slots = all().find(({ measure }) => measure === 'slots');
  const [place, string] = [parlour.strings[slots?.string ?? 0], stringsOf(parlour)[slots?.string ?? 0]];
  expect(slots?.likely).toBeCloseTo(1000 * ((place?.slotWidth ?? 0) - (string?.gauge ?? 0)), 9);
});

it('has no buttons, posts or angle on a headless neck, and trees where there are some', () => {
  const headless = ARCHETYPES.map(({ id }) => instrumentOf(id)).find(({ headstock }) => headstock.layout === 'headless');
  if (headless === undefined) throw new Error('no headless one');
  const there = MEASURES.filter((measure) => hasMeasure(headless, measure));
  expect(MEASURES.filter((measure) => !there.includes(measure)).sort()).toEqual(['angle', 'gear', 'thickness', 'trees']);
  expect(hasMeasure(parlour, 'trees')).toBe(false);
  expect(hasMeasure(treed, 'trees')).toBe(true);
});

it('strays by as much as the measure may be off, up and down, and changes nothing else', () => {
  const first = ({ strings }: Instrument) => strings[0] as Instrument['strings'][number];
  const read: Record<Measure, (of: Instrument) => number> = {
    scale: (of) => 1000 * first(of).scaleLength,
    nut: (of) => 1000 * first(of).slotSideways,
    slots: (of) => 1000 * first(of).slotWidth,
    posts: (of) => 1000 * first(of).post.along,
    thickness: (of) => 1000 * first(of).post.diameter,
    holes: (of) => 1000 * first(of).post.holeHeight,
    angle: (of) => toDegrees(of.headstock.angle),
    face: (of) => 1000 * of.headstock.faceDrop,
    'behind-saddle': (of) => 1000 * of.bridge.behindSaddle,
    gear: (of) => of.gearRatio,
    trees: (of) => 1000 * (of.trees[0]?.drop ?? Number.NaN),
  };
  for (const measure of MEASURES)
    for (const way of [-1, 1] as const) {
      const off = strayed(treed, measure, way);
      expect(read[measure](off) - read[measure](treed), measure).toBeCloseTo(way * STRAYS[measure].value, 9);
      for (const other of MEASURES) if (other !== measure) expect(read[other](off), `${other} by ${measure}`).toBe(read[other](treed));
    }
});
