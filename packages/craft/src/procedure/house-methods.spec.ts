import { describe, expect, it } from 'vitest';
import { stringProperties, type StringSpec } from '../strings/index.js';
import { fromInches, toMillimetres } from '../units/index.js';
import { builtInMethods } from './index.js';

const string = (family: StringSpec['family'], construction: StringSpec['construction'], thousandths: number) => {
  const outcome = stringProperties({ family, construction, gauge: fromInches(thousandths / 1000) });
  if (!outcome.ok) throw new Error(outcome.problem.kind);
  return outcome.value;
};

describe('built-in methods of a house', () => {
  it.each([
    ['a thin plain guitar string', 'electric', 'through', 'plain', 10, 2.5, 3],
    ['a thick plain guitar string', 'electric', 'through', 'plain', 18, 2, 3],
    ['a thick wound guitar string', 'acoustic', 'through', 'wound', 53, 2, 2.5],
    ['a bass string', 'bass', 'slotted', 'wound', 105, 1, 3],
    ['a mandolin treble', 'mandolin', 'through', 'plain', 11, 4, 5],
    ['a mandolin bass', 'mandolin', 'through', 'wound', 38, 2, 3],
  ] as const)('give %s as many turns as the schools do', (_what, family, style, construction, gauge, least, most) => {
    const { turns, mostTurns, reason } = builtInMethods(family, style, string(family, construction, gauge));
    expect(turns).toBeGreaterThanOrEqual(least);
    expect(turns).toBeLessThanOrEqual(most);
    expect(mostTurns).toBeGreaterThan(turns);
    expect(reason).not.toBe('');
  });

  it('never give a thicker string of a guitar more turns than a thinner one of its kind', () => {
    const turns = (construction: 'plain' | 'wound', gauge: number) =>
      builtInMethods('acoustic', 'through', string('acoustic', construction, gauge)).turns;
    for (const construction of ['plain', 'wound'] as const) {
      const gauges = construction === 'plain' ? [9, 12, 16, 18, 20] : [20, 26, 36, 46, 56];
      gauges
        .slice(1)
        .forEach((gauge, index) => expect(turns(construction, gauge)).toBeLessThanOrEqual(turns(construction, gauges[index] ?? 0)));
    }
  });

  it('tie what is soft, kink what is plain, and bend into the middle of a slotted post', () => {
    expect(builtInMethods('ukulele', 'through', string('ukulele', 'nylon', 28)).postMethod).toBe('loop-tie');
    expect(builtInMethods('classical', 'roller', string('classical', 'wound', 43)).postMethod).toBe('loop-tie');
    expect(builtInMethods('banjo', 'side-peg', string('banjo', 'plain', 10)).postMethod).toBe('kink-lock');
    expect(builtInMethods('bass', 'slotted', string('bass', 'wound', 45)).postMethod).toBe('bend-into-centre');
  });

  it('put one turn above the hole only where the string goes over one and under the rest', () => {
    expect(builtInMethods('acoustic', 'through', string('acoustic', 'wound', 32)).turnsAbove).toBe(1);
    expect(builtInMethods('acoustic', 'through', string('acoustic', 'plain', 12)).turnsAbove).toBe(0);
  });

  it('leave a tail to trim on nylon, longer than on steel', () => {
    const nylon = builtInMethods('classical', 'roller', string('classical', 'nylon', 28)).stub;
    const steel = builtInMethods('electric', 'through', string('electric', 'plain', 10)).stub;
    expect(toMillimetres(nylon)).toBeGreaterThan(3 * toMillimetres(steel));
  });
});
