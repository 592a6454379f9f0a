import { pitchOf, postSpacing, stretchingPath, windingDirection, type StringPlace } from '../instrument/index.js';
import { methodsFor, type PostMethod } from '../methods/index.js';
import {
  cutBeyondPost,
  kinkLockAllowance,
  slackForCut,
  slackForTurns,
  takeUp,
  turnHeight,
  turnsForSlack,
  windingCircle,
  wrapsForSlack,
  type PostAndString,
  type Stretch,
  type Wind,
} from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import { centsPerMetre, loadString } from '../tension/index.js';
import { cents, metres, radians, type Metres } from '../units/index.js';
import { capacity, endOf, exitAfter, LEAST_TURNS, nutAfter, outward, type AtThePost } from './at-the-post.js';
import { clampString } from './clamp-string.js';
import { offcutOf } from './offcut.js';
import { retuningRoom } from './retuning-room.js';
import { turnsWanted } from './turns-wanted.js';
import type { PostPlan, WindPlan, WindRequest } from './wind-plan.js';

/** @throws RangeError when the instrument has no such string. A cut too short to reach the post is answered as null. */
export function windString(request: WindRequest): WindPlan | null {
  const place = request.instrument.strings[request.index];
  if (place === undefined) throw new RangeError(`no string at ${request.index}`);
  return place.post.style === 'clamp' ? clampString(request, place) : windRoundPost(request, place);
}

function windRoundPost(
  { instrument, index, string, choices = {}, postThicker, cut, turns: counted }: WindRequest,
  place: StringPlace,
): PostPlan | null {
  const { post } = place;
  const methods = methodsFor({
    family: instrument.family,
    number: index + 1,
    style: post.style,
    anchor: instrument.bridge.anchor,
    string,
    choices,
  });
  const load = loadString(string, place.scaleLength, pitchOf(instrument, place));
  const geometry: PostAndString = {
    postDiameter: metres(post.diameter + (postThicker ?? 0)),
    stringDiameter: string.gauge,
    nutToPost: metres(Math.hypot(post.along, outward(place))),
  };
  const stretch: Stretch = { path: stretchingPath(instrument, place), strain: load.strain, creep: string.creep };
  const end = endOf(place, geometry.postDiameter, methods, string);
  const allowance = OVER_SOMETHING.includes(methods.postMethod) ? kinkLockAllowance(string.gauge) : metres(0);
  const at: AtThePost = { instrument, index, place, string, methods, load, geometry };
  const given = { turns: counted ?? null, rule: { kind: 'house' } as const };
  const { turns, rule } = cut === undefined && counted === undefined ? turnsWanted(at, stretch) : given;
  const outcome =
    turns === null
      ? turnsForSlack(metres(slackForCut(cut ?? metres(0), end) - allowance), geometry, stretch)
      : slackForTurns(turns, geometry, stretch);
  if (!outcome.ok) return null;
  // less than no slack cannot be left: it is pulled tight, and stretch alone makes more turns than are wanted
  const tight = cut === undefined && counted === undefined && methods.turns !== null && outcome.value.slack + allowance < 0;
  const alone = tight ? turnsForSlack(metres(-allowance), geometry, stretch) : outcome;
  const wind = alone.ok ? alone.value : outcome.value;
  const slack = tight && alone.ok ? metres(0) : metres(wind.slack + allowance);
  const mark = cutBeyondPost(slack, end);
  const full = capacity(at);
  const perTurn = 2 * Math.PI * windingCircle(geometry).lengthPerRadian;
  return {
    kind: 'post',
    methods,
    geometry,
    stretch,
    stretched: wind.stretch,
    end,
    load,
    wind,
    rule: tight ? { kind: 'stretch-makes-more', house: methods.turns ?? 0 } : rule,
    allowance,
    slack,
    cut: mark,
    slackRange:
      methods.turns === null || tight ? [slack, slack] : slackRange(wind.turns, { geometry, stretch, string, pull: load.pull, allowance }),
    postSpacing: postSpacing(instrument, index),
    handTurns: wrapsForSlack(wind.slack, geometry),
    capacityTurns: full,
    stackHeight: metres(Math.max(0, wind.turns) * turnHeight(geometry)),
    exitHeight: exitAfter(wind.turns, at),
    nut: nutAfter(wind.turns, at),
    buttonTurns: wind.rotationTurns * instrument.gearRatio,
    centsPerButtonTurn: cents((centsPerMetre(load.strain, stretch.path) * perTurn) / instrument.gearRatio),
    direction: windingDirection(post, instrument.hand),
    holeStands: radians(Math.atan2(outward(place), post.along)),
    bend: end.kind === 'slotted' ? slack : null,
    room: retuningRoom({
      string,
      load,
      path: stretch.path,
      gives: givesBack(wind, methods.turns === null, geometry),
      takes: metres(Math.max(0, full - wind.turns) * perTurn),
    }),
    offcut: offcutOf(instrument.family, string, stretch.path, mark),
  };
}

/** A turn that lies over a folded tail, or over other turns, is longer by half a turn round the string. */
const OVER_SOMETHING: readonly PostMethod[] = ['kink-lock', 'crossing-turn'];

/** In a lock a string holds as long as it has not been let out straight. */
function givesBack({ turns, rotationTurns }: Wind, locked: boolean, geometry: PostAndString): Metres {
  const { tangentAngle } = windingCircle(geometry);
  const at = radians(2 * Math.PI * rotationTurns);
  if (locked) return takeUp(at, geometry);
  if (turns <= LEAST_TURNS) return metres(0);
  return metres(takeUp(at, geometry) - takeUp(radians(2 * Math.PI * LEAST_TURNS + tangentAngle), geometry));
}

interface Stretching {
  geometry: PostAndString;
  stretch: Stretch;
  string: StringProperties;
  pull: number;
  allowance: Metres;
}

function slackRange(turns: number, { geometry, stretch, string, pull, allowance }: Stretching): readonly [Metres, Metres] {
  const slackIf = (stiffness: number, creep: number) => {
    const outcome = slackForTurns(turns, geometry, { ...stretch, strain: pull / stiffness, creep });
    return metres((outcome.ok ? outcome.value.slack : Number.NaN) + allowance);
  };
  const { stiffness, creep } = string.range;
  return [slackIf(stiffness[0], creep[1]), slackIf(stiffness[1], creep[0])];
}
