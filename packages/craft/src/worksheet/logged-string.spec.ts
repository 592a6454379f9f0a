import { describe, expect, it } from 'vitest';
import { stringProperties, STRINGS } from '../strings/index.js';
import { kilogramsPerMetre } from '../units/index.js';
import { logString, specOf } from './index.js';

describe('a string in the log', () => {
  it('is as heavy, stiff and strong when it is read again as it was on the table', () => {
    for (const string of STRINGS) {
      const logged = JSON.parse(JSON.stringify(logString(string))) as ReturnType<typeof logString>;
      const then = stringProperties(specOf(string.family, logged));
      const now = stringProperties(string);
      if (!then.ok || !now.ok) throw new Error(string.id);
      expect(then.value.linearDensity / now.value.linearDensity).toBeCloseTo(1, 6);
      expect(then.value.breakingLoad / now.value.breakingLoad).toBeCloseTo(1, 6);
      expect(then.value.thins).toBe(now.value.thins);
    }
  });

  it('keeps what was weighed', () => {
    const [string] = STRINGS;
    if (string === undefined) throw new Error('no table');
    const logged = logString({ ...string, linearDensity: kilogramsPerMetre(0.00042) });
    expect(specOf('electric', logged).linearDensity).toBe(0.00042);
    expect(specOf('electric', logString(string))).not.toHaveProperty('linearDensity');
  });
});
