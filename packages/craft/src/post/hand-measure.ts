import { metres, type Metres } from '../units/index.js';

/** Distance from the nut to fret n of a tempered board: L(1 − 2^(−n/12)). */
export const nutToFret = (fret: number, scaleLength: Metres): Metres => metres(scaleLength * (1 - 2 ** (-fret / 12)));

/** The fret to which a string is pulled back past the nut to give this slack; null where no fret lies (slack below zero or past the scale). */
export function pullBackFret(slack: Metres, scaleLength: Metres): number | null {
  if (slack < 0 || slack >= scaleLength) return null;
  return -12 * Math.log2(1 - slack / scaleLength);
}

/** A cut beyond a post, counted in the distance between neighbouring posts. */
export const inPostSpacings = (cut: Metres, spacing: Metres): number => cut / spacing;

/** A length in a person's own widths (fist, finger, spacer), to the nearest quarter. */
export const inOwnWidths = (slack: Metres, width: Metres): number => Math.round((slack / width) * 4) / 4;

/** How high a string with this slack can be lifted in the middle, held at both ends: half of √((L + s)² − L²). A fist under it measures that height. */
export const liftInTheMiddle = (slack: Metres, scaleLength: Metres): Metres =>
  metres(Math.sqrt((scaleLength + slack) ** 2 - scaleLength ** 2) / 2);

/** Inverse of `liftInTheMiddle`. */
export const slackForLift = (lift: Metres, scaleLength: Metres): Metres => metres(Math.hypot(scaleLength, 2 * lift) - scaleLength);
