import type { Instrument } from '@gold-peg/craft/instrument';
import { turnHeight } from '@gold-peg/craft/post';
import type { PostPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../../lane/lane';

const MM = 1000;
const MOST_TURNS = 40;
const KNOB_MM = 7;
const BEYOND_HOLE_MM = 4;

export interface SidePegPicture {
  pxPerMm: number;
  neck: { x: number; y: number; width: number; height: number };
  shaft: { x: number; y: number; width: number; height: number };
  knob: { x: number; y: number; width: number; height: number };
  pip: { x: number; y: number };
  hole: { x: number; y: number };
  turns: number[];
  string: string;
  thickness: number;
}

/** A fifth peg from above, to scale: its shaft stands out of the side of the neck, the turns lie along it from the hole toward the neck. */
export function layOutSidePeg(
  instrument: Instrument,
  lane: Lane,
  plan: PostPlan,
  room: { width: number; height: number },
): SidePegPicture | null {
  const { post, slotSideways } = lane.place;
  if (post.style !== 'side-peg') return null;
  const edge = (instrument.nutWidth * MM) / 2 + 1;
  const reach = post.sideways * MM + BEYOND_HOLE_MM + KNOB_MM;
  const k = Math.min((room.height - 50) / (reach - slotSideways * MM + 12), (room.width - 120) / (post.along * MM));
  const at = (alongMm: number, sidewaysMm: number) => ({
    x: room.width - 70 - alongMm * k,
    y: 34 + (sidewaysMm - slotSideways * MM + 8) * k,
  });
  const axis = post.along * MM;
  const half = (post.diameter * MM) / 2;
  const step = turnHeight(plan.geometry) * MM;
  const stack = Math.max(0, plan.wind.turns) * step;
  const pip = at(0, slotSideways * MM);
  const leaves = at(axis - half, post.sideways * MM - stack);
  const from = at(axis + half, edge);
  const far = at(axis - half, post.sideways * MM + BEYOND_HOLE_MM);
  return {
    pxPerMm: k,
    neck: { x: 0, y: 0, width: room.width, height: at(0, edge).y },
    shaft: { x: from.x, y: from.y, width: 2 * half * k, height: far.y - from.y },
    knob: { x: from.x - 2 * k, y: far.y, width: (2 * half + 4) * k, height: KNOB_MM * k },
    pip,
    hole: at(axis, post.sideways * MM),
    turns: Array.from(
      { length: Math.min(MOST_TURNS, Math.ceil(Math.max(0, plan.wind.turns))) },
      (_, turn) => at(0, post.sideways * MM - step * (turn + 0.5)).y,
    ),
    string: `M${leaves.x},${leaves.y} L${pip.x},${pip.y} H${room.width}`,
    thickness: Math.max(1.5, lane.gauge * MM * k),
  };
}
