import { constant } from './constant.js';

/** How far a measure may lie from what is typical of its kind, until somebody takes it: four in five within. */
export const STRAYS = {
  scale: constant(4, [2, 8], 'mm', 'instruments of one kind, by their makers’ lists'),
  nut: constant(0.6, [0.3, 1], 'mm', 'nuts of one kind: centres of their slots'),
  slots: constant(0.06, [0.03, 0.12], 'mm', 'slots are filed for the set that was on'),
  posts: constant(5, [2, 8], 'mm', 'headstocks of one layout: from the nut to a post'),
  thickness: constant(0.3, [0.15, 0.5], 'mm', 'how far posts stray from the typical diameter of their kind'),
  holes: constant(1.2, [0.5, 2], 'mm', 'posts of one kind: hole above the face'),
  angle: constant(2, [1, 4], '°', 'headstocks of one layout'),
  face: constant(1.5, [0.5, 3], 'mm', 'faces under the slots'),
  'behind-saddle': constant(8, [3, 20], 'mm', 'bridges of one kind'),
  gear: constant(2, [1, 4], '', 'buttons of one kind: 12 to 18 to one'),
  trees: constant(1, [0.5, 2], 'mm', 'how far a tree presses below the slots'),
} as const;
