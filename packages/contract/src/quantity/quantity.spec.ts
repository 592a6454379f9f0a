import { describe, expect, it } from 'vitest';
import { a4Hz, gaugeIn, gaugeMm, instant, note, quantity, scaleMm, uuidV7 } from './index.js';

const takes = (schema: { safeParse(value: unknown): { success: boolean } }, value: unknown) => schema.safeParse(value).success;

describe('quantities at the door', () => {
  it('take both ends of their range and nothing past them', () => {
    const depth = quantity({ from: 2, to: 40, unit: 'mm', because: 'posts are that deep' });
    expect([2, 40].every((value) => takes(depth, value))).toBe(true);
    const told = [1.999, 40.001, -2, Number.NaN, Number.POSITIVE_INFINITY, '12', null, undefined].some((value) => takes(depth, value));
    expect(told).toBe(false);
  });

  it('say range, unit and reason in one sentence', () => {
    const depth = quantity({ from: 2, to: 40, unit: 'mm', because: 'posts are that deep' });
    expect(depth.safeParse(50).error?.issues[0]?.message).toBe('must lie between 2 and 40 mm: posts are that deep');
    expect(depth.safeParse('x').error?.issues[0]?.message).toBe('must be a number in mm, between 2 and 40 mm: posts are that deep');
  });

  it('hold every string and scale that is made, and no slip of the decimal point', () => {
    expect([0.007, 0.046, 0.145].every((inches) => takes(gaugeIn, inches) && takes(gaugeMm, inches * 25.4))).toBe(true);
    expect(takes(gaugeIn, 0.46)).toBe(false);
    expect([345, 648, 889].every((mm) => takes(scaleMm, mm))).toBe(true);
    expect(takes(scaleMm, 6)).toBe(false);
    expect([392, 415, 440, 466].every((hz) => takes(a4Hz, hz))).toBe(true);
    expect(takes(a4Hz, 44)).toBe(false);
  });

  it('read notes as musicians write them', () => {
    expect(['E4', 'F♯3', 'Bb2', 'C𝄫5', 'B0'].every((text) => takes(note, text))).toBe(true);
    expect(['H4', 'E', 'e4', 'E4 '.repeat(4)].some((text) => takes(note, text))).toBe(false);
  });

  it('want a zone with a time, and a version 7 id where the order counts', () => {
    expect(takes(instant, '2026-05-28T17:30:00+02:00')).toBe(true);
    expect(takes(instant, '2026-05-28T17:30:00')).toBe(false);
    expect(takes(uuidV7, '01900000-0000-7000-8000-000000000000')).toBe(true);
    expect(takes(uuidV7, '9f1c0d3e-1111-4111-8111-111111111111')).toBe(false);
  });
});
