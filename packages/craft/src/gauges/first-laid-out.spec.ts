import { expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import { SETS, setsFor, type StringSet } from '../strings/index.js';
import { fromInches, metres } from '../units/index.js';
import { firstLaidOut } from './first-laid-out.js';

const slotsFor = (...thousandths: number[]) => thousandths.map((gauge) => metres(fromInches(gauge / 1000) + 80e-6));
const sixes = setsFor('electric', 6);
const named = (set: StringSet | null) => set?.strings.map(({ gauge }) => Math.round((gauge * 1000) / 0.0254)).join(' ');

it('lays out what fits the slots and lies on the shelf, though another fits as well', () => {
  const slots = slotsFor(10, 13, 17, 26, 36, 46);
  const stainless = sixes.find(({ id }) => id.startsWith('electric-stainless-10'));
  expect(stainless).toBeDefined();
  expect(firstLaidOut(sixes, slots, (set) => (set === stainless ? 2 : 0))).toBe(stainless);
  expect(named(firstLaidOut(sixes, slots, () => 0))).toBe('10 13 17 26 36 46');
});

it('lays out the middle one where no set fits, and never the lightest', () => {
  const none = slotsFor(30, 30, 30, 30, 30, 30);
  const first = firstLaidOut(sixes, none, () => 5);
  const weight = ({ strings }: StringSet) => strings.reduce((sum, { gauge }) => sum + gauge, 0);
  const lighter = sixes.filter((set) => weight(set) < weight(first as StringSet)).length;
  expect(lighter).toBeGreaterThan(sixes.length / 2 - 3);
  expect(lighter).toBeLessThan(sixes.length / 2 + 3);
  expect(firstLaidOut([], none, () => 0)).toBeNull();
});

it.each(ARCHETYPES.map(({ id }) => id))('%s: is never strung with the lightest of several', (id) => {
  const instrument = instrumentOf(id);
  const sets = setsFor(instrument.family, instrument.strings.length, SETS);
  const slots = instrument.strings.map(({ slotWidth }) => slotWidth);
  const first = firstLaidOut(sets, slots, () => 0);
  const thinner = sets.filter((set) => set.strings.every(({ gauge }, index) => gauge < (first?.strings[index]?.gauge ?? 0)));
  if (sets.length > 3)
    expect([id, thinner.length > 0 || sets.some((set) => set !== first && named(set) !== named(first))]).toEqual([id, true]);
  // bound by nothing in particular where its kind has one set; else it fits its own slots
  instrument.strings.forEach(({ slotWidth }, index) => {
    const gauge = first?.strings[index]?.gauge ?? 0;
    if (sets.length > 1) expect(slotWidth - gauge).toBeGreaterThan(0);
  });
});
