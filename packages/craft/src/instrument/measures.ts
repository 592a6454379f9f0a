/** What is measured of an instrument, each of all its strings or posts together. */
export const MEASURES = [
  'scale',
  'nut',
  'slots',
  'posts',
  'thickness',
  'holes',
  'angle',
  'face',
  'behind-saddle',
  'gear',
  'trees',
] as const;
export type Measure = (typeof MEASURES)[number];

/** Those that the sight of the headstock and its break over the nut rest on. */
export const OF_THE_HEAD: readonly Measure[] = ['nut', 'posts', 'thickness', 'holes', 'angle', 'face', 'trees', 'gear'];
