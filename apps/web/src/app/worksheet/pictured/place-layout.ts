import { metres, type Metres } from '@gold-peg/craft/units';

/** Where the feet of a loose bridge stand, from above: fret 12 to the left, the saddle to the right, each side where it was measured. */
export interface BridgeFromAbove {
  fretX: number;
  treble: { x: number; y: number };
  bass: { x: number; y: number };
  /** How far the bass side stands farther back, for the eye: drawn `exaggerated` times as much as it is. */
  exaggerated: number;
}

const LEFT = 20;
const RIGHT = 200;
const TREBLE_Y = 26;
const BASS_Y = 94;
/** A slant of two millimetres in 180 would not be seen. */
const EXAGGERATED = 5;

/** Distances are from fret 12 to the saddle; where one was not measured it is taken from the other, or from the scale. */
export function bridgeFromAbove(scale: Metres, trebleMm: number | null, bassMm: number | null, nearestFirst: boolean): BridgeFromAbove {
  const half = metres(scale / 2) * 1000;
  const treble = trebleMm ?? bassMm ?? half;
  const bass = bassMm ?? trebleMm ?? half;
  const slant = (bass - treble) * EXAGGERATED * ((RIGHT - LEFT) / half / 2);
  const middle = RIGHT - 20;
  const [trebleY, bassY] = nearestFirst ? [BASS_Y, TREBLE_Y] : [TREBLE_Y, BASS_Y];
  return {
    fretX: LEFT,
    treble: { x: middle - slant / 2, y: trebleY },
    bass: { x: middle + slant / 2, y: bassY },
    exaggerated: EXAGGERATED,
  };
}
