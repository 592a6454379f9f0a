export { ARCHETYPES, archetype, instrumentOf, type Archetype } from './archetypes.js';
