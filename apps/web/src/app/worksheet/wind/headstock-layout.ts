import { tangentPoint } from '@gold-peg/craft/nut';
import { windingCircle } from '@gold-peg/craft/post';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import type { Lane } from '../desk/lane';
import { cutMark, fifthPeg, turnArrow } from './headstock-marks';
import type { DrawnPost, DrawnString, HeadstockPicture, HeadstockRequest } from './headstock-picture';
import { headPosts, headstockOutline, TIP_MM, type OnFace } from './headstock-outline';

const MM = 1000;
const NECK_PX = 14;
const FAN_PX = 84;
/** Room for the word beside the farthest cut mark. */
const LEFT_PX = 34;
const BUTTON_MM = { length: 17, width: 8, gap: 1.5 };
/** Posts from this diameter on carry the wide buttons of a bass. */
const BASS_POST = 0.01;
/** Buttons bear the number of their string: on a small picture they are drawn larger than to scale. */
const LEAST_BUTTON_PX = { length: 22, width: 14 };
const BASS_BUTTON_MM = { length: 22, width: 17, gap: 1.5 };
/** Drawn a little thicker than to scale, all by the same factor, so that a thin string can be seen. */
const THICKER = 1.7;

/** Places everything on the headstock to one scale: the same geometry that the numbers come from. */
export function layOutHeadstock(request: HeadstockRequest): HeadstockPicture {
  const { instrument, width, height } = request;
  const posts = headPosts(instrument);
  const tip = Math.max(...posts.map(({ along }) => along * MM)) + TIP_MM;
  const cuts = request.lanes.map(({ place }, index) =>
    place.post.pipAlong === null ? (place.post.along + (request.plans[index]?.cut ?? 0)) * MM + 4 : 0,
  );
  const reach = Math.max(tip, ...cuts);
  const reachSide = (side: 'bass' | 'treble') =>
    Math.max(
      ...posts
        .filter((post) => post.side === side)
        .map(({ sideways, style }) => (style === 'roller' ? 24 : Math.abs(sideways) * MM) + 11 + BASS_BUTTON_MM.length),
      26,
    );
  const up = reachSide('treble');
  const down = reachSide('bass');
  const nutX = width - FAN_PX - NECK_PX;
  const pxPerMm = Math.min((nutX - LEFT_PX) / reach, (height - 52) / (up + down));
  const midY = 26 + up * pxPerMm + (height - 52 - (up + down) * pxPerMm) / 2;
  const at: OnFace = (along, sideways) => [nutX - along * pxPerMm, midY + sideways * pxPerMm];
  const half = (instrument.nutWidth * MM) / 2;
  const [, nutTop] = at(0, -half);
  return {
    pxPerMm,
    outline: headstockOutline(instrument, at),
    slots:
      instrument.headstock.layout === 'slotted'
        ? [-1, 1].map((side) =>
            slotPath(
              side,
              posts.map(({ along }) => along * MM),
              at,
            ),
          )
        : [],
    neck: `M${nutX},${nutTop} h${NECK_PX} v${2 * half * pxPerMm} h${-NECK_PX} z`,
    nut: { x: nutX - 2 * pxPerMm, y: nutTop, width: 5 * pxPerMm, height: 2 * half * pxPerMm },
    posts: request.lanes.flatMap((lane) => drawPost(lane, request, at, pxPerMm) ?? []),
    strings: request.lanes.map((lane) => drawString(lane, request, at, pxPerMm, width)),
    fan: fanOf(request, at, width),
    trees: instrument.trees.map(({ along, strings }) => {
      const ys = strings.map((index) => (request.lanes[index]?.place.slotSideways ?? 0) * MM);
      const [x, y] = at(along * MM, Math.min(...ys) - 3);
      return { x, y, height: (Math.max(...ys) - Math.min(...ys) + 6) * pxPerMm };
    }),
    cut: cutMark(request, at),
    turn: turnArrow(request, at, pxPerMm),
    fifthPeg: fifthPeg(request, at),
  };
}

function slotPath(side: number, alongs: readonly number[], at: OnFace): string {
  const [x1, y1] = at(Math.max(...alongs) + 11, side * 8);
  const [x2, y2] = at(Math.min(...alongs) - 11, side * 24);
  const r = Math.abs(y2 - y1) / 2;
  const [top, bottom] = [Math.min(y1, y2), Math.max(y1, y2)];
  return `M${x1 + r},${top} H${x2 - r} A${r},${r} 0 0 1 ${x2 - r},${bottom} H${x1 + r} A${r},${r} 0 0 1 ${x1 + r},${top} z`;
}

function drawPost({ index, number, place }: Lane, { inHand, done }: HeadstockRequest, at: OnFace, k: number): DrawnPost | null {
  const { post } = place;
  if (post.pipAlong !== null) return null;
  const sign = post.side === 'bass' ? 1 : -1;
  const [x, y] = at(post.along * MM, post.sideways * MM);
  const edge = post.style === 'roller' ? 33 : Math.abs(post.sideways) * MM * sign * Math.sign(post.sideways || sign) + 10;
  const size = post.style !== 'roller' && post.diameter >= BASS_POST ? BASS_BUTTON_MM : BUTTON_MM;
  const [, buttonFrom] = at(0, sign * (edge + size.gap));
  const buttonWidth = Math.max(LEAST_BUTTON_PX.width, size.width * k);
  const buttonLength = Math.max(LEAST_BUTTON_PX.length, size.length * k);
  const radius = (post.diameter * MM * k) / 2;
  const rollerEnds = [at(0, sign * 6)[1], at(0, sign * 26)[1]] as const;
  return {
    index,
    number,
    x,
    y,
    radius,
    roller:
      post.style === 'roller'
        ? { x: x - radius, y: Math.min(...rollerEnds), width: 2 * radius, height: Math.abs(rollerEnds[1] - rollerEnds[0]) }
        : null,
    button: { x: x - buttonWidth / 2, y: sign > 0 ? buttonFrom : buttonFrom - buttonLength, width: buttonWidth, height: buttonLength },
    done: done[index] ?? false,
    inHand: index === inHand,
  };
}

/** Where the string meets its post: the tangent on the inside, or the top of its roller. */
function meetsPost({ place }: Lane, plan: WindPlan | null): readonly [number, number] {
  const { post, slotSideways } = place;
  if (post.style === 'roller' || plan === null) return [post.along * MM, post.sideways * MM];
  const sign = post.side === 'bass' ? 1 : -1;
  const point = tangentPoint({
    along: post.along,
    sideways: metres(sign * (post.sideways - slotSideways)),
    windingRadius: windingCircle(plan.geometry).radius,
    flank: 'inside',
  });
  return [point.along * MM, (slotSideways + sign * point.outward) * MM];
}

function drawString(lane: Lane, { plans, laneCentres, inHand, done }: HeadstockRequest, at: OnFace, k: number, width: number): DrawnString {
  const { index, place } = lane;
  const fifth = place.post.pipAlong !== null;
  const slot = at(0, place.slotSideways * MM);
  const neckEnd = at(0, place.slotSideways * MM)[0] + NECK_PX;
  const lead = fifth
    ? `M${neckEnd},${slot[1]}`
    : `M${at(...meetsPost(lane, plans[index] ?? null)).join(',')} L${slot.join(',')} H${neckEnd}`;
  return {
    index,
    path: `${lead} L${width},${laneCentres[index] ?? 0}`,
    width: Math.max(1.2, lane.gauge * MM * k * THICKER),
    texture: lane.texture,
    state: index === inHand ? 'in-hand' : done[index] ? 'done' : 'open',
  };
}

function fanOf({ lanes, laneCentres }: HeadstockRequest, at: OnFace, width: number): string {
  const ys = lanes.map(({ place }) => at(0, place.slotSideways * MM)[1]);
  const x = at(0, 0)[0] + NECK_PX;
  return `M${x},${Math.min(...ys) - 5} L${width},${Math.min(...laneCentres) - 26} V${Math.max(...laneCentres) + 26} L${x},${Math.max(...ys) + 5} z`;
}
