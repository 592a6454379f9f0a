import { describe, expect, it } from 'vitest';
import { fromInstrument } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { geometryFacts } from './geometry-facts';

const factsOf = (id: string) =>
  Object.fromEntries(
    geometryFacts(fromInstrument(instrumentOf(id)), (mm, digits = 0) => `${mm.toFixed(digits)} mm`).map(({ label, value }) => [
      label,
      value,
    ]),
  );

describe('geometry in words', () => {
  it('says the figures of a parlour guitar', () => {
    expect(factsOf('acoustic-parlour')).toEqual({
      nut: '44 mm, outer strings 37.5 mm',
      headstock: 'back 14°',
      posts: '6.0 mm thick',
      holes: '9.5 mm above the face',
      'nut to posts': '50 mm to 134 mm',
      face: '4 mm under the slots',
      buttons: '16 to 1',
      bridge: 'bridge pins, 20 mm behind the saddle',
    });
  });

  it('says what is different elsewhere: staggered holes, deep posts, rollers, a flat head', () => {
    expect(factsOf('electric-in-line')).toMatchObject({ headstock: 'flat', holes: '8.0 mm to 11.0 mm above the face' });
    expect(factsOf('bass-in-line')['holes']).toBe('11.0 mm above the face, 13 mm deep');
    expect(factsOf('classical')['holes']).toBe('rollers 9 mm under the face');
  });

  it('leaves the fifth peg of a banjo out of its head', () => expect(factsOf('banjo-five-string')['nut to posts']).toBe('40 mm to 82 mm'));
});
