import { describe, expect, it } from 'vitest';
import { pullChart } from './passport-charts';

const DAY = 86_400_000;

describe('pull over time', () => {
  it('draws later sets farther right and stronger ones higher', () => {
    const picture = pullChart(
      [
        { at: 0, pull: 600, label: 'a' },
        { at: 100 * DAY, pull: 700, label: 'b' },
      ],
      200 * DAY,
    );
    const [first, second] = picture?.points ?? [];
    expect(second?.x).toBeGreaterThan(first?.x ?? 999);
    expect(second?.y).toBeLessThan(first?.y ?? 0);
  });

  it('has nothing to draw without a set', () => {
    expect(pullChart([], 0)).toBeNull();
  });
});
