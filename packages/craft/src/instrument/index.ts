export {
  ANCHORS,
  endsFor,
  HANDS,
  HEADSTOCK_LAYOUTS,
  pitchOf,
  POST_STYLES,
  postSpacing,
  rollerSide,
  stretchingPath,
  TIE_HOLES,
  tieHoleCount,
  twoHoles,
  windingDirection,
} from './geometry.js';
export type {
  AnchorKind,
  Bridge,
  Direction,
  Hand,
  HeadstockLayout,
  Instrument,
  Post,
  PostStyle,
  RollerSlots,
  ScrewTuner,
  Side,
  StringPlace,
  TieHoles,
  Tree,
} from './geometry.js';
export { buildInstrument, evenSlots, pairedSlots, type Sketch, type SketchPost } from './build.js';
export { measuredRow, withMeasuredPosts, type MeasuredRow } from './measured-posts.js';
