import { ARCHETYPES } from '@gold-peg/craft/archetypes';

/** Kinds of instrument as lists show them, to choose strings for. */
export const NECK_CHOICES = ARCHETYPES.map(({ id, name, sketch: { family, notes, scaleMm } }) => ({
  id,
  name,
  family,
  strings: notes.length,
  scaleMm: typeof scaleMm === 'number' ? scaleMm : Math.max(...scaleMm),
}));
