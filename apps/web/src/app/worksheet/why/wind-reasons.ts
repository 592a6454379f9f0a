import type { Instrument } from '@gold-peg/craft/instrument';
import { hardPluck } from '@gold-peg/craft/nut';
import { saddleBreak } from '@gold-peg/craft/saddle';
import { ruleOfThumbSlack, secondLayerRise } from '@gold-peg/craft/post';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import type { StringProperties } from '@gold-peg/craft/strings';
import { metres, radians, toMillimetres, type Metres } from '@gold-peg/craft/units';
import { degrees, sayTurns } from '../../preferences/measures';
import type { Lane } from '../../lane/lane';
import { sayCutTime } from '../wind-words';
import { pullReason } from './pull-reason';
import type { SayLong, WhyLine } from './why-line';

const LITTLE_BAND_MM = 3;

interface WindAsked {
  lane: Lane;
  string: StringProperties;
  instrument: Instrument;
  /** As it was measured; null where nobody did. */
  saddleHeight: Metres | null;
  long: SayLong;
}

/** Why each number of a lane at Wind is what it is. */
export function windReasons(plan: WindPlan, { lane, string, instrument, saddleHeight, long }: WindAsked): WhyLine[] {
  const own =
    plan.kind === 'post'
      ? [
          turns(plan, lane, instrument, long),
          slack(plan, long),
          stretch(plan, lane, long),
          cut(plan, long),
          nearPitch(plan, long),
          ...nut(plan, long),
          capacity(plan, long),
        ]
      : clamped(plan, lane, long);
  return [
    ...own,
    ...saddle(plan, instrument, saddleHeight, long),
    cutTime(plan),
    room(plan, long),
    offcut(plan, long),
    pullReason(plan.load, lane, string, instrument, long),
  ];
}

/** Why so many turns, in one sentence: the rule that won, and the one that lost. */
export function turnsReason(plan: WindPlan, lane: Lane, instrument: Instrument, long: SayLong): string {
  if (plan.kind === 'clamp') return plan.methods.reason;
  const { rule, methods, wind, nut: angle } = plan;
  const made = sayTurns(wind.turns);
  const wanted = degrees(angle?.wanted ?? radians(0));
  switch (rule.kind) {
    case 'house':
      return methods.reason;
    case 'kept-though-low': {
      const would = rule.needed === null ? 'no turns would reach' : `${sayTurns(rule.needed)} would reach`;
      return `${methods.reason}: ${degrees(rule.angle)} over the nut, ${lowBecause(instrument, long)}; a turn more gives ${degrees(rule.perTurn)}, ${would} the ${wanted} wanted; a tree helps too`;
    }
    case 'tree-sets-angle':
      return `${methods.reason}; the ${treeName(lane, instrument)} sets ${degrees(rule.angle)} over the nut, ${lowBecause(instrument, long)}: more turns change nothing, a lower one does`;
    case 'at-most':
      return `${made}, at most: ${rule.house} are wanted`;
    case 'raised-for-angle':
      return `${made}: ${noTree(lane, instrument)}${sayTurns(rule.house)} would leave ${degrees(rule.houseAngle)} over the nut, ${lowBecause(instrument, long)}`;
    case 'angle-out-of-reach':
      return `${made} give ${degrees(rule.best)} over the nut: ${noTree(lane, instrument)}the ${wanted} wanted would take more turns than settle well`;
    case 'post-is-full':
      return `${made}: the post holds no more, ${rule.house} are wanted`;
    case 'straight':
      return `${methods.reason}${rule.low ? `; over the nut it is ${lowBecause(instrument, long)}: a lower post or a tree helps` : ''}`;
    case 'stretch-makes-more':
      return `pull it tight before tying: stretch to pitch alone makes ${made}, more than the ${rule.house} wanted`;
  }
}

const treeOf = ({ index }: Lane, { trees }: Instrument) => trees.find(({ strings }) => strings.includes(index));
const treeName = (lane: Lane, instrument: Instrument) => treeOf(lane, instrument)?.kind ?? 'tree';
const noTree = (lane: Lane, instrument: Instrument): string =>
  instrument.trees.length > 0 && treeOf(lane, instrument) === undefined ? `no tree helps string ${lane.number}; ` : '';

/** Why a string that is low over the nut is: what a hard pluck brings back to it. */
function lowBecause({ family }: Pick<Instrument, 'family'>, long: SayLong): string {
  const { aside, fromBridge, slope } = hardPluck(family);
  return `low: plucked ${long(aside, 0)} aside ${long(fromBridge, 0)} from the bridge it comes back at ${degrees(slope)}, and lifts where it breaks by less`;
}

function turns(plan: PostPlan, lane: Lane, instrument: Instrument, long: SayLong): WhyLine {
  return {
    what: 'turns',
    value: plan.wind.turns.toFixed(2),
    rule: turnsReason(plan, lane, instrument, long),
    from: `the post turns ${plan.wind.rotationTurns.toFixed(2)} times from the straight string, the button ${plan.buttonTurns.toFixed(0)} times; post ${long(plan.geometry.postDiameter, 2)} thick${thicker(plan, lane, long)}`,
  };
}

function thicker({ geometry }: PostPlan, { place }: Lane, long: SayLong): string {
  const more = geometry.postDiameter - place.post.diameter;
  return Math.abs(more) < 1e-6 ? '' : `, noted as ${long(place.post.diameter, 2)}, corrected by the turns that were counted`;
}

function slack({ wind, slack: length, allowance, geometry, slackRange }: PostPlan, long: SayLong): WhyLine {
  const allow = allowance > 0 ? ` + half a turn over the lock ${long(allowance)}` : '';
  const takenUp = wind.slack + wind.stretch;
  const band =
    toMillimetres(metres(slackRange[1] - slackRange[0])) > LITTLE_BAND_MM
      ? ` From ${long(slackRange[0], 0)} to ${long(slackRange[1], 0)} as it stretches more or less.`
      : '';
  return {
    what: 'slack',
    value: long(length),
    rule: 'what the post takes up for the turns, less what stretch brings, plus what the lock takes',
    from: `${long(takenUp)} taken up − ${long(wind.stretch)} stretch${allow}; rule of thumb, turns × π × (post ${long(geometry.postDiameter)} + string ${long(geometry.stringDiameter, 2)}) = ${long(ruleOfThumbSlack(wind.turns, geometry), 0)}.${band}`,
  };
}

function stretch({ stretch: { path, strain, creep }, stretched }: WindPlan, lane: Lane, long: SayLong): WhyLine {
  return {
    what: 'stretch',
    value: long(stretched),
    rule: 'path × ln(1 + strain + creep): all string from anchor to post stretches',
    from: `path ${long(path, 0)}, strain at ${lane.place.note} ${(100 * strain).toFixed(2)} %, creep ${(100 * creep).toFixed(1)} %`,
  };
}

function cut({ cut: mark, slack: length, end }: PostPlan, long: SayLong): WhyLine {
  const needs =
    end.kind === 'slotted'
      ? `the bend lies there, and the depth of the post ${long(end.holeDepth)} beyond it`
      : `half the post ${long(end.postDiameter / 2)} + tail ${long(end.tail)}`;
  return {
    what: 'cut mark',
    value: `${long(mark)} past the post`,
    rule: 'slack and what the end needs, measured on the string held just taut',
    from: `slack ${long(length)} + ${needs}`,
  };
}

function clamped(plan: ClampPlan, lane: Lane, long: SayLong): WhyLine[] {
  const { screw, slack: arc, grip, cut: mark, stretched } = plan;
  return [
    {
      what: 'cut mark',
      value: `${long(mark)} past the clamp`,
      rule: 'a small arc of slack, and what the clamp grips: the end is drawn a millimetre inside it',
      from: `slack ${long(arc)} + grip ${long(grip)}`,
    },
    {
      what: 'screw',
      value: `${long(screw.used)} of ${long(screw.travel, 0)}`,
      rule: 'the screw draws the slack first, then the stretch to pitch; what is left is all there is to tune up',
      from: `slack ${long(arc)} + stretch ${long(stretched)} = ${screw.turns.toFixed(1)} turns of the screw`,
    },
    stretch(plan, lane, long),
  ];
}

function nut(plan: PostPlan, long: SayLong): WhyLine[] {
  if (plan.nut === null) return [];
  const { vertical, lateral, total, wanted, lowBelow, downforce, treeTouched, otherWay, hang } = plan.nut;
  const { holeStands } = plan;
  return [
    {
      what: 'nut angle',
      value: degrees(vertical),
      rule: treeTouched
        ? 'the tree or bar presses lower than the post alone: its drop over its distance'
        : 'from the slot down to where the string leaves the post',
      from: `leaves the post ${long(plan.exitHeight)} above the face; sideways ${degrees(lateral)}, wound the other way ${degrees(otherWay)}; in space ${degrees(total)}; wanted ${degrees(wanted)}, low under ${degrees(lowBelow)}; the empty hole stands ${degrees(holeStands)} outward, in line with the string; presses ${downforce.toFixed(0)} N into the slot`,
    },
    {
      what: 'hang at the nut',
      value: `${hang.likely.toFixed(0)} ¢`,
      rule: 'estimate: so far it jumps when it hung in its slot and lets go with a ping; come up from below, and stretch it until it has',
      from: `friction e^(μ × ${degrees(total)}), shared by the string on both sides of the nut: ${hang.low.toFixed(0)} ¢ where the slot slides, ${hang.high.toFixed(0)} ¢ where it binds`,
    },
  ];
}

const nearPitch = ({ centsPerButtonTurn: turn, stretch: { path, strain } }: PostPlan, long: SayLong): WhyLine => ({
  what: 'near pitch',
  value: `${turn.toFixed(0)} ¢`,
  rule: 'for one turn of the button: what a turn draws past the nut, spread over all string from anchor to post',
  from: `cents rise by 866 × (1/strain + 1/(1 + strain)) × (1 + strain) for the path of ${long(path, 0)}, at strain ${(100 * strain).toFixed(2)} %`,
});

/** How it presses on the saddle; nothing where the saddle turns with the bridge. */
function saddle({ load }: WindPlan, { bridge }: Instrument, measured: Metres | null, long: SayLong): WhyLine[] {
  const over = saddleBreak(bridge.anchor, load.pull, measured);
  if (over === null) return [];
  const low = over.likely < over.lowBelow;
  return [
    {
      what: 'saddle angle',
      value: degrees(over.likely),
      rule: `estimate: down from the saddle to where the string goes on${low ? '; low: it moves on its saddle when played hard, a higher saddle or a lower tailpiece helps' : ''}`,
      from: `${degrees(over.low)} to ${degrees(over.high)} on bridges of this kind${measured === null ? ', saddle not measured' : `, saddle measured ${long(measured, 1)} high`}; presses ${over.downforce.toFixed(0)} N; low under ${degrees(over.lowBelow)}`,
    },
  ];
}

function capacity({ capacityTurns, stackHeight, geometry }: PostPlan, long: SayLong): WhyLine {
  return {
    what: 'room on the post',
    value: `${capacityTurns.toFixed(1)} turns`,
    rule: 'one layer from the hole down to the face, or along a roller to the wall of its slot',
    from: `these turns stack ${long(stackHeight)} high; more would ride in a second layer, ${long(secondLayerRise(geometry.stringDiameter), 2)} farther out, press the first apart and slip`,
  };
}

const cutTime = ({ methods }: WindPlan): WhyLine => ({
  what: 'when to cut',
  value: { 'before-winding': 'now', 'after-winding': 'once wound', 'after-it-holds': 'later', 'bend-first': 'bend first' }[
    methods.cut.when
  ],
  rule: sayCutTime(methods.cut),
  from: 'from the post and the string; where they leave a choice, from the ways in force',
});

function room({ room: { down, up }, stretch: { path } }: WindPlan, long: SayLong): WhyLine {
  const below =
    down.stops === 'slack-first'
      ? 'goes slack before the wind runs out'
      : `${down.semitones.toFixed(1)} semitones, then less than a turn holds it`;
  return {
    what: 'retuning',
    value: `up ${up.semitones.toFixed(1)}`,
    rule: `up ${up.semitones.toFixed(1)} semitones, then ${up.stops === 'full' ? 'nothing more can be taken up' : 'it comes under the safe share of its breaking load'}; down: ${below}`,
    from: `string given back or taken up changes ln(1 + strain) by its length over the path of ${long(path, 0)}; pitch follows √(pull × (1 + strain))`,
  };
}

function offcut({ offcut: left }: WindPlan, long: SayLong): WhyLine {
  return {
    what: 'offcut',
    value: left === null ? 'none' : `${(left.mass * 1000).toFixed(2)} g`,
    rule: 'what is left of a string of usual length, times its mass per metre: weigh it to check that it is the right string',
    from: left === null ? 'a string of usual length would not reach the mark' : `${long(left.length, 0)} of it`,
  };
}
