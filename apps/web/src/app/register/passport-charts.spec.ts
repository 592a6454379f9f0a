import { describe, expect, it } from 'vitest';
import { fromInstrument, type PastSetup } from '@gold-peg/contract/register';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { pullChart, pullOf } from './passport-charts';

const DAY = 86_400_000;
const setup = (gauges: readonly number[]): PastSetup => ({
  jobId: '01900000-0000-7000-8000-000000000000',
  setName: 's',
  fittedAt: new Date(0).toISOString(),
  fittedBy: 'P',
  remark: '',
  notes: [],
  measurements: [],
  strings: gauges.map((gaugeMm, index) => ({ string: index + 1, construction: 'plain' as const, gaugeMm, turns: null, slackMm: null })),
});

describe('pull over time', () => {
  it('adds up the pulls of all strings: plain steel four times as heavy pulls four times as much', () => {
    const geometry = fromInstrument(instrumentOf('electric-in-line'));
    const thin = pullOf(geometry, setup(Array(6).fill(0.3)));
    const thick = pullOf(geometry, setup(Array(6).fill(0.6)));
    expect((thick ?? 0) / (thin ?? 1)).toBeCloseTo(4, 9);
  });

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
