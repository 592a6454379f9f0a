import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { ruleOfThumbSlack } from '@gold-peg/craft/post';
import { metres, toMillimetres } from '@gold-peg/craft/units';
import type { StringProperties } from '@gold-peg/craft/strings';
import { degrees } from '../../preferences/measures';
import type { Lane } from '../desk/lane';
import { pullReason } from './pull-reason';
import { millimetres, type WhyLine } from './why-line';

/** Why each number of a lane at Wind is what it is. */
export function windReasons(plan: WindPlan, lane: Lane, string: StringProperties, instrument: Instrument): WhyLine[] {
  return [
    turns(plan),
    slack(plan),
    stretch(plan, lane),
    cut(plan),
    ...nut(plan),
    pullReason(plan.load, lane, string, instrument),
    capacity(plan),
  ];
}

/** Why so many turns, in one sentence: the rule that won, and the one that lost. */
export function turnsReason({ rule, methods, wind, nut }: WindPlan): string {
  switch (rule.kind) {
    case 'house':
      return methods.reason;
    case 'raised-for-angle':
      return `${wind.turns.toFixed(1)} turns: the house's ${rule.house} would leave ${degrees(rule.houseAngle)} over the nut, under the ${degrees(nut?.wanted ?? rule.houseAngle)} wanted`;
    case 'angle-out-of-reach':
      return `${wind.turns.toFixed(1)} turns give ${degrees(rule.best)} over the nut; the ${degrees(nut?.wanted ?? rule.best)} wanted would take more turns than settle well`;
    case 'post-is-full':
      return `${wind.turns.toFixed(1)} turns: the post holds no more, the house would like ${rule.house}`;
  }
}

function turns(plan: WindPlan): WhyLine {
  return {
    what: 'turns',
    value: plan.wind.turns.toFixed(2),
    rule: turnsReason(plan),
    from: `the post turns ${plan.wind.rotationTurns.toFixed(2)} times from the straight string, the button ${plan.buttonTurns.toFixed(0)} times`,
  };
}

function slack({ wind, slack: length, allowance, geometry, slackRange }: WindPlan): WhyLine {
  const allow = allowance > 0 ? ` + half a turn over the lock ${millimetres(allowance)}` : '';
  const takenUp = wind.slack + wind.stretch;
  const band =
    toMillimetres(metres(slackRange[1] - slackRange[0])) > 3
      ? ` From ${millimetres(slackRange[0], 0)} to ${millimetres(slackRange[1], 0)} as it stretches more or less.`
      : '';
  return {
    what: 'slack',
    value: millimetres(length),
    rule: 'what the post takes up for the turns, less what stretch brings, plus what the lock takes',
    from: `${millimetres(takenUp)} taken up − ${millimetres(wind.stretch)} stretch${allow}; rule of thumb, turns × π × (post ${millimetres(geometry.postDiameter)} + string ${millimetres(geometry.stringDiameter, 2)}) = ${millimetres(ruleOfThumbSlack(wind.turns, geometry), 0)}.${band}`,
  };
}

function stretch({ stretch: { path, strain, creep }, wind }: WindPlan, lane: Lane): WhyLine {
  return {
    what: 'stretch',
    value: millimetres(wind.stretch),
    rule: 'path × ln(1 + strain + creep): all string from anchor to post stretches',
    from: `path ${millimetres(path, 0)}, strain at ${lane.place.note} ${(100 * strain).toFixed(2)} %, creep ${(100 * creep).toFixed(1)} %`,
  };
}

function cut({ cut: mark, slack: length, end }: WindPlan): WhyLine {
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

function nut(plan: WindPlan): WhyLine[] {
  if (plan.nut === null) return [];
  const { vertical, lateral, total, wanted, downforce, treeTouched } = plan.nut;
  return [
    {
      what: 'nut angle',
      value: degrees(vertical),
      rule: treeTouched
        ? 'the tree presses lower than the post alone: its drop over its distance'
        : 'from the slot down to where the string leaves the post',
      from: `leaves the post ${millimetres(plan.exitHeight)} above the face; sideways ${degrees(lateral)}, in space ${degrees(total)}; wanted ${degrees(wanted)}; presses ${downforce.toFixed(0)} N into the slot`,
    },
  ];
}

function capacity({ capacityTurns, stackHeight }: WindPlan): WhyLine {
  return {
    what: 'room on the post',
    value: `${capacityTurns.toFixed(1)} turns`,
    rule: 'one layer from the hole down to the face',
    from: `these turns stack ${millimetres(stackHeight)} high`,
  };
}
