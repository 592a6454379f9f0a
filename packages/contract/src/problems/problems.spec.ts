import * as z from 'zod';
import { describe, expect, it } from 'vitest';
import { invalidInput, problem, PROBLEM_TYPES } from './index.js';
import { gaugeIn, scaleMm, words } from '../quantity/index.js';

const form = z.strictObject({
  gaugeIn,
  scaleMm,
  name: words('the name', 10),
  kind: z.enum(['bass', 'banjo']),
  strings: z.array(z.object({ gaugeIn })),
});
const good = { gaugeIn: 0.046, scaleMm: 648, name: 'x', kind: 'bass', strings: [] };
const says = (change: object) => {
  const read = form.safeParse({ ...good, ...change });
  return read.success ? [] : (invalidInput(read.error).fields ?? []);
};

describe('problems', () => {
  it('carry type, title and status of RFC 9457', () => {
    for (const kind of Object.keys(PROBLEM_TYPES) as (keyof typeof PROBLEM_TYPES)[]) {
      expect(problem(kind, 'why')).toMatchObject({ type: `/problems/${kind}`, status: expect.any(Number), detail: 'why' });
    }
  });

  it('say for a gauge of 0.46 in which field, which range, and why', () => {
    const [fault] = says({ gaugeIn: 0.46 });
    expect(fault?.field).toBe('gaugeIn');
    expect(fault?.says).toMatch(/between 0.005 and 0.18 in: .+/);
  });

  it('say so for a scale of 6 mm, and list every fault at once', () => {
    expect(says({ scaleMm: 6, gaugeIn: -1 }).map(({ field }) => field)).toEqual(['gaugeIn', 'scaleMm']);
  });

  it('name the place in a list', () => expect(says({ strings: [{ gaugeIn: 0.01 }, { gaugeIn: 9 }] })[0]?.field).toBe('strings.1.gaugeIn'));

  it.each([
    [{ gaugeIn: '0.046' }, 'gaugeIn', 'must be a number in in'],
    [{ gaugeIn: Number.NaN }, 'gaugeIn', 'must be a number'],
    [{ gaugeIn: Number.POSITIVE_INFINITY }, 'gaugeIn', 'must be a number'],
    [{ name: '   ' }, 'name', 'must not be empty'],
    [{ name: 'far too long a name' }, 'name', 'at most 10 characters'],
    [{ kind: 'harp' }, 'kind', 'must be one of bass, banjo'],
    [{ strings: 'none' }, 'strings', 'must be array'],
    [{ guage: 1 }, 'guage', 'is not a field'],
  ])('are sentences for %j', (change, field, sentence) => {
    const [fault] = says(change);
    expect(fault?.field).toBe(field);
    expect(fault?.says).toContain(sentence);
  });

  it('call what is no object by the name of the body', () => {
    const read = form.safeParse(null);
    expect(read.success ? '' : invalidInput(read.error).fields?.[0]?.field).toBe('body');
  });
});
