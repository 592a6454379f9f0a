import type { Stage } from '@gold-peg/craft/stages';

/** Stages in words: on the rule, as what was done to a string, and as the next action. */
export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  choose: 'Choose',
  ready: 'Ready',
  strip: 'Strip',
  'look-over': 'Look over',
  anchor: 'Anchor',
  wind: 'Wind',
  'bring-up': 'Bring up',
  balance: 'Balance',
  settle: 'Settle',
  trim: 'Trim',
  'hand-over': 'Hand over',
};
