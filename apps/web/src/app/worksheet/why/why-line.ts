import { metres, toMillimetres } from '@gold-peg/craft/units';

/** One number of a lane with the rule it came from and the values that went in. */
export interface WhyLine {
  what: string;
  value: string;
  rule: string;
  from: string;
}

export const millimetres = (length: number, digits = 1) => `${toMillimetres(metres(length)).toFixed(digits)} mm`;
