import { rollerSide, type Instrument } from '@gold-peg/craft/instrument';
import { tangentPoint } from '@gold-peg/craft/nut';
import { turnHeight, windingCircle } from '@gold-peg/craft/post';
import type { PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import type { Lane } from '../lane/lane';
import { boxOf, buttonOf, isBehind, MM, sideSign, type Frame } from './frame';
import { holeLine } from './headstock-marks';
import type { DrawnPost, HeadstockRequest } from './headstock-picture';

/** Buttons bear the number of their string: on a small picture they are drawn larger than to scale. */
const LEAST_BUTTON_PX = { length: 22, width: 14 };
/** A button that points back shows as a ring round the post, mm. */
const BEHIND_MM = 8;
const EDGE_MM = 10;
const ROLLER_BESIDE_SLOT_MM = 2;
const CLAMP_HALF_MM = 3.2;
const NUMBER_PX = 13;

export function drawPost(lane: Lane, { instrument, inHand, done, bare = [], plans }: HeadstockRequest, frame: Frame): DrawnPost | null {
  const { index, number, place } = lane;
  const { post } = place;
  if (post.pipAlong !== null) return null;
  const { at, pxPerMm: k, downward } = frame;
  const [x, y] = at(post.along * MM, post.sideways * MM);
  const outward = sideSign(post) * downward;
  const radius = (post.diameter * MM * k) / 2;
  const plan = plans[index];
  const common = { index, number, x, y, radius, aim: holeLine(lane, frame), done: done[index] ?? false, inHand: index === inHand };
  const wound =
    plan?.kind === 'post' && bare[index] !== true && plan.wind.turns > 0 && post.style !== 'roller'
      ? { radius: windingCircle(plan.geometry).radius * MM * k, texture: lane.texture }
      : null;
  if (post.style === 'clamp') {
    const far = at((post.along + (post.holeDepth ?? 0)) * MM, post.sideways * MM + CLAMP_HALF_MM);
    const body = boxOf(at(post.along * MM, post.sideways * MM - CLAMP_HALF_MM), far);
    return { ...common, wound: null, body, clamp: true, button: null, behind: null, label: { x: body.x + body.width / 2, y: y + 5 } };
  }
  const body = post.style === 'roller' ? rollerBody(instrument, lane, frame) : null;
  if (isBehind(post)) {
    const ring = BEHIND_MM * k;
    return {
      ...common,
      wound,
      body,
      clamp: false,
      button: null,
      behind: { radius: ring },
      label: { x, y: y + outward * (ring + NUMBER_PX) + 5 },
    };
  }
  const walls = instrument.headstock.rollerSlots;
  const edge = post.style === 'roller' ? (walls === null ? 24 : walls.outer * MM) + EDGE_MM : sideSign(post) * post.sideways * MM + EDGE_MM;
  const size = buttonOf(post);
  const length = Math.max(LEAST_BUTTON_PX.length, size.length * k);
  const width = Math.max(LEAST_BUTTON_PX.width, size.width * k);
  const [, from] = at(0, sideSign(post) * (edge + size.gap));
  const button = { x: x - width / 2, y: outward > 0 ? from : from - length, width, height: length };
  return { ...common, wound, body, clamp: false, button, behind: null, label: { x, y: button.y + length / 2 + 6 } };
}

function rollerBody(instrument: Instrument, { place: { post } }: Lane, { at }: Frame) {
  const walls = instrument.headstock.rollerSlots;
  const [inner, outer] = walls === null ? [6, 26] : [walls.inner * MM - ROLLER_BESIDE_SLOT_MM, walls.outer * MM + ROLLER_BESIDE_SLOT_MM];
  const half = (post.diameter * MM) / 2;
  const sign = sideSign(post);
  return boxOf(at(post.along * MM - half, sign * inner), at(post.along * MM + half, sign * outer));
}

/** Where the string meets its post, mm on the face: the tangent on the inside, the last turn on its roller, or the far side of its clamp. */
export function meetsPost(instrument: Instrument, { index, place }: Lane, plan: WindPlan | null): readonly [number, number] {
  const { post, slotSideways } = place;
  if (plan?.kind === 'clamp') return [(post.along + plan.grip) * MM, post.sideways * MM];
  if (plan === null) return [post.along * MM, post.sideways * MM];
  const sign = sideSign(post);
  if (post.style === 'roller') return [post.along * MM, post.sideways * MM + sign * stackGrows(instrument, index) * stackMm(plan)];
  const point = tangentPoint({
    along: post.along,
    sideways: metres(sign * (post.sideways - slotSideways)),
    windingRadius: windingCircle(plan.geometry).radius,
    flank: 'inside',
  });
  return [point.along * MM, (slotSideways + sign * point.outward) * MM];
}

const stackGrows = (instrument: Instrument, index: number) => (rollerSide(instrument, index) === 'outward' ? 1 : -1);
const stackMm = ({ wind, geometry }: PostPlan) => Math.max(0, wind.turns) * turnHeight(geometry) * MM;

/** Turns side by side on a roller, as lines across it. */
export function rollerStack(instrument: Instrument, { index, place: { post } }: Lane, plan: WindPlan | null, { at }: Frame): string {
  if (post.style !== 'roller' || plan?.kind !== 'post') return '';
  const half = (post.diameter * MM) / 2;
  const step = turnHeight(plan.geometry) * MM * sideSign(post) * stackGrows(instrument, index);
  return Array.from({ length: Math.ceil(Math.max(0, plan.wind.turns)) }, (_, turn) => {
    const sideways = post.sideways * MM + step * (turn + 0.5);
    return `M${at(post.along * MM - half, sideways).join(',')} L${at(post.along * MM + half, sideways).join(',')}`;
  }).join(' ');
}
