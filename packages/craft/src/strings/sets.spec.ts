import { describe, expect, it } from 'vitest';
import { toInches } from '../units/index.js';
import { FAMILIES, SETS, setsFor, stringProperties } from './index.js';

describe('sets', () => {
  it.each(SETS.map((set) => [set.name, set] as const))('%s can be computed string by string', (_name, set) => {
    for (const string of set.strings) expect(stringProperties({ family: set.family, ...string }).ok).toBe(true);
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
