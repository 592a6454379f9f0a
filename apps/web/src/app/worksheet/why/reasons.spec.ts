import { describe, expect, it } from 'vitest';
import { stringProperties, type StringSpec } from '@gold-peg/craft/strings';
import { fromInches, kilogramsPerMetre } from '@gold-peg/craft/units';
import { kindPicture } from '../../build';
import { chooseReasons } from './choose-reasons';
import { turnsReason, windReasons } from './wind-reasons';

function laneOf(archetypeId: string, index: number) {
  const { instrument, lanes, plans } = kindPicture(archetypeId, 300);
  const lane = lanes[index];
  const plan = plans[index];
  if (lane === undefined || lane.string === null || plan == null) throw new Error('no lane');
  return { instrument, lane, string: lane.string, plan };
}
const numbersIn = (text: string) => [...text.matchAll(/-?\d+(?:\.\d+)?/g)].map(([number]) => Number(number));

const long = (length: number, digits = 1) => `${(length * 1000).toFixed(digits)} mm`;

describe('why', () => {
  it('gives for the slack a sum that adds up to it', () => {
    const { instrument, lane, string, plan } = laneOf('acoustic-parlour', 0);
    const slack = windReasons(plan, { lane, string, instrument, saddleHeight: null, long }).find(({ what }) => what === 'slack');
    const [takenUp = 0, stretch = 0, lock = 0] = numbersIn(slack?.from ?? '');
    expect(takenUp - stretch + lock).toBeCloseTo(numbersIn(slack?.value ?? '')[0] ?? 0, 0);
  });

  it('gives for the cut mark the slack and what the end needs', () => {
    const { instrument, lane, string, plan } = laneOf('bass-in-line', 0);
    const cut = windReasons(plan, { lane, string, instrument, saddleHeight: null, long }).find(({ what }) => what === 'cut mark');
    const [slack = 0, depth = 0] = numbersIn(cut?.from ?? '');
    expect(depth).toBe(13);
    expect(slack + depth).toBeCloseTo(numbersIn(cut?.value ?? '')[0] ?? 0, 0);
  });

  it('names the rule that won and the one that lost', () => {
    const why = (id: string, index: number) => {
      const { plan, lane, instrument } = laneOf(id, index);
      return turnsReason(plan, lane, instrument, long);
    };
    expect(why('acoustic-parlour', 0)).toBe('thin plain strings: three turns');
    // 6 mm aside at 150 mm is a slope of 2.3°
    const told = why('bass-in-line', 2);
    expect(told).toMatch(/^3 turns give 4\.\d° over the nut: no tree helps string 3; the 5\.0° wanted would take more turns/);
    expect(why('electric-in-line', 5)).toMatch(
      /2 turns would leave [\d.]+° over the nut, low: plucked 3 mm aside 130 mm from the bridge it comes back at 1\.3°/,
    );
    expect(why('electric-seven', 6)).toContain('pull straight and lock');
    expect(why('electric-headless', 0)).toContain('held straight');
  });

  it('says nothing of a nut at a fifth peg', () => {
    const { instrument, lane, string, plan } = laneOf('banjo-five-string', 4);
    expect(windReasons(plan, { lane, string, instrument, saddleHeight: null, long }).map(({ what }) => what)).not.toContain('nut angle');
  });

  it('adds up the screw of a headless instrument, and says what an offcut weighs', () => {
    const { instrument, lane, string, plan } = laneOf('electric-headless', 3);
    const lines = Object.fromEntries(windReasons(plan, { lane, string, instrument, saddleHeight: null, long }).map((line) => [line.what, line])); // prettier-ignore
    const [slack = 0, stretch = 0] = numbersIn(lines['screw']?.from ?? '');
    expect(slack + stretch).toBeCloseTo(numbersIn(lines['screw']?.value ?? '')[0] ?? 0, 1);
    const [left = 0] = numbersIn(lines['offcut']?.from ?? '');
    expect((left / 1000) * string.linearDensity * 1000).toBeCloseTo(numbersIn(lines['offcut']?.value ?? '')[0] ?? 0, 1);
  });

  it('explains pull and reserve at Choose with the values that went in', () => {
    const { instrument, lane, string } = laneOf('acoustic-parlour', 0);
    const lines = Object.fromEntries(chooseReasons(lane, string, instrument, { slots: [], long }).map((line) => [line.what, line]));
    const [mass = 0, , length = 0] = numbersIn(lines['pull']?.from ?? '');
    expect((mass / 1000) * (2 * (length / 1000) * 329.63) ** 2).toBeCloseTo(numbersIn(lines['pull']?.value ?? '')[0] ?? 0, 0);
    const [pull = 0, breaking = 1] = numbersIn(lines['reserve']?.from ?? '');
    expect(100 * (1 - pull / breaking)).toBeCloseTo(numbersIn(lines['reserve']?.value ?? '')[0] ?? 0, 0);
  });

  it('tells that a polymer thins, and that a wound string is carried by its core', () => {
    const nylon = laneOf('classical', 0);
    expect(chooseReasons(nylon.lane, nylon.string, nylon.instrument, { slots: [], long })[1]?.rule).toContain('thins');
    const wound = laneOf('acoustic-parlour', 5);
    expect(chooseReasons(wound.lane, wound.string, wound.instrument, { slots: [], long })[0]?.from).toMatch(/core \d\.\d+ mm/);
  });

  const massOf = (more: Partial<StringSpec>) => {
    const { instrument, lane } = laneOf('bass-in-line', 0);
    const outcome = stringProperties({ family: 'bass', construction: 'wound', gauge: fromInches(0.1), wrap: 'stainless430', ...more });
    if (!outcome.ok) throw new Error(outcome.problem.kind);
    const mass = chooseReasons(lane, outcome.value, instrument, { slots: [], long }).find(({ what }) => what === 'mass');
    return `${mass?.rule ?? ''}; ${mass?.from ?? ''}`;
  };

  it('gives for the mass the rule of how the string is made', () => {
    expect(massOf({})).toContain('one close-wound layer');
    expect(massOf({ layers: 3 })).toContain('3 close-wound layers');
    expect(massOf({ finish: 'flat', layers: 3 })).toContain('the outermost a ribbon');
    expect(massOf({ finish: 'half-round' })).toContain('ground off');
    expect(massOf({ silk: true })).toContain('silk floss');
    expect(massOf({})).toContain('usual for the gauge');
    expect(massOf({ core: fromInches(0.03) })).toContain('as the table says');
  });

  it('says of a weighed string that it was weighed', () => {
    const weighed = massOf({ linearDensity: kilogramsPerMetre(0.03) });
    expect(weighed).toContain('what an offcut weighed');
    expect(weighed).toContain('the one that would weigh as much');
    expect(weighed).not.toContain('close-wound');
  });
});
