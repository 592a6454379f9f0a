import { expect, it } from 'vitest';
import { bandOf } from './band.js';

it('takes the tenth, fiftieth and ninetieth of a hundred, whatever their order', () => {
  const hundred = Array.from({ length: 100 }, (_, index) => ({ value: 100 - index, weight: 1 }));
  expect(bandOf(hundred)).toEqual({ low: 10, likely: 50, high: 90 });
});

it('counts values by their weights, and those without one not at all', () => {
  const values = [{ value: 1, weight: 3 }, { value: 2, weight: 0 }, { value: Number.POSITIVE_INFINITY, weight: 1 }]; // prettier-ignore
  expect(bandOf(values)).toEqual({ low: 1, likely: 1, high: Number.POSITIVE_INFINITY });
  expect(() => bandOf([])).toThrow('weighted value');
});

it('takes weights in any unit, and refuses values that have none', () => {
  const tiny = [1, 2, 3].map((value) => ({ value, weight: 1e-12 }));
  expect(bandOf(tiny)).toEqual({ low: 1, likely: 2, high: 3 });
  expect(() => bandOf(tiny.map(({ value }) => ({ value, weight: 0 })))).toThrow('weighted value');
});
