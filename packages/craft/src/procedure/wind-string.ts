import { NUT } from '../constants/index.js';
import { postSpacing, stretchingPath, windingDirection, type Instrument, type StringPlace } from '../instrument/index.js';
import { breakAngle, downforce, rollerBreakAngle, turnsForAngle, type NutRun } from '../nut/index.js';
import {
  capacityBelow,
  cutBeyondPost,
  exitHeight,
  inPostSpacings,
  kinkLockAllowance,
  kinkLockTail,
  pullBackFret,
  slackForCut,
  slackForTurns,
  turnHeight,
  turnsForSlack,
  windingCircle,
  type End,
  type PostAndString,
  type Stretch,
  type Wind,
} from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { loadString, type LoadedString } from '../tension/index.js';
import { frequencyOf, fromDegrees, metres, type Metres, type Newtons, type Radians } from '../units/index.js';
import { builtInMethods, type HouseMethods } from './house-methods.js';

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

/** What one lane of the Wind stage needs. `cut` overrides the turns wanted: the plan then says what that cut gives. */
export interface WindRequest {
  instrument: Instrument;
  index: number;
  string: StringProperties;
  cut?: Metres;
}

/** @throws RangeError when the instrument has no such string. A cut too short to reach the post is answered as null. */
export function windString({ instrument, index, string, cut }: WindRequest): WindPlan | null {
  const place = instrument.strings[index];
  if (place === undefined) throw new RangeError(`no string at ${index}`);
  const { post } = place;
  const methods = builtInMethods(instrument.family, post.style, string);
  const load = loadString(string, place.scaleLength, frequencyOf(place.note, instrument.a4));
  const geometry: PostAndString = {
    postDiameter: post.diameter,
    stringDiameter: string.gauge,
    nutToPost: metres(Math.hypot(post.along, outward(place))),
  };
  const stretch: Stretch = { path: stretchingPath(instrument, place), strain: load.strain, creep: string.creep };
  const end = endOf(place, methods, string);
  const allowance = methods.postMethod === 'kink-lock' ? kinkLockAllowance(string.gauge) : metres(0);
  const context: Context = { instrument, index, place, string, methods, load, geometry };
  const { turns, rule } = cut === undefined ? turnsWanted(context) : { turns: null, rule: { kind: 'house' } as const };
  const outcome =
    turns === null
      ? turnsForSlack(metres(slackForCut(cut ?? metres(0), end) - allowance), geometry, stretch)
      : slackForTurns(turns, geometry, stretch);
  if (!outcome.ok) return null;
  const wind = outcome.value;
  const slack = metres(wind.slack + allowance);
  const spacing = postSpacing(instrument, index);
  return {
    methods,
    geometry,
    stretch,
    end,
    load,
    wind,
    rule,
    allowance,
    slack,
    cut: cutBeyondPost(slack, end),
    slackRange: slackRange(wind.turns, geometry, stretch, string, load.pull, allowance),
    pullBackFret: pullBackFret(slack, place.scaleLength),
    postSpacings: spacing === null || slack < 0 ? null : inPostSpacings(slack, spacing),
    capacityTurns: capacity(context),
    stackHeight: metres(Math.max(0, wind.turns) * turnHeight(geometry)),
    exitHeight: exitAfter(wind.turns, context),
    nut: nutAfter(wind.turns, context),
    buttonTurns: wind.rotationTurns * instrument.gearRatio,
    direction: windingDirection(post),
  };
}

interface Context {
  instrument: Instrument;
  index: number;
  place: StringPlace;
  string: StringProperties;
  methods: HouseMethods;
  load: LoadedString;
  geometry: PostAndString;
}

/** From the line of the slot to the post, away from the centre line. */
function outward({ post, slotSideways }: StringPlace): number {
  return post.side === 'bass' ? post.sideways - slotSideways : slotSideways - post.sideways;
}

function endOf({ post }: StringPlace, { postMethod, stub }: HouseMethods, string: StringProperties): End {
  if (post.holeDepth !== null) return { kind: 'slotted', holeDepth: post.holeDepth };
  const tail = postMethod === 'kink-lock' ? kinkLockTail(post.diameter, string.gauge, stub) : stub;
  return { kind: 'through', postDiameter: post.diameter, tail };
}

/** House turns, raised where the break over the nut asks for more, bounded by what the post can hold and by what still settles well. */
function turnsWanted(context: Context): { turns: number; rule: TurnsRule } {
  const { place, methods, geometry } = context;
  const house = methods.turns;
  const run = runOf(context);
  const full = capacity(context);
  if (house > full) return { turns: full, rule: { kind: 'post-is-full', house } };
  if (run === null) return { turns: house, rule: { kind: 'house' } };
  const needed = turnsForAngle(wantedAngle(context), run, place.post.holeHeight, methods.turnsAbove, geometry);
  if (needed.kind === 'turns' && needed.turns <= house) return { turns: house, rule: { kind: 'house' } };
  const houseAngle = angleAfter(house, context);
  const most = Math.min(full, methods.mostTurns);
  if (needed.kind === 'turns' && needed.turns <= most)
    return { turns: needed.turns, rule: { kind: 'raised-for-angle', house, houseAngle } };
  const best = angleAfter(most, context);
  // under a tree that carries the string, more turns change nothing
  return { turns: best > houseAngle ? most : house, rule: { kind: 'angle-out-of-reach', house, best } };
}

const angleAfter = (turns: number, context: Context): Radians => nutAfter(turns, context)?.vertical ?? wantedAngle(context);

function capacity({ place, methods, geometry }: Context): number {
  const { style, diameter, holeHeight } = place.post;
  // beside the hole of a roller or a side peg there is room for a shaft's width of turns
  if (style === 'roller' || style === 'side-peg') return (2 * diameter) / geometry.stringDiameter;
  return methods.turnsAbove + capacityBelow(holeHeight, geometry);
}

function wantedAngle({ instrument, index, string }: Context): Radians {
  const helped = instrument.trees.some(({ strings }) => strings.includes(index));
  const unaidedBass = instrument.family === 'bass' && string.construction === 'wound' && !helped;
  return fromDegrees(unaidedBass ? NUT.wantedAngleUnaidedBass.value : NUT.wantedAngleGuitar.value);
}

/** The run from nut to a post that stands on the face; null for rollers and side pegs, which stand otherwise. */
function runOf({ instrument, index, place, geometry }: Context): Omit<NutRun, 'exitHeight'> | null {
  if (place.post.style === 'roller' || place.post.style === 'side-peg') return null;
  const tree = instrument.trees.find(({ strings }) => strings.includes(index));
  return {
    headstockAngle: instrument.headstock.angle,
    faceDrop: instrument.headstock.faceDrop,
    along: place.post.along,
    sideways: metres(outward(place)),
    windingRadius: windingCircle(geometry).radius,
    flank: 'inside',
    tree: tree === undefined ? null : { distance: tree.along, drop: tree.drop },
  };
}

function exitAfter(turns: number, { place, methods, geometry }: Context): Metres {
  if (place.post.style === 'roller') return metres(place.post.holeHeight + windingCircle(geometry).radius);
  return exitHeight(place.post.holeHeight, turns - methods.turnsAbove, geometry);
}

function nutAfter(turns: number, context: Context): Nut | null {
  const { instrument, place, geometry, load } = context;
  if (place.post.style === 'side-peg') return null;
  const run = runOf(context);
  const angle =
    run === null
      ? {
          ...rollerBreakAngle({
            headstockAngle: instrument.headstock.angle,
            faceDrop: instrument.headstock.faceDrop,
            along: place.post.along,
            sideways: metres(outward(place)),
            axisHeight: place.post.holeHeight,
            windingRadius: windingCircle(geometry).radius,
          }),
          treeTouched: false,
        }
      : breakAngle({ ...run, exitHeight: exitAfter(turns, context) });
  return { ...angle, wanted: wantedAngle(context), downforce: downforce(load.pull, angle.vertical) };
}

function slackRange(
  turns: number,
  geometry: PostAndString,
  stretch: Stretch,
  string: StringProperties,
  pull: Newtons,
  allowance: Metres,
): readonly [Metres, Metres] {
  const slackIf = (stiffness: number, creep: number) => {
    const outcome = slackForTurns(turns, geometry, { ...stretch, strain: pull / stiffness, creep });
    return metres((outcome.ok ? outcome.value.slack : Number.NaN) + allowance);
  };
  const { stiffness, creep } = string.range;
  return [slackIf(stiffness[0], creep[1]), slackIf(stiffness[1], creep[0])];
}
