import type { Direction, Instrument } from '../instrument/index.js';
import type { HouseMethods, LayeredChoices } from '../methods/index.js';
import type { Hang } from '../nut/index.js';
import type { End, PostAndString, Stretch, Wind } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import type { LoadedString } from '../tension/index.js';
import type { Cents, Metres, Newtons, Radians } from '../units/index.js';
import type { Offcut } from './offcut.js';
import type { RetuningRoom } from './retuning-room.js';

/** What one lane of the Wind stage needs. `cut` overrides the turns wanted: the plan then says what that cut gives. */
export interface WindRequest {
  instrument: Instrument;
  index: number;
  string: StringProperties;
  choices?: LayeredChoices;
  /** How much thicker the post proved than it is noted, learned from counted turns. */
  postThicker?: Metres;
  cut?: Metres;
  /** Turns that lie on the post, as they were counted: the plan then says what they come to. */
  turns?: number;
}

/** Which rule decided the turns; the one that lost is told beside it. */
export type TurnsRule =
  | { kind: 'house' }
  /** Somebody's own turns break the string over the nut by less than is wanted; so many would do, null where none would. They are kept. */
  | { kind: 'kept-though-low'; house: number; angle: Radians; needed: number | null; perTurn: Radians }
  /** The tree presses lower than any turns would: they change nothing. */
  | { kind: 'tree-sets-angle'; house: number; angle: Radians }
  /** Fewer than are wanted, by the limit that somebody set. */
  | { kind: 'at-most'; house: number }
  | { kind: 'raised-for-angle'; house: number; houseAngle: Radians }
  | { kind: 'angle-out-of-reach'; house: number; houseAngle: Radians; best: Radians }
  | { kind: 'post-is-full'; house: number }
  /** Locked straight: whatever turns that makes. `low`: with no turn to lower it, it breaks over the nut by less than is wanted. */
  | { kind: 'straight'; low: boolean }
  /** More turns come from stretch alone than are wanted. */
  | { kind: 'stretch-makes-more'; house: number };

export interface Nut {
  vertical: Radians;
  lateral: Radians;
  total: Radians;
  lifts: boolean;
  treeTouched: boolean;
  /** What the post alone would give. */
  withoutTree: Radians;
  /** Sideways angle if it were wound the other way. */
  otherWay: Radians;
  wanted: Radians;
  /** Under this it is low: it may lift when plucked hard. */
  lowBelow: Radians;
  low: boolean;
  downforce: Newtons;
  /** By how much it may hang in its slot. */
  hang: Hang;
}

/** What any string needs, however it is held. */
interface Held {
  methods: HouseMethods;
  stretch: Stretch;
  load: LoadedString;
  /** Length that arrives by stretching. */
  stretched: Metres;
  /** Slack to leave, whatever the lock takes included. */
  slack: Metres;
  /** Slack if the string stretches most, and if least: a band for polymers, a point for steel. */
  slackRange: readonly [Metres, Metres];
  /** From the post's axis, or a clamp's near face, along the string held just taut. */
  cut: Metres;
  room: RetuningRoom;
  /** Null where a string as sold would not be long enough. */
  offcut: Offcut | null;
}

/** Everything a technician needs to cut and wind one string round its post, and everything it was computed from. */
export interface PostPlan extends Held {
  kind: 'post';
  geometry: PostAndString;
  end: End;
  wind: Wind;
  rule: TurnsRule;
  /** Extra slack that the way of locking takes. */
  allowance: Metres;
  postSpacing: Metres | null;
  /** Turns to wrap by hand before the end goes through, for those who wrap first. */
  handTurns: number;
  capacityTurns: number;
  stackHeight: Metres;
  exitHeight: Metres;
  /** Null for a fifth peg, where the string bears on a pip beside the board. */
  nut: Nut | null;
  buttonTurns: number;
  /** What one turn of the button brings near pitch. */
  centsPerButtonTurn: Cents;
  direction: Direction;
  /** How the empty hole of the post stands before the string goes in: from the centre line of the neck, outward positive. In line with the string. */
  holeStands: Radians;
  /** Of a slotted post, where the string is bent square, from the post's axis: the cut lies beyond it by the depth of the hole. Null where the end is not bent. */
  bend: Metres | null;
}

/** A string held in a clamp at the head and drawn up by a screw at the bridge. */
export interface ClampPlan extends Held {
  kind: 'clamp';
  grip: Metres;
  screw: {
    travel: Metres;
    /** Travel that brings it to pitch: slack and stretch. */
    used: Metres;
    turns: number;
    /** Below zero: the screw runs out before the string is at pitch. */
    left: Metres;
  };
}

export type WindPlan = PostPlan | ClampPlan;
