import { arc } from 'd3';
import type { HeadstockPicture, HeadstockRequest } from './headstock-picture';
import type { OnFace } from './headstock-outline';

const MM = 1000;
/** The fifth peg is shown beside the end of the drawn neck. */
const FIFTH_ASIDE_PX = 14;

/** The string held just taut over its post: the cut lies in the line from slot to post, beyond it. */
export function cutMark({ lanes, inHand, planInHand }: HeadstockRequest, at: OnFace): HeadstockPicture['cut'] {
  const lane = lanes[inHand];
  if (lane === undefined || planInHand === null || lane.place.post.pipAlong !== null) return null;
  const { post, slotSideways } = lane.place;
  const direction = Math.atan2(post.sideways - slotSideways, post.along);
  const cut = planInHand.cut * MM;
  const end = [post.along * MM + cut * Math.cos(direction), post.sideways * MM + cut * Math.sin(direction)] as const;
  const [x, y] = at(...end);
  const [fromX, fromY] = at(post.along * MM, post.sideways * MM);
  return { x1: x, y1: y - 17, x2: x, y2: y + 17, fromX, fromY, labelX: x - 7, labelY: y + 5 };
}

export function turnArrow({ lanes, inHand, planInHand }: HeadstockRequest, at: OnFace, k: number): HeadstockPicture['turn'] {
  const lane = lanes[inHand];
  if (lane === undefined || planInHand === null || lane.place.post.pipAlong !== null || lane.place.post.style === 'roller') return null;
  const [x, y] = at(lane.place.post.along * MM, lane.place.post.sideways * MM);
  const radius = Math.max(17, (lane.place.post.diameter * MM * k) / 2 + 10);
  const sense = planInHand.direction === 'anticlockwise' ? -1 : 1;
  const [start, end] = [sense * 0.35 * Math.PI, sense * 1.75 * Math.PI];
  const ring = arc()({ innerRadius: radius - 1.5, outerRadius: radius + 1.5, startAngle: start, endAngle: end }) ?? '';
  // d3 measures angles clockwise from twelve o'clock
  const [tipX, tipY] = [radius * Math.sin(end), -radius * Math.cos(end)];
  const [alongX, alongY] = [sense * Math.cos(end), sense * Math.sin(end)];
  const head = `M${tipX + alongX * 12},${tipY + alongY * 12} L${tipX - alongY * 8},${tipY + alongX * 8} L${tipX + alongY * 8},${tipY - alongX * 8} z`;
  return { arc: ring, head, x, y };
}

export function fifthPeg({ lanes }: HeadstockRequest, at: OnFace): HeadstockPicture['fifthPeg'] {
  const lane = lanes.find(({ place }) => place.post.pipAlong !== null);
  if (lane === undefined) return null;
  const [x, y] = at(0, lane.place.post.sideways * MM);
  return { x: x + FIFTH_ASIDE_PX + 2, y: y + 20, number: lane.number };
}
