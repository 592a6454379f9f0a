import { drawPost, meetsPost, rollerStack } from './drawn-posts';
import { boxOf, frameOf, headPosts, KNOB_MM, MM, type Frame } from './frame';
import { cutMark, fifthPeg, turnArrow } from './headstock-marks';
import { headstockOutline } from './headstock-outline';
import type { DrawnScrew, DrawnString, DrawnTree, HeadstockPicture, HeadstockRequest } from './headstock-picture';
import type { Lane } from '../lane/lane';

const NUT_MM = { front: 3, behind: 2 };
/** Numbers of strings, and how much of a clamp they fill where those are small; a number's line lies so far under its middle. */
const NUMBER_PX = 15;
const IN_CLAMP = 0.85;
const LABEL_DOWN_PX = 5;
const TREE_HALF_PX = 3;
const BAR_HALF_PX = 4.5;
const SCREW_HALF_MM = 2.2;
/** Drawn a little thicker than to scale, all by the same factor, so that a thin string can be seen. */
const THICKER = 1.7;

/** Places everything on the headstock to one scale: the same geometry that the numbers come from. */
export function layOutHeadstock(request: HeadstockRequest): HeadstockPicture {
  const { instrument, lanes } = request;
  const frame = frameOf(request);
  const { at, leftward, neckPx, pxPerMm } = frame;
  const half = (instrument.nutWidth * MM) / 2;
  const [nutX, edgeY] = at(0, half);
  const [, otherY] = at(0, -half);
  const posts = lanes.flatMap((lane) => drawPost(lane, request, frame) ?? []);
  return {
    pxPerMm,
    outline: headstockOutline(instrument, at),
    slots: instrument.headstock.layout === 'slotted' ? [-1, 1].map((side) => slotPath(side, request, frame)) : [],
    neck: `M${nutX},${edgeY} h${leftward * neckPx} V${otherY} h${-leftward * neckPx} z`,
    nut: boxOf(at(NUT_MM.behind, -half), at(-NUT_MM.front, half)),
    posts,
    numberPx: Math.min(NUMBER_PX, ...posts.flatMap(({ body, clamp }) => (body !== null && clamp ? [body.height * IN_CLAMP] : []))),
    strings: lanes.filter(({ index }) => request.bare?.[index] !== true).map((lane) => drawString(lane, request, frame)),
    fan: fanOf(request, frame),
    trees: instrument.trees.map((tree) => drawTree(tree, request, frame)),
    cut: cutMark(
      request,
      frame,
      posts.map(({ label }) => ({ x: label.x, y: label.y - LABEL_DOWN_PX })),
    ),
    turn: turnArrow(request, frame),
    fifthPeg: fifthPeg(request, frame),
    screws: lanes.flatMap((lane) => drawScrew(lane, request, frame) ?? []),
  };
}

function drawTree(
  { along, strings, kind }: HeadstockRequest['instrument']['trees'][number],
  { lanes }: HeadstockRequest,
  { at }: Frame,
): DrawnTree {
  const beside = kind === 'bar' ? 5 : 3;
  const sideways = strings.map((index) => (lanes[index]?.place.slotSideways ?? 0) * MM);
  const box = boxOf(at(along * MM, Math.min(...sideways) - beside), at(along * MM, Math.max(...sideways) + beside));
  const halfPx = kind === 'bar' ? BAR_HALF_PX : TREE_HALF_PX;
  return { ...box, kind, x: box.x - halfPx, width: 2 * halfPx };
}

function slotPath(side: number, { instrument }: HeadstockRequest, { at }: Frame): string {
  const alongs = headPosts(instrument).map(({ along }) => along * MM);
  const walls = instrument.headstock.rollerSlots;
  const [inner, outer] = walls === null ? [8, 24] : [walls.inner * MM, walls.outer * MM];
  const { x, y, width, height } = boxOf(at(Math.max(...alongs) + 11, side * inner), at(Math.min(...alongs) - 11, side * outer));
  const r = height / 2;
  return `M${x + r},${y} H${x + width - r} A${r},${r} 0 0 1 ${x + width - r},${y + height} H${x + r} A${r},${r} 0 0 1 ${x + r},${y} z`;
}

function drawString(lane: Lane, request: HeadstockRequest, frame: Frame): DrawnString {
  const { instrument, plans, laneCentres, inHand, done } = request;
  const { at, leftward, neckPx, pxPerMm, lanesX } = frame;
  const { index, place } = lane;
  const plan = plans[index] ?? null;
  const slot = at(0, place.slotSideways * MM);
  const neckEnd = slot[0] + leftward * neckPx;
  const toLane = `L${lanesX},${laneCentres[index] ?? 0}`;
  const lead =
    place.post.pipAlong === null
      ? `M${at(...meetsPost(instrument, lane, plan)).join(',')} L${slot.join(',')} H${neckEnd}`
      : `M${neckEnd},${slot[1]}`;
  const tail = instrument.screwTuner === null ? '' : ` M${tailStart(request, frame)},${slot[1]} H${pocketX(request, frame)}`;
  return {
    index,
    path: `${lead}${tail} ${toLane}`,
    stack: rollerStack(instrument, lane, plan, frame),
    width: Math.max(1.2, lane.gauge * MM * pxPerMm * THICKER),
    texture: lane.texture,
    state: index === inHand ? 'in-hand' : done[index] ? 'done' : 'open',
  };
}

/** Where the picture goes on after the neck that is left out, a finger's breadth before the saddle. */
const tailStart = (request: HeadstockRequest, frame: Frame) =>
  pocketX(request, frame) - frame.leftward * (request.instrument.bridge.behindSaddle * MM + 4) * frame.pxPerMm;

/** Where the ball lies with the screw at its outer end. */
function pocketX({ instrument }: HeadstockRequest, { neckX, leftward, pxPerMm }: Frame): number {
  return neckX - leftward * ((instrument.screwTuner?.travel ?? 0) * MM + KNOB_MM) * pxPerMm;
}

/** Travel of a string's screw, and how much of it brings the string to pitch. */
function drawScrew(lane: Lane, request: HeadstockRequest, frame: Frame): DrawnScrew | null {
  const { plans, inHand, planInHand } = request;
  const plan = lane.index === inHand ? planInHand : plans[lane.index];
  if (plan?.kind !== 'clamp') return null;
  const { leftward, pxPerMm, at } = frame;
  const [, y] = at(0, lane.place.slotSideways * MM);
  const from = pocketX(request, frame);
  const { travel, used, left } = plan.screw;
  const bar = (length: number) =>
    boxOf(
      [from, y - SCREW_HALF_MM * pxPerMm],
      [from + leftward * Math.min(travel, Math.max(0, length)) * MM * pxPerMm, y + SCREW_HALF_MM * pxPerMm],
    );
  return { index: lane.index, travel: bar(travel), used: bar(used), over: left < 0 };
}

function fanOf({ lanes, laneCentres }: HeadstockRequest, { at, neckX, lanesX }: Frame): string {
  const ys = lanes.map(({ place }) => at(0, place.slotSideways * MM)[1]);
  return `M${neckX},${Math.min(...ys) - 5} L${lanesX},${Math.min(...laneCentres) - 26} V${Math.max(...laneCentres) + 26} L${neckX},${Math.max(...ys) + 5} z`;
}
