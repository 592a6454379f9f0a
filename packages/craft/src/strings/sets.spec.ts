import { describe, expect, it } from 'vitest';
import { fromInches, fromMillimetres, toInches, toMillimetres } from '../units/index.js';
import { coreArea, LINES, listGauges, madeOf, printGauge, SETS, setsFor, stringProperties, STRINGS, weighedDensity } from './index.js';
import type { StringSpec } from './index.js';
import { FAMILIES } from '../string-kinds/index.js';
import { DENSITY } from '../constants/index.js';

describe('sets', () => {
  it.each(SETS.map((set) => [set.name, set] as const))('%s can be computed string by string', (_name, set) => {
    expect(madeOf(set).map(({ gauge }) => gauge)).toEqual(set.strings.map(({ gauge }) => gauge));
  });

  it('cannot be computed where one string cannot be made: a core as thick as the whole', () => {
    const strings = SETS.flatMap((set) => set.strings).filter(({ construction }) => construction === 'wound').slice(0, 1); // prettier-ignore
    const made = () =>
      madeOf({
        id: 'x',
        lineId: null,
        name: 'an odd set',
        family: 'bass',
        strings: strings.map((string) => ({ ...string, core: string.gauge })),
      });
    expect(made).toThrow(/^a string of an odd set cannot be made: [a-z-]+$/);
  });

  it('has its own name and id for each set of a family', () => {
    for (const family of FAMILIES) {
      const own = SETS.filter((set) => set.family === family);
      expect(new Set(own.map(({ name, id, strings }) => `${name} ${strings.length} ${id}`)).size).toBe(own.length);
    }
  });

  it('reads gauges from string 1 on: the third of 10–46 is a plain .017, the sixth a wound .046', () => {
    const set = setsFor('electric', 6).find(({ name }) => name === '.010–.046 nickel-plated steel');
    expect(set?.strings.map(({ gauge }) => Math.round(toInches(gauge) * 1000))).toEqual([10, 13, 17, 26, 36, 46]);
    expect(set?.strings.map(({ construction }) => construction)).toEqual(['plain', 'plain', 'plain', 'wound', 'wound', 'wound']);
  });

  it('keeps the order of a re-entrant set: the fourth ukulele string is thinner than the third', () => {
    const [set] = setsFor('ukulele', 4);
    expect(set?.strings[3]?.gauge).toBeLessThan(set?.strings[2]?.gauge ?? 0);
  });

  it('offers only sets with as many strings as the instrument has', () => {
    expect(setsFor('mandolin', 8).length).toBeGreaterThan(0);
    expect(setsFor('mandolin', 4)).toEqual([]);
  });
});

describe('the strings table', () => {
  it('has every construction and finish, each string computable, with its own id, in a line that is listed', () => {
    expect(STRINGS.length).toBeGreaterThanOrEqual(250);
    expect(new Set(STRINGS.map(({ id }) => id)).size).toBe(STRINGS.length);
    expect(STRINGS.filter((string) => !stringProperties(string).ok)).toEqual([]);
    const lines = new Set(LINES.map(({ id }) => id));
    expect(STRINGS.filter(({ lineId }) => !lines.has(lineId))).toEqual([]);
    expect(new Set(STRINGS.map(({ construction }) => construction))).toEqual(new Set(['plain', 'wound', 'nylon', 'fluorocarbon', 'gut']));
    expect(new Set(STRINGS.map(({ finish }) => finish ?? 'round'))).toEqual(new Set(['round', 'flat', 'half-round']));
  });

  it('gets heavier with gauge along every line', () => {
    for (const { id } of LINES) {
      const masses = STRINGS.filter(({ lineId }) => lineId === id).map((string) => {
        const outcome = stringProperties(string);
        return outcome.ok ? outcome.value.linearDensity : Number.NaN;
      });
      expect(masses).toEqual([...masses].sort((a, b) => a - b));
    }
  });

  it('prints gauges as packets do', () => {
    expect(printGauge(fromInches(0.0095))).toBe('.0095');
    expect(printGauge(fromInches(0.105))).toBe('.105');
    const set = setsFor('electric', 6).find(({ name }) => name === '.010–.046 nickel-plated steel');
    expect(listGauges(set?.strings ?? [])).toBe('10 13 17 26w 36w 46w');
  });

  it('weighs an offcut: 0.62 g of 150 mm is 4.133 g/m', () => {
    expect(weighedDensity({ massGrams: 0.62, length: fromMillimetres(150) }) * 1000).toBeCloseTo(4.1333, 4);
  });
});

describe('ways of winding', () => {
  const mass = (more: Partial<StringSpec>) => {
    const outcome = stringProperties({ family: 'bass', construction: 'wound', gauge: fromInches(0.1), wrap: 'nickelPlatedSteel', ...more });
    if (!outcome.ok) throw new Error(outcome.problem.kind);
    return outcome.value;
  };

  it('weigh the same in any number of round layers of one material', () => {
    for (const layers of [2, 3, 4]) expect(mass({ layers }).linearDensity).toBeCloseTo(mass({}).linearDensity, 12);
  });

  it('weigh more flat than round: no air between ribbons, and a ground wire lies between the two', () => {
    const { linearDensity: round } = mass({ layers: 2 });
    const { linearDensity: ground } = mass({ layers: 2, finish: 'half-round' });
    const { linearDensity: flat } = mass({ layers: 2, finish: 'flat' });
    expect(ground).toBeGreaterThan(round);
    expect(flat).toBeGreaterThan(round);
  });

  it('bear load by the core alone, whatever is wound on it', () => {
    expect(mass({ finish: 'flat', layers: 3 }).breakingLoad).toBe(mass({}).breakingLoad);
    const silk = mass({ silk: true, coreShape: 'round' });
    expect(silk.linearDensity).toBeLessThan(mass({ coreShape: 'round' }).linearDensity);
    const core = silk.core ?? fromMillimetres(0);
    expect(silk.stiffness).toBeCloseTo(203.4e9 * coreArea({ shape: 'round', diameter: core }), 0);
  });

  it('tend to the bare core as the winding vanishes', () => {
    const gauge = fromInches(0.05);
    const core = fromMillimetres(toMillimetres(gauge) - 1e-7);
    const { linearDensity } = mass({ gauge, core, coreShape: 'round' });
    expect(linearDensity / (DENSITY.coreSteel.value * coreArea({ shape: 'round', diameter: gauge }))).toBeCloseTo(1, 5);
  });
});
