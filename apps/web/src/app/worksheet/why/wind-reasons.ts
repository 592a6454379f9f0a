import type { Instrument } from '@gold-peg/craft/instrument';
import { ruleOfThumbSlack, secondLayerRise } from '@gold-peg/craft/post';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import type { StringProperties } from '@gold-peg/craft/strings';
import { metres, toMillimetres } from '@gold-peg/craft/units';
import { degrees } from '../../preferences/measures';
import type { Lane } from '../desk/lane';
import { sayCutTime } from '../wind/instruction';
import { pullReason } from './pull-reason';
import { millimetres, type WhyLine } from './why-line';

/** Below this an open string may ring oddly, degrees. */
const RINGS_ODDLY_DEG = 4;
const LITTLE_BAND_MM = 3;

/** Why each number of a lane at Wind is what it is. */
export function windReasons(plan: WindPlan, lane: Lane, string: StringProperties, instrument: Instrument): WhyLine[] {
  const own =
    plan.kind === 'post'
      ? [turns(plan, lane, instrument), slack(plan), stretch(plan, lane), cut(plan), ...nut(plan), capacity(plan)]
      : clamped(plan, lane);
  return [...own, cutTime(plan), room(plan), offcut(plan), pullReason(plan.load, lane, string, instrument)];
}

/** Why so many turns, in one sentence: the rule that won, and the one that lost. */
export function turnsReason(plan: WindPlan, lane: Lane, instrument: Instrument): string {
  if (plan.kind === 'clamp') return plan.methods.reason;
  const { rule, methods, wind, nut: angle } = plan;
  const made = `${wind.turns.toFixed(1)} turns`;
  switch (rule.kind) {
    case 'house':
      return methods.reason;
    case 'raised-for-angle': {
      const helped = instrument.trees.some(({ strings }) => strings.includes(lane.index));
      const noTree = instrument.trees.length > 0 && !helped ? `no tree helps string ${lane.number}; ` : '';
      const oddly =
        (rule.houseAngle * 180) / Math.PI < RINGS_ODDLY_DEG
          ? ' and it may ring oddly'
          : `, under the ${degrees(angle?.wanted ?? rule.houseAngle)} wanted`;
      return `${made}: ${noTree}${rule.house} would leave ${degrees(rule.houseAngle)} over the nut${oddly}`;
    }
    case 'angle-out-of-reach':
      return `${made} give ${degrees(rule.best)} over the nut; the ${degrees(angle?.wanted ?? rule.best)} wanted would take more turns than settle well`;
    case 'post-is-full':
      return `${made}: the post holds no more, ${rule.house} are wanted`;
    case 'straight':
      return `${methods.reason}${rule.low ? '; with no turn to lower it the nut angle is less than wanted: a lower post or a tree helps' : ''}`;
    case 'stretch-makes-more':
      return `no slack at all: stretch to pitch makes more than the ${rule.house} turns wanted; pull it tight before tying`;
  }
}

function turns(plan: PostPlan, lane: Lane, instrument: Instrument): WhyLine {
  return {
    what: 'turns',
    value: plan.wind.turns.toFixed(2),
    rule: turnsReason(plan, lane, instrument),
    from: `the post turns ${plan.wind.rotationTurns.toFixed(2)} times from the straight string, the button ${plan.buttonTurns.toFixed(0)} times; post ${millimetres(plan.geometry.postDiameter, 2)} thick${thicker(plan, lane)}`,
  };
}

function thicker({ geometry }: PostPlan, { place }: Lane): string {
  const more = geometry.postDiameter - place.post.diameter;
  return Math.abs(more) < 1e-6 ? '' : `, noted as ${millimetres(place.post.diameter, 2)}, corrected by the turns that were counted`;
}

function slack({ wind, slack: length, allowance, geometry, slackRange }: PostPlan): WhyLine {
  const allow = allowance > 0 ? ` + half a turn over the lock ${millimetres(allowance)}` : '';
  const takenUp = wind.slack + wind.stretch;
  const band =
    toMillimetres(metres(slackRange[1] - slackRange[0])) > LITTLE_BAND_MM
      ? ` From ${millimetres(slackRange[0], 0)} to ${millimetres(slackRange[1], 0)} as it stretches more or less.`
      : '';
  return {
    what: 'slack',
    value: millimetres(length),
    rule: 'what the post takes up for the turns, less what stretch brings, plus what the lock takes',
    from: `${millimetres(takenUp)} taken up − ${millimetres(wind.stretch)} stretch${allow}; rule of thumb, turns × π × (post ${millimetres(geometry.postDiameter)} + string ${millimetres(geometry.stringDiameter, 2)}) = ${millimetres(ruleOfThumbSlack(wind.turns, geometry), 0)}.${band}`,
  };
}

function stretch({ stretch: { path, strain, creep }, stretched }: WindPlan, lane: Lane): WhyLine {
  return {
    what: 'stretch',
    value: millimetres(stretched),
    rule: 'path × ln(1 + strain + creep): all string from anchor to post stretches',
    from: `path ${millimetres(path, 0)}, strain at ${lane.place.note} ${(100 * strain).toFixed(2)} %, creep ${(100 * creep).toFixed(1)} %`,
  };
}

function cut({ cut: mark, slack: length, end }: PostPlan): WhyLine {
  const needs =
    end.kind === 'slotted'
      ? `depth of the post ${millimetres(end.holeDepth)}`
      : `half the post ${millimetres(end.postDiameter / 2)} + tail ${millimetres(end.tail)}`;
  return {
    what: 'cut mark',
    value: `${millimetres(mark)} past the post`,
    rule: 'slack and what the end needs, measured on the string held just taut',
    from: `slack ${millimetres(length)} + ${needs}`,
  };
}

function clamped(plan: ClampPlan, lane: Lane): WhyLine[] {
  const { screw, slack: arc, grip, cut: mark, stretched } = plan;
  return [
    {
      what: 'cut mark',
      value: `${millimetres(mark)} past the clamp`,
      rule: 'a small arc of slack, and what the clamp grips: the end is drawn a millimetre inside it',
      from: `slack ${millimetres(arc)} + grip ${millimetres(grip)}`,
    },
    {
      what: 'screw',
      value: `${millimetres(screw.used)} of ${millimetres(screw.travel, 0)}`,
      rule: 'the screw draws the slack first, then the stretch to pitch; what is left is all there is to tune up',
      from: `slack ${millimetres(arc)} + stretch ${millimetres(stretched)} = ${screw.turns.toFixed(1)} turns of the screw`,
    },
    stretch(plan, lane),
  ];
}

function nut(plan: PostPlan): WhyLine[] {
  if (plan.nut === null) return [];
  const { vertical, lateral, total, wanted, downforce, treeTouched, otherWay } = plan.nut;
  return [
    {
      what: 'nut angle',
      value: degrees(vertical),
      rule: treeTouched
        ? 'the tree or bar presses lower than the post alone: its drop over its distance'
        : 'from the slot down to where the string leaves the post',
      from: `leaves the post ${millimetres(plan.exitHeight)} above the face; sideways ${degrees(lateral)}, wound the other way ${degrees(otherWay)}; in space ${degrees(total)}; wanted ${degrees(wanted)}; presses ${downforce.toFixed(0)} N into the slot`,
    },
  ];
}

function capacity({ capacityTurns, stackHeight, geometry }: PostPlan): WhyLine {
  return {
    what: 'room on the post',
    value: `${capacityTurns.toFixed(1)} turns`,
    rule: 'one layer from the hole down to the face, or along a roller to the wall of its slot',
    from: `these turns stack ${millimetres(stackHeight)} high; more would ride in a second layer, ${millimetres(secondLayerRise(geometry.stringDiameter), 2)} farther out, press the first apart and slip`,
  };
}

const cutTime = ({ methods }: WindPlan): WhyLine => ({
  what: 'when to cut',
  value: { 'before-winding': 'now', 'after-it-holds': 'later', 'bend-first': 'bend first' }[methods.cut.when],
  rule: sayCutTime(methods.cut),
  from: 'from the post and the string; where they leave a choice, from the ways in force',
});

function room({ room: { down, up }, stretch: { path } }: WindPlan): WhyLine {
  const below =
    down.stops === 'slack-first'
      ? 'goes slack before the wind runs out'
      : `${down.semitones.toFixed(1)} semitones, then less than a turn holds it`;
  return {
    what: 'retuning',
    value: `up ${up.semitones.toFixed(1)}`,
    rule: `up ${up.semitones.toFixed(1)} semitones, then ${up.stops === 'full' ? 'nothing more can be taken up' : 'it comes under the safe share of its breaking load'}; down: ${below}`,
    from: `string given back or taken up changes ln(1 + strain) by its length over the path of ${millimetres(path, 0)}; pitch follows √(pull × (1 + strain))`,
  };
}

function offcut({ offcut: left }: WindPlan): WhyLine {
  return {
    what: 'offcut',
    value: left === null ? 'none' : `${(left.mass * 1000).toFixed(2)} g`,
    rule: 'what is left of a string of usual length, times its mass per metre: weigh it to check that it is the right string',
    from: left === null ? 'a string of usual length would not reach the mark' : `${millimetres(left.length, 0)} of it`,
  };
}
