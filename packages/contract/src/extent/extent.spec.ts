import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { firstUnkeepable, jsonExtent } from './index.js';

function depthOf(value: unknown): number {
  return typeof value !== 'object' || value === null ? 0 : 1 + Math.max(0, ...Object.values(value).map(depthOf));
}
function valuesOf(value: unknown): number {
  const inner = typeof value !== 'object' || value === null ? [] : Object.values(value);
  return inner.reduce<number>((sum, each) => sum + valuesOf(each), 1);
}

describe('the extent of a text of JSON', () => {
  it('is that of what it says, whatever stands in its texts', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const { depth, values } = jsonExtent(JSON.stringify(value));
        expect(depth).toBe(depthOf(value));
        // an empty list counts as if it held something: never too few
        expect(values).toBeGreaterThanOrEqual(valuesOf(value));
        expect(values).toBeLessThanOrEqual(2 * valuesOf(value));
      }),
    );
  });

  it('counts a hundred thousand lists in one another without falling over', () => {
    expect(jsonExtent('['.repeat(100_000)).depth).toBe(100_000);
  });
});

describe('text that cannot be kept', () => {
  it('is found in a value, in a list and in the name of a field', () => {
    expect(firstUnkeepable({ a: ['fine', 'b\0'] })).toEqual({ path: ['a', '1'], says: 'must not hold the null sign' });
    expect(firstUnkeepable({ name: '\ud800' })?.says).toContain('half a pair');
    expect(firstUnkeepable({ 'a\0': 1 })?.path).toEqual([]);
    expect(firstUnkeepable({ name: 'E♭ 🎸', n: 1, none: null })).toBeNull();
  });
});
