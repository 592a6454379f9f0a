import type { Preferences } from '@gold-peg/contract/people';
import { toHand } from '@gold-peg/contract/methods';
import { TYPICAL_HAND, type HandMeasures } from '@gold-peg/craft/methods';

/** The person's own hand, or a typical one until it has been measured. */
export const ownHand = ({ hand }: Preferences): HandMeasures => (hand === null ? TYPICAL_HAND : toHand(hand));
