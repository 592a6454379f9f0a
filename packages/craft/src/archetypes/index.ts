export type { Archetype } from './archetype.js';
export { ARCHETYPES, archetype, instrumentOf } from './archetypes.js';
