import { describe, expect, it } from 'vitest';
import {
  CORE_FROM_GAUGE,
  CREEP,
  DENSITY,
  NECK,
  LOW_OVER_SADDLE,
  NUT,
  PACE,
  SADDLE_SIDES,
  SAFE_SHARE_OF_BREAKING,
  STRENGTH,
  WINDING,
  WRAPS,
  YOUNGS_MODULUS,
  type Constant,
} from './index.js';

const groups: Record<string, Record<string, Constant>> = {
  DENSITY,
  YOUNGS_MODULUS,
  STRENGTH,
  WINDING,
  CORE_FROM_GAUGE,
  NUT,
  NECK,
  CREEP,
  PACE,
  ...SADDLE_SIDES,
  SAFE: { overSaddle: LOW_OVER_SADDLE, share: SAFE_SHARE_OF_BREAKING },
};
const all = Object.entries(groups).flatMap(([group, entries]) =>
  Object.entries(entries).map(([name, entry]) => [`${group}.${name}`, entry] as const),
);

describe('constants', () => {
  it.each(all)('%s lies within its own range and says where it comes from', (_name, { value, low, high, source }) => {
    expect(low).toBeLessThanOrEqual(value);
    expect(high).toBeGreaterThanOrEqual(value);
    expect(source.length).toBeGreaterThan(5);
  });

  it('has a density for every wrap, between titanium and tungsten or the light metals', () => {
    for (const wrap of WRAPS) {
      expect(DENSITY[wrap].value).toBeGreaterThan(2000);
      expect(DENSITY[wrap].value).toBeLessThan(20000);
    }
  });
});
