import { type PostStyle } from '@gold-peg/craft/instrument';
import type { Geometry } from './geometry.js';

/** A thing of an instrument that cannot be as it is, with why. */
export interface Misfit {
  path: (string | number)[];
  says: string;
}

/** What cannot be together on one instrument, however each thing for itself may be right. */
export const misfits = (geometry: Geometry): Misfit[] => [
  ...ofPosts(geometry),
  ...ofHead(geometry),
  ...ofTrees(geometry),
  ...ofBridge(geometry),
  ...ofCourses(geometry),
  ...ofSlots(geometry),
];

type Place = Geometry['strings'][number];

function ofPosts({ strings, screwTunerMm }: Geometry): Misfit[] {
  const found: Misfit[] = strings.flatMap(({ post: { style, alongMm, diameterMm, holeDepthMm, pipAlongMm } }, index) => {
    const at = (field: string, says: string) => ({ path: ['strings', index, 'post', field], says });
    return [
      ...(style !== 'clamp' && alongMm <= diameterMm
        ? [at('alongMm', 'must be more than the diameter of the post: it would stand in the nut')]
        : []),
      ...((style === 'slotted' || style === 'clamp') && holeDepthMm === null
        ? [at('holeDepthMm', 'must be given for a slotted post or a clamp: the end goes that deep')]
        : []),
      ...((style === 'side-peg') !== (pipAlongMm !== null)
        ? [at('pipAlongMm', 'must be given for a peg in the side of the neck, and for no other: its string begins at that pip')]
        : []),
    ];
  });
  if (strings.some(({ post }) => post.style === 'clamp') && screwTunerMm === null)
    found.push({ path: ['screwTunerMm'], says: 'must be given where strings are clamped at the head: a screw draws them up' });
  return [
    ...found,
    ...crowded(strings).map(([first, second]) => ({
      path: ['strings', second, 'post', 'alongMm'],
      says: `would put it into the post of string ${first + 1}: they must stand farther apart than they are thick`,
    })),
  ];
}

/** Pairs of posts that stand in one another. */
function crowded(strings: readonly Place[]): [number, number][] {
  const onFace = ({ post }: Place) => post.pipAlongMm === null && post.style !== 'clamp' && post.style !== 'roller';
  return strings.flatMap((own, second) =>
    strings.slice(0, second).flatMap((other, first): [number, number][] => {
      const apart = Math.hypot(own.post.alongMm - other.post.alongMm, own.post.sidewaysMm - other.post.sidewaysMm);
      return onFace(own) && onFace(other) && apart < (own.post.diameterMm + other.post.diameterMm) / 2 ? [[first, second]] : [];
    }),
  );
}

/** Styles of post that only one layout of a head has, and that has no other. */
const OF_LAYOUT: Readonly<Partial<Record<Geometry['headstock']['layout'], PostStyle>>> = { slotted: 'roller', headless: 'clamp' };

function ofHead({ headstock: { layout, rollerSlotsMm: slots }, strings, screwTunerMm }: Geometry): Misfit[] {
  const found: Misfit[] = [];
  const onHead = strings.flatMap((place, index) => (place.post.pipAlongMm === null ? [{ ...place.post, index }] : []));
  for (const [only, style] of Object.entries(OF_LAYOUT)) {
    const wrong = onHead.find((post) => (post.style === style) !== (layout === only));
    if (wrong !== undefined)
      found.push({
        path: ['strings', wrong.index, 'post', 'style'],
        says: `must ${layout === only ? '' : 'not '}be a ${style} on a head that is ${layout}: a ${style} lies on a ${only} head, and nothing else does`,
      });
  }
  if (slots !== null && slots.inner >= slots.outer)
    found.push({ path: ['headstock', 'rollerSlotsMm', 'outer'], says: 'must be more than the inner wall: it is the slot beside it' });
  if (screwTunerMm !== null && layout !== 'headless')
    found.push({ path: ['screwTunerMm'], says: 'must be left out where posts tune: only a headless instrument has screws' });
  if (layout === 'in-line' && new Set(onHead.map(({ side }) => side)).size > 1)
    found.push({ path: ['headstock', 'layout'], says: 'must be split where posts stand on both sides: in line is all on one' });
  return found;
}

const ofTrees = ({ trees, strings }: Geometry): Misfit[] =>
  trees.flatMap(({ alongMm, strings: under }, tree) => {
    const gone = under.find((index) => index >= strings.length);
    if (gone !== undefined)
      return [{ path: ['trees', tree, 'strings'], says: `must name strings that there are: there is no string ${gone + 1}` }];
    const beyond = under.find((index) => strings[index]?.post.pipAlongMm === null && alongMm >= (strings[index]?.post.alongMm ?? Infinity));
    return beyond === undefined
      ? []
      : [
          {
            path: ['trees', tree, 'alongMm'],
            says: `must be nearer to the nut than the post of string ${beyond + 1}: it presses the string before that`,
          },
        ];
  });

function ofBridge({ bridge: { anchor, tieHoles, cover, vibrato }, headstock }: Geometry): Misfit[] {
  const at = (field: string, says: string): Misfit => ({ path: ['bridge', field], says });
  return [
    ...(tieHoles !== 'single' && anchor !== 'tie-block'
      ? [at('tieHoles', 'must be one for each string: only a tie block has more holes')]
      : []),
    ...(cover && anchor !== 'hooked-tailpiece' ? [at('cover', 'must be none: only a hooked tailpiece bears one')] : []),
    ...(vibrato && anchor !== 'headless' ? [at('vibrato', 'must be said by the anchor itself: only a headless bridge is either')] : []),
    ...((anchor === 'headless') !== (headstock.layout === 'headless')
      ? [at('anchor', 'must be headless where the head is, and only there: ball in a pocket at the bridge, clamp at the head')]
      : []),
  ];
}

function ofCourses({ strings }: Geometry): Misfit[] {
  const wrong = strings.findIndex(({ course }, index) => {
    const before = strings[index - 1]?.course ?? 0;
    return course !== before && course !== before + 1;
  });
  const crowd = strings.findIndex(({ course }, index) => strings[index - 2]?.course === course);
  return [
    ...(wrong < 0
      ? []
      : [
          {
            path: ['strings', wrong, 'course'],
            says: 'must be that of the string before it or the next: courses are counted from the high side',
          },
        ]),
    ...(crowd < 0 ? [] : [{ path: ['strings', crowd, 'course'], says: 'must have two strings at most' }]),
  ];
}

/** Slots run across the nut from the treble to the bass side, and leave wood between them. */
const ofSlots = ({ strings, nutWidthMm }: Geometry): Misfit[] =>
  strings.flatMap(({ slotSidewaysMm, slotWidthMm, post }, index): Misfit[] => {
    if (post.pipAlongMm !== null) return [];
    const at = (says: string): Misfit => ({ path: ['strings', index, 'slotSidewaysMm'], says });
    const before = strings[index - 1];
    if (Math.abs(slotSidewaysMm) + slotWidthMm / 2 > nutWidthMm / 2) return [at('must lie within the width of the nut')];
    const near = before !== undefined && slotSidewaysMm - before.slotSidewaysMm <= (slotWidthMm + before.slotWidthMm) / 2;
    return near ? [at(`must lie beyond the slot of string ${index}, toward the bass side, with wood between them`)] : [];
  });
