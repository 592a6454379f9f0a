import { pitchOf, postSpacing, stretchingPath, windingDirection, type Instrument } from '../instrument/index.js';
import {
  cutBeyondPost,
  inPostSpacings,
  kinkLockAllowance,
  pullBackFret,
  slackForCut,
  slackForTurns,
  turnHeight,
  turnsForSlack,
  type PostAndString,
  type Stretch,
} from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { loadString } from '../tension/index.js';
import { metres, type Metres, type Newtons } from '../units/index.js';
import { capacity, endOf, exitAfter, nutAfter, outward, type AtThePost } from './at-the-post.js';
import { builtInMethods } from './house-methods.js';
import { turnsWanted } from './turns-wanted.js';
import type { WindPlan } from './wind-plan.js';

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
  const load = loadString(string, place.scaleLength, pitchOf(instrument, place));
  const geometry: PostAndString = {
    postDiameter: post.diameter,
    stringDiameter: string.gauge,
    nutToPost: metres(Math.hypot(post.along, outward(place))),
  };
  const stretch: Stretch = { path: stretchingPath(instrument, place), strain: load.strain, creep: string.creep };
  const end = endOf(place, methods, string);
  const allowance = methods.postMethod === 'kink-lock' ? kinkLockAllowance(string.gauge) : metres(0);
  const at: AtThePost = { instrument, index, place, string, methods, load, geometry };
  const { turns, rule } = cut === undefined ? turnsWanted(at) : { turns: null, rule: { kind: 'house' } as const };
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
    capacityTurns: capacity(at),
    stackHeight: metres(Math.max(0, wind.turns) * turnHeight(geometry)),
    exitHeight: exitAfter(wind.turns, at),
    nut: nutAfter(wind.turns, at),
    buttonTurns: wind.rotationTurns * instrument.gearRatio,
    direction: windingDirection(post),
  };
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
