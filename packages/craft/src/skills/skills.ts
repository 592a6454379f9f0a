/** What can be practised, and whether an answer is off by a size or is right or wrong. */
const MEASURES = {
  slack: 'size',
  'winding-side': 'choice',
  'which-string': 'choice',
  octave: 'choice',
  cents: 'size',
  'stretch-or-slip': 'choice',
  nylon: 'size',
  'nut-angle': 'choice',
  order: 'choice',
  fault: 'choice',
  balance: 'size',
} as const;

export type Skill = keyof typeof MEASURES;
export const SKILLS = Object.keys(MEASURES) as Skill[];

/** `size`: off by so much, above and below zero, in the unit of the skill. `choice`: right or not. */
export const measureOf = (skill: Skill): 'size' | 'choice' => MEASURES[skill];

/** Levels go from 0, which anybody can see, to so far. */
export const HARDEST = 6;

/** Where a string may be on its way up. */
export const OCTAVE_ANSWERS = ['an-octave-under', 'under', 'at-its-note', 'over'] as const;
export type OctavePlace = (typeof OCTAVE_ANSWERS)[number];

/** What may be wrong with a string on its post, at its pin, and at its tie. */
export const FAULTS_AT = {
  post: ['crossing', 'few', 'short-tail', 'upward', 'none'],
  pins: ['under-tip', 'slot-away', 'none'],
  'tie-block': ['last-on-top', 'few-tucks', 'none'],
} as const;
export type FaultPlace = keyof typeof FAULTS_AT;
export type FaultOf<P extends FaultPlace> = (typeof FAULTS_AT)[P][number];
export type Fault = FaultOf<FaultPlace>;
export const FAULTS = [...new Set(Object.values(FAULTS_AT).flat())] as Fault[];
