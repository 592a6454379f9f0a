import type { Day } from '@gold-peg/contract/day';

const MINUTE_MS = 60_000;

/** A minute of the plan on the clock of the world. */
export const momentOf = ({ origin }: Pick<Day, 'origin'>, minute: number): Date => new Date(Date.parse(origin) + minute * MINUTE_MS);
