export { headless, hookedTailpiece } from './ends';
export { pinned, pins } from './pins';
export { stopTailpiece, throughBody, topLoad, wrapAround } from './through-metal';
export { knotInSlot, tieBlock, tied, wrapAndTuck } from './tied';
export { doubleLocking, floatingVibrato, restingVibrato } from './vibratos';
