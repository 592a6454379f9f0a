import { expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { MEASURES, type Instrument, type Measure } from '../instrument/index.js';
import { windString } from '../procedure/index.js';
import { setsFor, stringProperties } from '../strings/index.js';
import { toMillimetres } from '../units/index.js';
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

it('strays to both sides by the same, and changes nothing else', () => {
  for (const measure of MEASURES) {
    const [less, more] = [strayed(parlour, measure, -1), strayed(parlour, measure, 1)];
    if (hasMeasure(parlour, measure)) expect(less).not.toEqual(more);
    expect(less.strings.map(({ note }) => note)).toEqual(parlour.strings.map(({ note }) => note));
  }
  const [less, more] = [strayed(parlour, 'gear', -1), strayed(parlour, 'gear', 1)];
  expect(more.gearRatio + less.gearRatio).toBeCloseTo(2 * parlour.gearRatio, 9);
});
