import { describe, expect, it } from 'vitest';
import * as table from './index.js';

const isConstant = (entry: unknown): entry is table.Constant => typeof entry === 'object' && entry !== null && 'source' in entry;

/** Every constant there is, however deep its group. */
const within = (name: string, entry: unknown): (readonly [string, table.Constant])[] => {
  if (isConstant(entry)) return [[name, entry]];
  if (typeof entry !== 'object' || entry === null || Array.isArray(entry)) return [];
  return Object.entries(entry).flatMap(([inner, value]) => within(`${name}.${inner}`, value));
};

describe('constants', () => {
  it.each(Object.entries(table).flatMap(([name, entry]) => within(name, entry)))(
    '%s lies within its own range and says where it comes from',
    (_name, { value, low, high, source }) => {
      expect(low).toBeLessThanOrEqual(value);
      expect(high).toBeGreaterThanOrEqual(value);
      expect(source.length).toBeGreaterThan(5);
    },
  );

  it('has a density for every wrap, between titanium and tungsten or the light metals', () => {
    for (const wrap of table.WRAPS) {
      expect(table.DENSITY[wrap].value).toBeGreaterThan(2000);
      expect(table.DENSITY[wrap].value).toBeLessThan(20000);
    }
  });
});
