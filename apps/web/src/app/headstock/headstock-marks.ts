import { arc } from 'd3';
import type { Lane } from '../lane/lane';
import { MM, type Frame } from './frame';
import type { HeadstockPicture, HeadstockRequest } from './headstock-picture';

/** The fifth peg is shown beside the end of the drawn neck, px. */
const FIFTH_ASIDE_PX = 16;
const CUT_HALF_PX = 17;
const BEND_HALF_PX = 11;
/** How far the line of a hole stands out of its post, px. */
const AIM_PX = 3;

/** Middle of a word or a number in the picture, px. */
interface Spot {
  x: number;
  y: number;
}

/** Half a short word, and how high it stands. */
const WORD_PX = { half: 13, high: 9 };

/** The first place for a word where no other word is, or the first of all. */
function clearOf(others: readonly Spot[], places: readonly Spot[]): Spot {
  const free = (place: Spot) =>
    others.every(({ x, y }) => Math.abs(x - place.x) > 2 * WORD_PX.half || Math.abs(y - place.y) > 2 * WORD_PX.high);
  return places.find(free) ?? places[0] ?? { x: 0, y: 0 };
}

/** The string held just taut over its post: the cut lies in the line from slot to post, beyond it. */
export function cutMark(
  { lanes, inHand, planInHand }: HeadstockRequest,
  { at, leftward }: Frame,
  numbers: readonly Spot[],
): HeadstockPicture['cut'] {
  const lane = lanes[inHand];
  if (lane === undefined || planInHand === null || lane.place.post.pipAlong !== null) return null;
  const { post, slotSideways } = lane.place;
  const direction = Math.atan2(post.sideways - slotSideways, post.along);
  const beyond = (mm: number) => at(post.along * MM + mm * Math.cos(direction), post.sideways * MM + mm * Math.sin(direction));
  const [x, y] = beyond(planInHand.cut * MM);
  const [fromX, fromY] = beyond(0);
  const bend = planInHand.kind === 'post' && planInHand.bend !== null ? beyond(planInHand.bend * MM) : null;
  const label = clearOf(numbers, [
    { x: x - leftward * (7 + WORD_PX.half), y },
    { x, y: y + CUT_HALF_PX + WORD_PX.high },
    { x, y: y - CUT_HALF_PX - WORD_PX.high },
  ]);
  const bendLabel =
    bend === null
      ? null
      : clearOf(
          [...numbers, label],
          [0, 2 * WORD_PX.half].flatMap((aside) =>
            [1, -1].map((side) => ({ x: bend[0] + leftward * aside, y: bend[1] + side * (BEND_HALF_PX + WORD_PX.high) })),
          ),
        );
  return {
    bend: bend === null ? null : { x: bend[0], y1: bend[1] - BEND_HALF_PX, y2: bend[1] + BEND_HALF_PX, label: bendLabel },
    x1: x,
    y1: y - CUT_HALF_PX,
    x2: x,
    y2: y + CUT_HALF_PX,
    fromX,
    fromY,
    label,
  };
}

/** How the empty hole of a post that stands on the face lies: in line with its string. '' where no hole is aimed. */
export function holeLine({ place: { post, slotSideways } }: Lane, { at, pxPerMm }: Frame): string {
  if (post.style === 'roller' || post.style === 'clamp' || post.style === 'slotted' || post.pipAlong !== null) return '';
  const [x, y] = at(post.along * MM, post.sideways * MM);
  const [slotX, slotY] = at(0, slotSideways * MM);
  const length = Math.hypot(slotX - x, slotY - y);
  const reach = (post.diameter * MM * pxPerMm) / 2 + AIM_PX;
  const [alongX, alongY] = [((slotX - x) / length) * reach, ((slotY - y) / length) * reach];
  return `M${x - alongX},${y - alongY} L${x + alongX},${y + alongY}`;
}

/** Which way the post turns; rollers and clamps do not turn in this view. */
export function turnArrow({ lanes, inHand, planInHand }: HeadstockRequest, { at, pxPerMm }: Frame): HeadstockPicture['turn'] {
  const lane = lanes[inHand];
  if (lane === undefined || planInHand?.kind !== 'post') return null;
  const { post } = lane.place;
  if (post.pipAlong !== null || post.style === 'roller') return null;
  const [x, y] = at(post.along * MM, post.sideways * MM);
  const radius = Math.max(17, (post.diameter * MM * pxPerMm) / 2 + 10);
  const sense = planInHand.direction === 'anticlockwise' ? -1 : 1;
  const [start, end] = [sense * 0.35 * Math.PI, sense * 1.75 * Math.PI];
  const ring = arc()({ innerRadius: radius - 1.5, outerRadius: radius + 1.5, startAngle: start, endAngle: end }) ?? '';
  // d3 measures angles clockwise from twelve o'clock
  const [tipX, tipY] = [radius * Math.sin(end), -radius * Math.cos(end)];
  const [alongX, alongY] = [sense * Math.cos(end), sense * Math.sin(end)];
  const head = `M${tipX + alongX * 12},${tipY + alongY * 12} L${tipX - alongY * 8},${tipY + alongX * 8} L${tipX + alongY * 8},${tipY - alongX * 8} z`;
  return { arc: ring, head, x, y };
}

export function fifthPeg({ lanes }: HeadstockRequest, { at, leftward }: Frame): HeadstockPicture['fifthPeg'] {
  const lane = lanes.find(({ place }) => place.post.pipAlong !== null);
  if (lane === undefined) return null;
  const [x, y] = at(0, lane.place.post.sideways * MM);
  const pegX = x + leftward * FIFTH_ASIDE_PX;
  return { x: pegX, y: y + 30, number: lane.number, textX: pegX - leftward * 12 };
}
