import type { Metres } from '../units/index.js';

/** Turns that were counted on a post, with what the plan took for granted: one piece of evidence. */
export interface CountedTurns {
  instrumentId: string;
  personId: string;
  /** Turns lying on the post. */
  turns: number;
  /** Slack that was meant to be left, without what a lock takes. */
  slack: Metres;
  stretch: Metres;
  postDiameter: Metres;
  stringDiameter: Metres;
  nutToPost: Metres;
}
