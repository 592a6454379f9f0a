export type { Heard } from './detect.js';
export { trackPitch, type PitchFrame, type Recording } from './track.js';
