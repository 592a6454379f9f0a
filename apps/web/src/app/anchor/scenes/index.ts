export { headless, hookedTailpiece } from './ends';
export { pins } from './pins';
export { stopTailpiece, throughBody, topLoad, wrapAround } from './through-metal';
export { knotInSlot, tieBlock, wrapAndTuck } from './tied';
export { doubleLocking, floatingVibrato, restingVibrato } from './vibratos';
