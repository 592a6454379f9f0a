import { constant, exactly } from './constant.js';

/** Young's modulus, GPa. Polymers are soft while they are wound up and stiff once they hold their pitch. */
export const YOUNGS_MODULUS = {
  steelThin: constant(203.4, [200, 210], 'GPa', 'music wire below 0.8 mm'),
  steelMedium: constant(200, [196, 206], 'GPa', 'music wire from 0.8 to 1.6 mm'),
  steelThick: constant(196.5, [192, 203], 'GPa', 'music wire above 1.6 mm'),
  nylonWindingUp: constant(1.7, [1, 3], 'GPa', 'slow extension of drawn nylon'),
  nylonAtPitch: constant(5, [3, 8], 'GPa', 'small fast changes about a stretched state'),
  fluorocarbonWindingUp: constant(2.2, [1.5, 3.5], 'GPa', 'slow extension of drawn PVDF'),
  fluorocarbonAtPitch: constant(5, [3, 8], 'GPa', 'small fast changes about a stretched state'),
  gut: constant(5.5, [4, 7], 'GPa', 'tension tests on gut strings'),
  floss: constant(5, [3, 8], 'GPa', 'multifilament nylon, of its filled section'),
} as const;

/** Diameters at which drawn steel changes its modulus, mm. */
export const STEEL_MODULUS_STEPS = {
  thinBelow: exactly(0.8, 'mm', 'wire tables'),
  mediumBelow: exactly(1.6, 'mm', 'wire tables'),
} as const;

/** Breaking stress, MPa. */
export const STRENGTH = {
  musicWireAtOneMillimetre: constant(
    2211,
    [2211, 2543],
    'MPa',
    'minimum of the standard: 2211 MPa / (d in mm)^0.145; real wire up to 15 % more',
  ),
  musicWireExponent: exactly(0.145, '', 'the same standard'),
  nylon: constant(400, [300, 600], 'MPa', 'drawn monofilament'),
  fluorocarbon: constant(550, [400, 750], 'MPa', 'drawn monofilament'),
  gut: constant(320, [250, 400], 'MPa', 'tension tests on gut strings'),
  floss: constant(900, [700, 1000], 'MPa', 'multifilament nylon, of its filled section'),
} as const;

/** Farther aside no finger bends a string, mm. */
export const BEND_REACH = constant(20, [12, 25], 'mm', 'bends of a tone and more on soft strings, workshop practice');

/** Share of the breaking load that a technician plans with. */
export const SAFE_SHARE_OF_BREAKING = constant(0.75, [0.7, 0.85], '', 'workshop practice');

/** Less pull than this rattles on the frets and cannot be held in tune, N. */
export const LEAST_PULL = constant(15, [10, 25], 'N', 'workshop practice, the softest ukulele trebles');

/** What a measuring hand and a wire mill leave uncertain about a diameter, mm. */
export const CALIPER = {
  reading: constant(0.01, [0.005, 0.02], 'mm', 'digital caliper, its last digit and the pressure of the hand'),
  making: constant(0.004, [0.002, 0.006], 'mm', 'tolerance of drawn wire'),
  makingWound: constant(0.012, [0.006, 0.02], 'mm', 'tolerance of wound and worn strings'),
} as const;

/** Shape of windings. */
export const WINDING = {
  ribbonEdgeFill: constant(0.98, [0.96, 1], '', 'rounded edges of flat ribbon'),
  flossFill: constant(0.75, [0.65, 0.85], '', 'share of a floss core that is solid'),
  bronzeAcousticPack: constant(1.022, [1.01, 1.035], '', 'wrap squeezed on a hex core, from published pulls'),
  bassPack: constant(1.02, [1, 1.04], '', 'the same, bass'),
  plainPack: exactly(1, '', 'close-wound round wire'),
  ribbonShare: constant(0.3, [0.2, 0.45], '', 'ribbon thickness as a share of all winding on one side of a flat-wound string'),
  groundShare: constant(0.25, [0.15, 0.35], '', 'how much of its outer wire a half-round string has lost'),
  silkShare: constant(0.4, [0.3, 0.5], '', 'floss as a share of all winding on one side of a silk-and-steel string'),
} as const;

/** Core of a wound string when nobody knows it: core = a · (gauge / g)^k. */
export const CORE_FROM_GAUGE = {
  steelCore: constant(0.0179, [0.0158, 0.02], 'in', 'at gauge .046, ±12 %'),
  steelAtGauge: exactly(0.046, 'in', 'reference gauge'),
  steelExponent: exactly(0.57, '', 'fit to published cores'),
  bassCore: constant(0.025, [0.0213, 0.0288], 'in', 'at gauge .105, ±15 %'),
  bassAtGauge: exactly(0.105, 'in', 'reference gauge'),
  bassExponent: exactly(0.4, '', 'fit to published cores'),
  flossCore: constant(0.0185, [0.016, 0.021], 'in', 'classical basses'),
  leastShare: exactly(0.15, '', 'a thinner core is not made'),
  mostShare: exactly(0.75, '', 'a thicker core leaves no wrap'),
} as const;

/** Nut. */
export const NUT = {
  wantedAngleFlat: constant(4, [3, 8], '°', 'what a flat guitar head gives in good work: well above the slope of a plucked string'),
  wantedAngleLeaning: constant(6, [4, 12], '°', 'what a head that leans back gives without effort'),
  wantedAngleBass: constant(5, [4, 10], '°', 'the same for basses, which are drawn aside farther'),
  leansBackFrom: constant(5, [3, 8], '°', 'heads that lean back less count as flat'),
  lowAngle: constant(3, [2, 4], '°', 'twice the slope of a plucked guitar string'),
  lowAngleBass: constant(4, [3, 5], '°', 'the same for basses'),
  pluckAside: constant(3, [1.5, 5], 'mm', 'how far a guitar string is drawn aside, hard playing'),
  pluckFromBridge: constant(130, [60, 200], 'mm', 'where it is plucked'),
  pluckAsideBass: constant(6, [3, 10], 'mm', 'the same for a bass string'),
  pluckFromBridgeBass: constant(150, [80, 250], 'mm', 'the same for a bass string'),
  leastSlotRoom: constant(0.05, [0.05, 0.05], 'mm', 'less binds'),
  mostSlotRoom: constant(0.12, [0.12, 0.12], 'mm', 'more buzzes'),
  friction: constant(0.18, [0.08, 0.35], '', 'a string in a slot of bone or plastic; from lubricated to one that is too narrow'),
  frictionBinding: constant(0.35, [0.18, 0.5], '', 'the same in a slot that is too narrow for it'),
} as const;

/** How far a headstock reaches beyond the axis of its last post. */
export const HEADSTOCK = {
  tip: constant(22, [12, 45], 'mm', 'measured headstocks of all kinds'),
} as const;

/** Neck: an estimate, always with its band. */
export const NECK = {
  reliefPerTenNewtons: constant(0.012, [0.005, 0.03], 'mm', 'change of relief per 10 N of total pull'),
  actionPerRelief: constant(1.8, [1.2, 2.5], '', 'change of action at fret 12 per change of relief'),
  reading: constant(0.03, [0.015, 0.05], 'mm', 'two readings with feeler gauges under a straightedge, each good to one leaf'),
} as const;

/** Creep of polymers until the string holds, as a strain on top of the elastic one. */
export const CREEP = {
  nylon: constant(0.03, [0.01, 0.06], '', 'first day under pull'),
  fluorocarbon: constant(0.02, [0.005, 0.04], '', 'first day under pull'),
  gut: constant(0.008, [0.002, 0.02], '', 'first day under pull'),
  floss: constant(0.01, [0.004, 0.02], '', 'first day under pull'),
  steel: constant(0, [0, 0.0005], '', 'music wire does not creep at these stresses'),
} as const;

/** A hand that nobody has measured, mm. */
export const HAND = {
  fist: constant(85, [70, 105], 'mm', 'height of a fist, adults'),
  finger: constant(18, [14, 23], 'mm', 'breadth of a first finger, adults'),
  spacer: constant(55, [40, 70], 'mm', 'thumb to first finger held against a post'),
  leaves: constant(1, [0.85, 1.15], '', 'share of the slack meant that is really left: a hand before any turns were counted'),
} as const;

/** What tells a post's real diameter and a person's hand from the turns that were counted. */
export const COUNTING = {
  turns: constant(0.12, [0.1, 0.2], 'turns', 'turns are counted to the quarter'),
  hand: constant(0.1, [0.05, 0.15], '', 'how differently hands leave the same slack'),
  postMm: constant(0.3, [0.15, 0.5], 'mm', 'how far posts stray from the typical diameter of their kind'),
} as const;

/** Length of a string as sold, mm: an offcut is what the instrument leaves of it. */
export const LENGTH_AS_SOLD = {
  electric: constant(1020, [960, 1100], 'mm', 'packets of several makers'),
  acoustic: constant(1020, [960, 1100], 'mm', 'packets of several makers'),
  classical: constant(1000, [950, 1050], 'mm', 'packets of several makers'),
  bass: constant(1250, [1150, 1350], 'mm', 'long-scale packets'),
  ukulele: constant(800, [600, 1000], 'mm', 'packets of several makers'),
  mandolin: constant(900, [800, 1000], 'mm', 'packets of several makers'),
  banjo: constant(1000, [950, 1050], 'mm', 'packets of several makers'),
} as const;

/** What is taken for granted of how long the work takes, before a bench has told; natural logarithms of times as shares of what is expected. */
export const PACE = {
  spread: constant(0.5, [0.3, 0.8], '', 'two jobs alike differ by half as much again or a third less: workshop practice'),
  priorJobs: constant(2, [1, 4], '', 'how many jobs the expectation counts for'),
  elsewhere: constant(0.35, [0.2, 0.5], '', 'what a job of another person, or of another kind, counts for'),
  neverDone: constant(2.3, [1.6, 3], '', 'ten times quicker or slower is no measure of work: ticked afterwards, or a clock forgotten'),
} as const;
