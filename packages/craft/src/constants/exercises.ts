import { constant } from './constant.js';

const choice = (source: string) => constant(0.05, [0.02, 0.1], '', `share of answers that may be wrong: ${source}`);

/** What counts as good work in each skill, as a distance from what is right. */
export const GOOD_WORK = {
  slack: constant(8, [5, 12], '%', 'a fifth of a turn in two and a half, workshop practice'),
  'winding-side': choice('a string wound the wrong way is wound twice'),
  'which-string': choice('one packet in twenty mixed up'),
  octave: choice('an octave too high is a string lost'),
  cents: constant(3, [2, 5], '¢', 'what a player hears between two strings in turn'),
  'stretch-or-slip': choice('a slip that is stretched on costs the evening'),
  nylon: constant(25, [15, 40], '%', 'of the hours that it moves: about one visit more or less'),
  'nut-angle': choice('a string that lifts in its slot buzzes'),
  fault: choice('what is overlooked comes back out of tune'),
  balance: constant(2, [1, 4], 'moves', 'more than by marks: a string heard anew, and the claw once more'),
  order: choice('a loose bridge that falls has lost its place'),
} as const;

/** How learners are read. */
export const LEARNING = {
  tries: constant(20, [10, 40], '', 'the last so many stand for how somebody works today'),
  least: constant(5, [3, 8], '', 'fewer tries say nothing of spread'),
  /** Where somebody stands who never tried, in widths of good work. */
  untaught: constant(4, [2, 8], '', 'a hand that was never measured against anything'),
  shortest: constant(15 / 1440, [0.005, 0.05], 'd', 'half-life regression: no memory is told to last less'),
  longest: constant(274, [180, 365], 'd', 'half-life regression: nor longer'),
} as const;
