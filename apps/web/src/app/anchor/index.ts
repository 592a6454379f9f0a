export { AnchorFrames } from './anchor-frames';
export { AnchorPicture, type Texture } from './anchor-picture';
export { anchorScenes } from './anchor-scenes';
export { pinned, tied } from './scenes';
export { type AnchorScenes } from './scene';
