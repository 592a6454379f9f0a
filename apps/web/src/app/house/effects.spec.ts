import { describe, expect, it } from 'vitest';
import type { MethodChoices } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';
import { effectsOf, side } from './effects';
import { exampleOf, EXAMPLES, tried, type Example } from './example';

const measures = { length: (length: number) => ({ value: (length * 1000).toFixed(1), unit: 'mm' }) };
const parlour = exampleOf('acoustic-parlour') as Example;
const effects = (ways: MethodChoices, example = parlour) => effectsOf(tried(example, {}), tried(example, { house: ways }), measures);
const whats = (ways: MethodChoices, example?: Example) => effects(ways, example).map(({ what }) => what);

describe('examples', () => {
  it('are kinds with a set of their own and posts to wind on', () => {
    expect(EXAMPLES.map(({ id }) => id)).toEqual(expect.arrayContaining(['acoustic-parlour', 'classical', 'bass-in-line', 'mandolin']));
    expect(EXAMPLES.map(({ id }) => id)).not.toContain('electric-headless'); // its strings are clamped
  });
});

describe("a way of one's own", () => {
  it('lies over that of the house, and what it leaves to the house is as the house has it', () => {
    const house: MethodChoices = { turns: { 'thin-plain': 2.5, 'thick-wound': 1.5 } };
    const own = tried(parlour, { house, technician: { turns: { 'thin-plain': 3.5 } } }).classes;
    const turns = (stringClass: string) => own.find((each) => each.stringClass === stringClass)?.plan.wind.turns;
    expect([turns('thin-plain'), turns('thick-wound')]).toEqual([3.5, 1.5]);
  });
});

describe('what a way does to an example', () => {
  it('is nothing where nothing is another', () => expect(effects({})).toEqual([]));

  it('half a turn less on thin plain strings leaves half a circumference less of slack, to what the turns stack', () => {
    const [before, after] = [tried(parlour, {}), tried(parlour, { house: { turns: { 'thin-plain': 2.5 } } })].map(({ classes }) => classes[0]?.plan); // prettier-ignore
    if (before === undefined || after === undefined) throw new Error('it has thin plain strings');
    // π (D + d) / 2, the string lying side by side: its own pitch along the post is lost in a tenth of a millimetre
    const half = (Math.PI * (before.geometry.postDiameter + before.geometry.stringDiameter)) / 2;
    expect(toMillimetres(before.slack) - toMillimetres(after.slack)).toBeCloseTo(toMillimetres(half as typeof before.slack), 0);
    expect(whats({ turns: { 'thin-plain': 2.5 } })).toEqual(expect.arrayContaining(['turns, strings 1 to 2', 'slack, strings 1 to 2']));
    expect(whats({ turns: { 'thin-plain': 2.5 } }).filter((what) => what.includes('string 6'))).toEqual([]);
  });

  it('strings that come off all together leave the neck no pull, one at a time all but the strongest', () => {
    const stays = effects({ stripping: 'all-off' }).find(({ what }) => what === 'pull that stays meanwhile');
    expect(stays?.tried).toBe('0 %');
    const pulls = tried(parlour, {});
    expect(pulls.stays).toBeGreaterThan(0.7); // the strongest of six bears about a fifth
    expect(pulls.stays).toBeLessThan(5 / 6);
  });

  it('another order is told string by string', () => {
    expect(effects({ stringOrder: 'high-first' }).find(({ what }) => what === 'order')).toEqual({
      what: 'order',
      kept: '6 5 4 3 2 1',
      tried: '1 2 3 4 5 6',
    });
  });

  it('nylon that may drift farther is tuned again less often; steel does not care', () => {
    const classical = exampleOf('classical') as Example;
    const times = effects({ driftCents: 15 }, classical).find(({ what }) => what === 'tuned again');
    expect(parseInt(times?.tried ?? '', 10)).toBeLessThan(parseInt(times?.kept ?? '', 10));
    expect(effects({ driftCents: 15 })).toEqual([]);
  });
});

it('strings of a class are told by their numbers', () => {
  const of = (...numbers: number[]) => side({ classes: [{ numbers }] as never }, 0);
  expect([of(6), of(1, 2, 3), of(1, 3, 5)]).toEqual(['string 6', 'strings 1 to 3', 'strings 1, 3, 5']);
});
