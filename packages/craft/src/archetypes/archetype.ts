import type { Sketch } from '../instrument/index.js';

/** Typical geometry of a kind, to start from until an instrument has been measured. */
export interface Archetype {
  id: string;
  name: string;
  /** As one says it of a single instrument: 'split headstock, side-hole posts, pinned bridge'. */
  facts: string;
  sketch: Sketch;
}
