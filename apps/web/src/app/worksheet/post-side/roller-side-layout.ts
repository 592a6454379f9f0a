import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import type { Lane } from '../../lane/lane';

const MM = 1000;

export interface RollerSidePicture {
  pxPerMm: number;
  roller: { x: number; y: number; radius: number; wound: number };
  string: string;
  face: string;
  level: { x1: number; x2: number; y: number };
  nut: { x: number; y: number; width: number; height: number };
  board: { x: number; y: number; width: number; height: number };
  thickness: number;
}

/** A roller from its end, to scale and unbroken: the string leaves over its upper side and rises to the nut. */
export function layOutRollerSide(
  instrument: Instrument,
  lane: Lane,
  plan: WindPlan,
  room: { width: number; height: number },
): RollerSidePicture | null {
  const { post } = lane.place;
  if (post.style !== 'roller' || plan.kind === 'clamp' || plan.nut === null) return null;
  const beta = instrument.headstock.angle;
  const reach = post.along * MM + 22;
  const pxPerMm = Math.min(4, (room.width - 70) / reach);
  const px = (metre: number) => metre * MM * pxPerMm;
  const slot = { x: room.width - 62, y: 62 };
  // from the nut: along the face, then down its normal to the axis below it
  const onFace = (along: number, height: number) => ({
    x: slot.x - px(along) * Math.cos(beta) - px(height) * Math.sin(beta),
    y: slot.y + px(instrument.headstock.faceDrop) + px(along) * Math.sin(beta) - px(height) * Math.cos(beta),
  });
  const axis = onFace(post.along, post.holeHeight);
  const wound = px(plan.geometry.postDiameter + plan.geometry.stringDiameter) / 2;
  const steep = plan.nut.vertical;
  const leaves = { x: axis.x - wound * Math.sin(steep), y: axis.y - wound * Math.cos(steep) };
  const tip = onFace(post.along + 0.02, 0);
  const edge = onFace(0.001, 0);
  return {
    pxPerMm,
    roller: { x: axis.x, y: axis.y, radius: px(post.diameter) / 2, wound },
    string: `M${leaves.x},${leaves.y} L${slot.x},${slot.y} H${room.width - 6}`,
    face: `M${tip.x},${tip.y} L${edge.x},${edge.y}`,
    level: { x1: slot.x - 110, x2: slot.x, y: slot.y },
    nut: { x: slot.x - 2, y: slot.y, width: 13, height: px(instrument.headstock.faceDrop) + 20 },
    board: { x: slot.x + 12, y: slot.y + 5, width: 44, height: px(instrument.headstock.faceDrop) + 15 },
    thickness: Math.max(1.5, px(lane.gauge)),
  };
}
