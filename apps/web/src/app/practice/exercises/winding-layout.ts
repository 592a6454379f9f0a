import type { Direction, Hand, StringPlace } from '@gold-peg/craft/instrument';

const CENTRE_Y = 125;
const POST_X = 330;
const RADIUS = 34;
/** How far a post stands from the centre line on the picture, and its slot. */
const [POST_OFF, SLOT_OFF] = [52, 26];

export interface LaidPost {
  postX: number;
  postY: number;
  slotY: number;
  /** Where the string leaves: as is right, and as was said where that was wrong; null before anybody answered. */
  drawn: { right: { x: number; y: number }; yours: { x: number; y: number } | null } | null;
}

/** One post from above, the headstock to the left: trebles lie above the centre line of a right-handed instrument, below it on its mirror image. */
export function layOutPost(place: StringPlace, hand: Hand, right: Direction | null, chosen: Direction | null): LaidPost {
  const above = (place.post.side === 'treble') === (hand === 'right');
  const sign = above ? -1 : 1;
  const [postY, slotY] = [CENTRE_Y + sign * POST_OFF, CENTRE_Y + sign * SLOT_OFF];
  // turned anticlockwise the upper edge runs to the left, and takes the string with it
  const leaves = (direction: Direction) => ({ x: POST_X, y: postY + (direction === 'anticlockwise' ? -RADIUS : RADIUS) });
  const drawn = right === null ? null : { right: leaves(right), yours: chosen === null || chosen === right ? null : leaves(chosen) };
  return { postX: POST_X, postY, slotY, drawn };
}
