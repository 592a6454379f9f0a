export { type Asked, type Handler, type Handlers, signedIn, type StreamHandler } from './handler.js';
export { Refusal, refuseField } from './refusal.js';
export { writeParts } from './write-parts.js';
