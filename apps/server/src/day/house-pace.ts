import type { DataSource } from 'typeorm';
import type { TimedStage } from '@gold-peg/craft/day';
import type { Family } from '@gold-peg/craft/string-kinds';
import { timesFor } from '../bench-log/index.js';

/** The plan is one for the house: it does not hang on the pace of whoever asks. */
export const NOBODY = '00000000-0000-0000-0000-000000000000';

export const timesOfHouse = (store: DataSource, families: readonly Family[]): Promise<TimedStage[]> => timesFor(store, NOBODY, families);
