import { metres, type Metres } from '@gold-peg/craft/units';
import { say, type Measures } from '../../preferences/measures';

/** One number of a lane with the rule it came from and the values that went in. */
export interface WhyLine {
  what: string;
  value: string;
  rule: string;
  from: string;
}

/** Says a length in metres, to so many digits of a millimetre, in the units of the person. */
export type SayLong = (length: number, digits?: number) => string;

export const longIn =
  (measures: Pick<Measures, 'length'>): SayLong =>
  (length, digits = 1) =>
    say(measures.length(metres(length) satisfies Metres, digits));
