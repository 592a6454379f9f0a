import type { AnchorKind } from '@gold-peg/craft/instrument';
import {
  doubleLocking,
  floatingVibrato,
  headless,
  hookedTailpiece,
  knotInSlot,
  pins,
  restingVibrato,
  stopTailpiece,
  throughBody,
  tieBlock,
  topLoad,
  wrapAndTuck,
  wrapAround,
} from './scenes';
import type { AnchorScenes, SceneRequest } from './scene';

const SCENES: Readonly<Record<AnchorKind, (request: SceneRequest) => AnchorScenes>> = {
  pins: () => pins,
  'tie-block': tieBlock,
  'knot-in-slot': knotInSlot,
  'wrap-and-tuck': wrapAndTuck,
  'top-load': () => topLoad,
  'through-body': () => throughBody,
  'stop-tailpiece': () => stopTailpiece,
  'wrap-around': () => wrapAround,
  'resting-vibrato': () => restingVibrato,
  'floating-vibrato': () => floatingVibrato,
  'double-locking': () => doubleLocking,
  headless: () => headless,
  'hooked-tailpiece': hookedTailpiece,
};

/** The work at an anchor, drawn step by step for this string. */
export const anchorScenes = (anchor: AnchorKind, request: SceneRequest): AnchorScenes => SCENES[anchor](request);
