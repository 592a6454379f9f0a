import type { Mark } from '@gold-peg/craft/strings';

/** Paint of the marks of packets and ball ends; the word is always beside it. */
export const MARK_COLOURS: Readonly<Record<Mark, string>> = {
  chalk: '#f4f1e8',
  straw: '#e3c766',
  rust: '#a8502c',
  plum: '#6d3b63',
  moss: '#5f7a3a',
  teal: '#2b7f83',
  slate: '#66737f',
  coal: '#24211f',
};
