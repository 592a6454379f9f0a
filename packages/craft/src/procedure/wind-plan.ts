import type { PostAndString, End, Stretch, Wind } from '../post/index.js';
import type { LoadedString } from '../tension/index.js';
import type { Metres, Newtons, Radians } from '../units/index.js';
import type { HouseMethods } from './house-methods.js';

/** Which rule decided the turns; the one that lost is told beside it. */
export type TurnsRule =
  | { kind: 'house' }
  | { kind: 'raised-for-angle'; house: number; houseAngle: Radians }
  | { kind: 'angle-out-of-reach'; house: number; best: Radians }
  | { kind: 'post-is-full'; house: number };

export interface Nut {
  vertical: Radians;
  lateral: Radians;
  total: Radians;
  lifts: boolean;
  treeTouched: boolean;
  /** What the post alone would give. */
  withoutTree: Radians;
  wanted: Radians;
  downforce: Newtons;
}

/** Everything a technician needs to cut and wind one string, and everything it was computed from. */
export interface WindPlan {
  methods: HouseMethods;
  geometry: PostAndString;
  stretch: Stretch;
  end: End;
  load: LoadedString;
  wind: Wind;
  rule: TurnsRule;
  /** Extra slack that the way of locking takes. */
  allowance: Metres;
  /** Slack to leave, allowance included. */
  slack: Metres;
  cut: Metres;
  /** Slack if the string stretches most, and if least: a band for polymers, a point for steel. */
  slackRange: readonly [Metres, Metres];
  pullBackFret: number | null;
  postSpacings: number | null;
  capacityTurns: number;
  stackHeight: Metres;
  exitHeight: Metres;
  /** Null for a fifth peg, where the string bears on a pip beside the board. */
  nut: Nut | null;
  buttonTurns: number;
  direction: 'anticlockwise' | 'clockwise';
}
