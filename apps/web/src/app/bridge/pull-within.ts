import type { Band } from '@gold-peg/craft/balance';
import { newtons, type Newtons } from '@gold-peg/craft/units';
import type { Measures } from '../preferences/measures';
import { plusMinus } from './bridge-words';

/** "412 ±15 N": a pull with how far it may be off, in the unit of the bench. */
export function sayPullWithin(measures: Measures, pull: Newtons, band: Band | null | undefined): string {
  const { value, unit } = measures.pull(pull);
  const told = (force: number) => measures.pullNumber(newtons(force));
  const within = band == null ? null : { low: told(band.low), likely: told(band.likely), high: told(band.high) };
  const digits = unit === 'N' ? 0 : 1;
  return [value, plusMinus(within, told(pull), digits), unit].filter((part) => part !== '').join(' ');
}
