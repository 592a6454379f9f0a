import { ANCHOR_NAMES, type Geometry } from '@gold-peg/contract/register';

export interface GeometryFact {
  label: string;
  value: string;
}

/** What the procedure follows from, in the words of the bench. `length` says millimetres in the person's own unit. */
export function geometryFacts(geometry: Geometry, length: (mm: number, digits?: number) => string): GeometryFact[] {
  const { headstock, strings, bridge } = geometry;
  const posts = strings.map(({ post }) => post);
  const onHead = posts.filter(({ pipAlongMm }) => pipAlongMm === null);
  const slots = strings.filter(({ post }) => post.pipAlongMm === null).map(({ slotSidewaysMm }) => slotSidewaysMm);
  const alongs = onHead.map(({ alongMm }) => alongMm);
  return [
    { label: 'nut', value: `${length(geometry.nutWidthMm)}, outer strings ${length(Math.max(...slots) - Math.min(...slots), 1)}` },
    {
      label: 'headstock',
      value: `${headstock.angleDeg === 0 ? 'flat' : `back ${headstock.angleDeg.toFixed(0)}°`}${geometry.hand === 'left' ? ', left-handed' : ''}`,
    },
    {
      label: 'posts',
      value: `${range(
        onHead.map(({ diameterMm }) => diameterMm),
        length,
      )} thick`,
    },
    { label: 'holes', value: holes(onHead, length) },
    { label: 'nut to posts', value: `${length(Math.min(...alongs))} to ${length(Math.max(...alongs))}` },
    { label: 'face', value: `${length(headstock.faceDropMm)} under the slots` },
    { label: 'buttons', value: `${geometry.gearRatio} to 1` },
    { label: 'bridge', value: `${ANCHOR_NAMES[bridge.anchor]}, ${length(bridge.behindSaddleMm)} behind the saddle` },
  ];
}

function holes(posts: Geometry['strings'][number]['post'][], length: (mm: number, digits?: number) => string): string {
  const heights = posts.map(({ holeHeightMm }) => holeHeightMm);
  if (posts.every(({ style }) => style === 'roller')) return `rollers ${length(-Math.max(...heights))} under the face`;
  const [deepest] = posts.flatMap(({ holeDepthMm }) => holeDepthMm ?? []);
  return `${range(heights, length)} above the face${deepest === undefined ? '' : `, ${length(deepest)} deep`}`;
}

function range(values: readonly number[], length: (mm: number, digits?: number) => string): string {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  return least === most ? length(most, 1) : `${length(least, 1)} to ${length(most, 1)}`;
}
