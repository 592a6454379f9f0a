import { TestBed } from '@angular/core/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_PREFERENCES, type Preferences } from '@gold-peg/contract/people';
import { fromInches, metres, newtons } from '@gold-peg/craft/units';
import { Session } from '../session/session';
import { Measures, say, turnsToQuarter } from './measures';

describe('measures', () => {
  let measures: Measures;
  const prefer = (change: Partial<Preferences>) =>
    TestBed.inject(Session).person.set({
      id: 'p',
      name: 'P',
      role: 'owner',
      version: 1,
      preferences: { ...DEFAULT_PREFERENCES, ...change },
    });

  beforeEach(() => {
    measures = TestBed.inject(Measures);
  });

  it('say lengths in millimetres or inches, each with its unit', () => {
    expect(say(measures.length(metres(0.0468)))).toBe('47 mm');
    prefer({ lengths: 'in' });
    expect(say(measures.length(metres(0.0508)))).toBe('2.00 in');
  });

  it('say pull in newtons, kilograms-force or pounds-force', () => {
    expect(say(measures.pull(newtons(72.1)))).toBe('72 N');
    prefer({ pull: 'lbf' });
    expect(say(measures.pull(newtons(72.06)))).toBe('16.2 lbf');
    prefer({ pull: 'kgf' });
    expect(say(measures.pull(newtons(98.0665)))).toBe('10.0 kgf');
  });

  it('write a minus as a minus and never before a nought', () => {
    expect(measures.length(metres(-0.0123)).value).toBe('−12');
    expect(measures.length(metres(-0.0001)).value).toBe('0');
  });

  it('name gauges in thousandths of an inch', () => {
    expect(measures.gauge(fromInches(0.0095) * 1000)).toBe('.0095');
    expect(measures.gauge(fromInches(0.0102) * 1000)).toBe('.010');
    expect(measures.gauge(2.667)).toBe('.105');
  });

  it.each([
    [3, '3'],
    [2.5, '2½'],
    [2.62, '2½'],
    [2.63, '2¾'],
    [0.25, '¼'],
    [0, '0'],
    [1.9, '2'],
  ])('say %f turns as %s', (turns, words) => {
    expect(turnsToQuarter(turns)).toBe(words);
  });
});
