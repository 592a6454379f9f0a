import type { Measure } from '@gold-peg/craft/instrument';
import type { Figure, Sharpens } from '@gold-peg/craft/sharpen';

const FIELD_WORDS: Readonly<Record<string, string>> = {
  alongMm: 'from the nut',
  sidewaysMm: 'from the centre',
  diameterMm: 'diameter',
  holeHeightMm: 'hole above the face',
  holeDepthMm: 'depth',
  pipAlongMm: 'pip from the nut',
  angleDeg: 'Headstock angle',
  faceDropMm: 'Face below the slots',
  nutWidthMm: 'Nut width',
  gearRatio: 'Gear ratio',
  dropMm: 'drop',
  scaleMm: 'scale length',
  slotSidewaysMm: 'slot from the centre',
  slotWidthMm: 'slot width',
  frequencyHz: 'own pitch',
  behindSaddleMm: 'String behind the saddle',
  anchor: 'Anchor',
  tieHoles: 'Holes of the block',
  cover: 'Cover',
  vibrato: 'Vibrato',
  layout: 'Layout of the head',
  screwTunerMm: 'Screw tuners',
  travel: 'Travel of the screws',
  lead: 'Lead of the screws',
  inner: 'Inner wall of the slots',
  outer: 'Outer wall of the slots',
};

/** A field of the geometry as the page calls it: 'String 3, from the nut,'. */
export function inWords(path: readonly string[]): string {
  const [list, index] = path;
  const last = path.at(-1) ?? '';
  const word = FIELD_WORDS[last] ?? last;
  if (list === 'strings') return index === undefined ? 'Strings' : `String ${Number(index) + 1}, ${word},`;
  return list === 'trees' ? `Tree ${Number(index) + 1}, ${word},` : word;
}

export const MEASURE_WORDS: Readonly<Record<Measure, string>> = {
  scale: 'scale length',
  nut: 'slots from the centre',
  slots: 'width of the nut slots',
  posts: 'where the posts stand',
  thickness: 'thickness of the posts',
  holes: 'height of the holes',
  angle: 'angle of the head',
  face: 'face below the slots',
  'behind-saddle': 'string behind the saddle',
  gear: 'gear ratio of the buttons',
  trees: 'how far the trees press',
};

const FIGURE_WORDS: Readonly<Record<Figure, readonly [name: string, unit: string, digits: number]>> = {
  turns: ['turns', '', 1],
  slack: ['slack', 'mm', 0],
  'nut-angle': ['break at the nut', '°', 1],
  pull: ['pull', 'N', 1],
  'button-turns': ['button', 'turns', 0],
  'cents-per-turn': ['a turn', '¢', 0],
  'slot-room': ['room in the slot', 'mm', 2],
};

/** 'break at the nut 9.1°, may be 7.4 to 10.8 (string 3)'. */
export function saySharpens({ figure, string, likely, range: [low, high] }: Sharpens): string {
  const [name, unit, digits] = FIGURE_WORDS[figure];
  const say = (value: number) => (Object.is(Number(value.toFixed(digits)), -0) ? 0 : value).toFixed(digits).replace('-', '−');
  return `${name} ${say(likely)}${unit === '°' || unit === '' ? unit : ` ${unit}`}, may be ${say(low)} to ${say(high)} (string ${string + 1})`;
}
