import type { Instrument } from '@gold-peg/craft/instrument';
import type { ClampPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../../lane/lane';

const MM = 1000;
const HALF_BLOCK_MM = 4;
const SCREW_MM = { width: 4, height: 5 };
const BOARD_MM = 12;

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface ClampPicture {
  pxPerMm: number;
  block: Box;
  screw: Box;
  nut: Box;
  board: Box;
  string: string;
  /** Travel of the tuner's screw at the bridge, the share of it that brings the string to pitch, and where it ends. */
  travel: Box;
  used: Box;
  over: boolean;
  thickness: number;
}

/** A head clamp from the side, to scale, and below it the travel of the string's screw at the bridge. */
export function layOutClamp(instrument: Instrument, lane: Lane, plan: ClampPlan, room: { width: number; height: number }): ClampPicture {
  const { post } = lane.place;
  const depth = (post.holeDepth ?? 0) * MM;
  const k = Math.min(8, (room.width - 60) / (post.along * MM + depth + BOARD_MM + 8));
  const nutX = room.width - (BOARD_MM + 3) * k;
  const y = 74;
  const near = nutX - post.along * MM * k;
  const end = near - plan.grip * MM * k;
  const travelK = Math.min(8, (room.width - 40) / (plan.screw.travel * MM));
  const travel = { x: 20, y: room.height - 52, width: plan.screw.travel * MM * travelK, height: 16 };
  const drop = instrument.headstock.faceDrop * MM * k;
  return {
    pxPerMm: k,
    block: { x: near - depth * k, y: y - HALF_BLOCK_MM * k, width: depth * k, height: 2 * HALF_BLOCK_MM * k },
    screw: {
      x: near - (depth / 2 + SCREW_MM.width / 2) * k,
      y: y - (HALF_BLOCK_MM + SCREW_MM.height) * k,
      width: SCREW_MM.width * k,
      height: SCREW_MM.height * k,
    },
    nut: { x: nutX, y, width: 3 * k, height: drop + 20 },
    board: { x: nutX + 3 * k, y: y + 5, width: BOARD_MM * k, height: drop + 15 },
    // bent inside the clamp, so that nothing sharp stands out
    string: `M${end},${y - 2 * k} V${y} H${room.width}`,
    travel,
    used: { ...travel, width: Math.min(travel.width, Math.max(0, plan.screw.used * MM * travelK)) },
    over: plan.screw.left < 0,
    thickness: Math.max(1.5, lane.gauge * MM * k),
  };
}
