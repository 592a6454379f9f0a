import type { Geometry } from '@gold-peg/contract/register';

/** What stands in a control. */
export type Typed = string | number | boolean | null;

/** How a value of the geometry is shown in a field, and what of it is meant by what is typed there. */
export interface Way {
  readonly type: 'number' | 'text';
  readonly show: (value: unknown) => Typed;
  readonly read: (typed: Typed) => unknown;
}

/** Typical figures are often thirds: what is shown is what a rule can show, what is kept stays exact until it is typed over. No number stays none, and is refused in words. */
const measured = (digits: number): Way => ({
  type: 'number',
  show: (value) => (typeof value === 'number' && !Number.isNaN(value) ? Number(value.toFixed(digits)) : null),
  read: (typed) => (typeof typed === 'number' ? typed : Number.NaN),
});
export const TENTHS = measured(1);
export const HUNDREDTHS = measured(2);

/** As it stands. */
export const PLAIN: Way = { type: 'text', show: (value) => value as Typed, read: (typed) => typed };

/** A note by the keys that a keyboard has: 'Db1' is D♭1. */
export const NOTE: Way = {
  type: 'text',
  show: PLAIN.show,
  read: (typed) =>
    String(typed ?? '')
      .trim()
      .replace('#', '♯')
      .replace(/(?<=^[A-G])b/, '♭'),
};

/** Strings by their numbers: '1 2' or '3, 4'. */
export const STRING_NUMBERS: Way = {
  type: 'text',
  show: (value) => (value as Geometry['trees'][number]['strings']).map((index) => index + 1).join(' '),
  read: (typed) =>
    String(typed ?? '')
      .split(/[\s,]+/)
      .filter((part) => part !== '')
      .map((part) => Number(part) - 1),
};
