import type { Construction } from '@gold-peg/craft/string-kinds';

/** How a string looks: by texture as well as by colour. */
export type Texture = 'plain' | 'wound' | 'nylon';

export const textureOf = (construction: Construction | undefined): Texture =>
  construction === undefined || construction === 'plain' ? 'plain' : construction === 'wound' ? 'wound' : 'nylon';

/** A note apart: its letter is set large, its octave small. */
export function splitNote(note: string): { letter: string; octave: string } {
  const [, letter = note, octave = ''] = /^(.*?)(-?\d+)$/.exec(note) ?? [];
  return { letter, octave };
}
