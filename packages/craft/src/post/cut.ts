import { metres, type Metres } from '../units/index.js';

/** Where the end of the string goes: through a hole and out, or down into the middle of a slotted post. */
export type End = { kind: 'through'; postDiameter: Metres; tail: Metres } | { kind: 'slotted'; holeDepth: Metres };

/** Cut mark, measured from the post's axis along the string held just taut: slack, and what the end itself needs. */
export const cutBeyondPost = (slack: Metres, end: End): Metres => metres(slack + endLength(end));

/** Inverse of `cutBeyondPost`. */
export const slackForCut = (cut: Metres, end: End): Metres => metres(cut - endLength(end));

const endLength = (end: End): number => (end.kind === 'through' ? end.postDiameter / 2 + end.tail : end.holeDepth);

/** Tail that a kink lock needs: half a turn back round the post, under and over the string, and a stub to hold. */
export const kinkLockTail = (postDiameter: Metres, stringDiameter: Metres, stub: Metres): Metres =>
  metres((Math.PI * (postDiameter + stringDiameter)) / 2 + 2 * stringDiameter + stub);

/** The first half turn of a kink lock lies over the folded tail and takes πd more. */
export const kinkLockAllowance = (stringDiameter: Metres): Metres => metres(Math.PI * stringDiameter);
