export { Ear, type Moment, type Plucked } from './ear.js';
export type { Heard } from './detect.js';
export { trackPitch, type PitchFrame, type Recording } from './track.js';
export { plucksIn, type HeardSoFar } from './plucks-in.js';
export { whichString, type Candidate, type Which } from './which-string.js';
