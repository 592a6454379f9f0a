import { slotFit } from '../nut/index.js';
import type { StringSet } from '../strings/index.js';
import type { Metres } from '../units/index.js';

/**
 * The set that is laid out first where nothing is known of what was on an instrument: one that fits every slot of its nut and lies on the shelf, the closest of
 * them; else the middle one of those that fit, or of its kind where none does; never the lightest where there is a choice. `slots`: widths by string.
 */
export function firstLaidOut(sets: readonly StringSet[], slots: readonly Metres[], onShelf: (set: StringSet) => number): StringSet | null {
  const fitting = sets
    .filter((set) => set.strings.length === slots.length && fits(set, slots))
    .sort((a, b) => away(a, slots) - away(b, slots));
  const atHand = fitting.find((set) => onShelf(set) > 0);
  if (atHand !== undefined) return atHand;
  const pool = [...(fitting.length > 0 ? fitting : sets)].sort((a, b) => weight(a) - weight(b));
  return pool[Math.floor(pool.length / 2)] ?? null;
}

const fits = ({ strings }: StringSet, slots: readonly Metres[]): boolean =>
  strings.every(({ gauge }, index) => slotFit(slots[index] ?? gauge, gauge).kind === 'fits');

/** How far a set is from the middle of its slots, summed over its strings. */
const away = ({ strings }: StringSet, slots: readonly Metres[]): number => {
  const room = strings.map(({ gauge }, index) => (slots[index] ?? gauge) - gauge);
  const mean = room.reduce((sum, each) => sum + each, 0) / room.length;
  return room.reduce((sum, each) => sum + Math.abs(each - mean), Math.abs(mean - MIDDLE_ROOM));
};
/** Half way between what binds and what buzzes, m. */
const MIDDLE_ROOM = 85e-6;

const weight = ({ strings }: StringSet): number => strings.reduce((sum, { gauge }) => sum + gauge, 0);
