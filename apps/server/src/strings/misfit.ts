import type { Family } from '@gold-peg/craft/string-kinds';

/** Why a string cannot be of a set. */
export const misfit = (id: string, family: Family | undefined, wanted: Family): string =>
  family === undefined ? `must name strings of the table: ${id} is not one` : `must name strings for ${wanted}: ${id} is for ${family}`;
