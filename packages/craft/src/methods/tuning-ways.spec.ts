import { expect, it } from 'vitest';
import { offsetFor, tuningWays } from './index.js';

it('are those of the instrument before those of the person, of the house, and what is built in', () => {
  expect(tuningWays({})).toEqual({ tolerance: 2, held: 0.5, hold: { cents: 5, hours: 2 } });
  const choices = { house: { toleranceCents: 3, holdHours: 4, heldSeconds: 1 }, technician: { toleranceCents: 1 }, instrument: { driftCents: 8 } }; // prettier-ignore
  expect(tuningWays(choices)).toEqual({ tolerance: 1, held: 1, hold: { cents: 8, hours: 4 } });
});

it('put single strings beside their notes, and the others on them', () => {
  const choices = { instrument: { strings: { 3: { offsetCents: -4 } } }, house: { strings: { 2: { offsetCents: 1 }, 3: { offsetCents: 2 } } } }; // prettier-ignore
  expect([1, 2, 3].map((number) => offsetFor(choices, number))).toEqual([0, 1, -4]);
});
