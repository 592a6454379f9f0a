export { drawCutStrip, type CutStrip, type Sheet } from './cut-strip.js';
export { stripRows, type StripRow } from './strip-rows.js';
export { drawHead, drawMoves, drawNeck, letterOf, type Moves } from './drawings.js';
export { cardScale, handOverCard, type CardMeasure, type CardString, sayOff, type HandOverCard } from './card.js';
