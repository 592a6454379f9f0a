import { constant } from './constant.js';

/** Floating bridges of the usual size. */
export const FLOATING = {
  saddleHeight: constant(10.5, [8, 14], 'mm', 'saddles above the edge that the bridge tips on, measured bridges'),
  springDepth: constant(40, [33, 50], 'mm', 'hooks of the springs below that edge, measured bridges'),
  screwLead: constant(1.7, [1.4, 2.1], 'mm', 'how far one turn of a claw screw moves the claw, measured wood screws'),
} as const;
