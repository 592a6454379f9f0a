import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { Caliper, CHANCE } from './caliper';

/** A well-known generator, so that chance is the same every time. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

function caliper(seed: number): { device: Caliper; read: (mm: number) => number } {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [{ provide: CHANCE, useValue: seeded(seed) }] });
  const device = TestBed.inject(Caliper);
  let last = Number.NaN;
  device.readings.subscribe((mm) => (last = mm));
  return {
    device,
    read: (mm) => {
      device.press(mm);
      return last;
    },
  };
}
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('the caliper that stands in', () => {
  it('comes with a zero that is off by 0.03 to 0.09 mm, either way, and adds it to every reading', () => {
    const offsets = Array.from({ length: 40 }, (_, seed) => {
      const { device, read } = caliper(seed);
      expect(device.closed()).toBeNull();
      device.close();
      const shown = device.closed() ?? 0;
      expect(Math.abs(mean(Array.from({ length: 200 }, () => read(1))) - 1 - shown)).toBeLessThan(0.0065); // half its last digit, and the hand
      return shown;
    });
    for (const offset of offsets) expect(Math.abs(offset)).toBeGreaterThanOrEqual(0.03);
    for (const offset of offsets) expect(Math.abs(offset)).toBeLessThanOrEqual(0.09);
    expect(offsets.some((offset) => offset > 0) && offsets.some((offset) => offset < 0)).toBe(true);
  });

  it('reads true on the average once it is zeroed, and trembles by some thousandths of a millimetre', () => {
    const { device, read } = caliper(7);
    device.zero();
    expect(device.closed()).toBe(0);
    const readings = Array.from({ length: 2000 }, () => read(0.254));
    expect(mean(readings)).toBeCloseTo(0.254, 3);
    // the hand's 0.006 and the rounding of 0.01: √(0.006² + 0.01²/12) = 0.00666
    const spread = Math.sqrt(mean(readings.map((reading) => (reading - 0.254) ** 2)));
    expect(spread).toBeCloseTo(0.00666, 3);
  });

  it('shows hundredths and nothing finer', () => {
    const { read } = caliper(3);
    for (let mm = 0.2; mm < 1.2; mm += 0.0371) {
      const shown = read(mm);
      expect(shown * 100).toBeCloseTo(Math.round(shown * 100), 9);
    }
  });
});
