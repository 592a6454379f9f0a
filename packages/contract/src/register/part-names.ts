import type { AnchorKind, HeadstockLayout, Instrument, PostStyle, TopFinish, Wood } from '@gold-peg/craft/instrument';

/** How strings are held at the bridge, in the words of the bench. */
export const ANCHOR_NAMES: Readonly<Record<AnchorKind, string>> = {
  pins: 'bridge pins',
  'tie-block': 'tie block',
  'knot-in-slot': 'knots in slots',
  'wrap-and-tuck': 'wrap-and-tuck bridge',
  'through-body': 'through the body',
  'stop-tailpiece': 'stop tailpiece',
  'wrap-around': 'wrap-around bridge',
  'floating-vibrato': 'vibrato that floats',
  'double-locking': 'double-locking vibrato',
  headless: 'headless, ball in a pocket',
  'top-load': 'top-load',
  'resting-vibrato': 'vibrato resting on the body',
  'hooked-tailpiece': 'hooked tailpiece',
};

export const POST_NAMES: Readonly<Record<PostStyle, string>> = {
  through: 'side-hole posts',
  slotted: 'slotted posts',
  locking: 'locking posts',
  roller: 'rollers',
  friction: 'friction pegs',
  planetary: 'planetary pegs',
  'side-peg': 'a peg in the side of the neck',
  clamp: 'clamps at the head',
};

export const LAYOUT_NAMES: Readonly<Record<HeadstockLayout, string>> = {
  split: 'posts on both sides',
  'in-line': 'posts in line',
  slotted: 'slotted headstock',
  headless: 'headless',
};

export const WOOD_NAMES: Readonly<Record<Wood, string>> = {
  rosewood: 'rosewood',
  ebony: 'ebony',
  'maple-lacquered': 'lacquered maple',
  'maple-oiled': 'oiled maple',
  walnut: 'walnut',
  composite: 'composite',
};

export const FINISH_NAMES: Readonly<Record<TopFinish, string>> = {
  hard: 'hard modern finish',
  'soft-lacquer': 'old soft lacquer',
  oil: 'oil or wax',
};

/** What an instrument is, as one says it across a workshop: 'posts on both sides, 4 and 3, side-hole posts, bridge pins'. */
export function factsOf({ headstock: { layout }, strings, bridge }: Pick<Instrument, 'headstock' | 'strings' | 'bridge'>): string {
  const onHead = strings.map(({ post }) => post).filter(({ pipAlong }) => pipAlong === null);
  const [bass, treble] = (['bass', 'treble'] as const).map((side) => onHead.filter((post) => post.side === side).length);
  const head =
    layout === 'headless'
      ? LAYOUT_NAMES.headless
      : `${LAYOUT_NAMES[layout]}, ${layout === 'in-line' ? onHead.length : `${bass} and ${treble}`}`;
  const styles = [...new Set(strings.map(({ post }) => post.style))].map((style) => POST_NAMES[style]);
  return [head, ...styles, ANCHOR_NAMES[bridge.anchor]].join(', ');
}
