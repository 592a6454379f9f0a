import type { AnchorKind } from '@gold-peg/craft/instrument';

/** How strings are held at the bridge, in the words of the bench. */
export const ANCHOR_NAMES: Readonly<Record<AnchorKind, string>> = {
  pins: 'bridge pins',
  'tie-block': 'tie block',
  'knot-in-slot': 'knots in slots',
  'wrap-and-tuck': 'wrap-and-tuck bridge',
  'through-body': 'through the body',
  'stop-tailpiece': 'stop tailpiece',
  'wrap-around': 'wrap-around bridge',
  'floating-vibrato': 'vibrato that floats',
  'double-locking': 'double-locking vibrato',
  headless: 'headless, ball in a pocket',
  'top-load': 'top-load',
  'resting-vibrato': 'vibrato resting on the body',
  'hooked-tailpiece': 'hooked tailpiece',
};
