import { describe, expect, it } from 'vitest';
import { pinned, tied } from './scenes';
import type { Part } from './scene';

const numbers = (d: string) => (d.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number);
const strings = (parts: readonly Part[]) => parts.flatMap((part) => (part.kind === 'string' && part.of === 'this' ? [part.d] : []));
const balls = (parts: readonly Part[]) => parts.flatMap((part) => (part.kind === 'ball' ? [part] : []));
/** How high the topmost piece of a pin stands, mm up from where it is home. */
const head = (parts: readonly Part[]) => {
  const bones = parts.flatMap((part) => (part.kind === 'area' && part.ink === 'bone' ? [part.d] : []));
  return Math.min(...numbers(bones.at(-1) ?? '').filter((_, at) => at % 2 === 1));
};

describe('an end as it lies', () => {
  it('has neither word nor arrow that would give it away', () => {
    for (const parts of [pinned('home', 0), pinned('under-tip', 4), pinned('slot-away', 0), tied(2, 2), tied(0, 3), tied(3, -6)])
      expect(parts.filter(({ kind }) => kind === 'label' || kind === 'arrow')).toEqual([]);
  });

  it('stands out by so much with the ball under its pin, which is beside it else', () => {
    expect(head(pinned('home', 0)) - head(pinned('under-tip', 4))).toBeCloseTo(4, 6);
    const [home, under] = [balls(pinned('home', 0))[0]?.x ?? 0, balls(pinned('under-tip', 4))[0]?.x ?? 0];
    expect(home).toBeLessThan(44.6); // the tip of the pin begins there
    expect(under).toBeGreaterThan(44.6);
  });

  it('ends behind the edge of the block, which is at 55 mm, or in front of it, tuck by tuck', () => {
    const end = (times: number, behind: number) => numbers(strings(tied(times, behind))[0] ?? '').at(-2) ?? 0;
    expect(end(2, 3)).toBeGreaterThan(55);
    expect(end(2, -6)).toBeLessThan(55);
    const lengths = [0, 1, 2, 3].map((times) => numbers(strings(tied(times, 3))[0] ?? '').length);
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
    expect(new Set(lengths).size).toBe(4);
  });
});
