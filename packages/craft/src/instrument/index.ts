export { ANCHORS, endsFor, pitchOf, postSpacing, stretchingPath, windingDirection } from './geometry.js';
export type { AnchorKind, HeadstockLayout, Instrument, Post, PostStyle, Side, StringPlace, Tree } from './geometry.js';
export { buildInstrument, type Sketch } from './build.js';
export { ARCHETYPES, archetype, instrumentOf, type Archetype } from './archetypes.js';
