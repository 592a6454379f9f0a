export { AnchorFrames } from './anchor-frames';
export { anchorScenes } from './anchor-scenes';
export { type AnchorScenes } from './scene';
