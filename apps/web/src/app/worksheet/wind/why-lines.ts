import type { Instrument } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { ruleOfThumbSlack } from '@gold-peg/craft/post';
import { metres, toMillimetres } from '@gold-peg/craft/units';
import { degrees } from '../../preferences/measures';
import type { Lane } from '../desk/lane';

/** One number of a lane with the rule it came from and the values that went in. */
export interface WhyLine {
  what: string;
  value: string;
  rule: string;
  from: string;
}

const mm = (length: number, digits = 1) => `${toMillimetres(metres(length)).toFixed(digits)} mm`;

export function whyLines(plan: WindPlan, lane: Lane, instrument: Instrument): WhyLine[] {
  return [turns(plan), slack(plan), stretch(plan, lane), cut(plan), ...nut(plan), pull(plan, lane, instrument), capacity(plan)];
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
  const allow = allowance > 0 ? ` + half a turn over the lock ${mm(allowance)}` : '';
  const takenUp = wind.slack + wind.stretch;
  const band =
    toMillimetres(metres(slackRange[1] - slackRange[0])) > 3
      ? ` From ${mm(slackRange[0], 0)} to ${mm(slackRange[1], 0)} as it stretches more or less.`
      : '';
  return {
    what: 'slack',
    value: mm(length),
    rule: 'what the post takes up for the turns, less what stretch brings, plus what the lock takes',
    from: `${mm(takenUp)} taken up − ${mm(wind.stretch)} stretch${allow}; rule of thumb, turns × π × (post ${mm(geometry.postDiameter)} + string ${mm(geometry.stringDiameter, 2)}) = ${mm(ruleOfThumbSlack(wind.turns, geometry), 0)}.${band}`,
  };
}

function stretch({ stretch: { path, strain, creep }, wind }: WindPlan, lane: Lane): WhyLine {
  return {
    what: 'stretch',
    value: mm(wind.stretch),
    rule: 'path × ln(1 + strain + creep): all string from anchor to post stretches',
    from: `path ${mm(path, 0)}, strain at ${lane.place.note} ${(100 * strain).toFixed(2)} %, creep ${(100 * creep).toFixed(1)} %`,
  };
}

function cut({ cut: mark, slack: length, end }: WindPlan): WhyLine {
  const needs =
    end.kind === 'slotted' ? `depth of the post ${mm(end.holeDepth)}` : `half the post ${mm(end.postDiameter / 2)} + tail ${mm(end.tail)}`;
  return {
    what: 'cut mark',
    value: `${mm(mark)} past the post`,
    rule: 'slack and what the end needs, measured on the string held just taut',
    from: `slack ${mm(length)} + ${needs}`,
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
      from: `leaves the post ${mm(plan.exitHeight)} above the face; sideways ${degrees(lateral)}, in space ${degrees(total)}; wanted ${degrees(wanted)}; presses ${downforce.toFixed(0)} N into the slot`,
    },
  ];
}

function pull({ load }: WindPlan, lane: Lane, instrument: Instrument): WhyLine {
  const { string, place } = lane;
  const polymer = string?.thins === true ? ', less what it thins as it stretches' : '';
  return {
    what: 'pull',
    value: `${load.pull.toFixed(1)} N`,
    rule: `T = μ (2 L f)²${polymer}`,
    from: `μ ${((string?.linearDensity ?? 0) * 1000).toFixed(3)} g/m ± ${string?.bandPercent ?? 0} %, L ${mm(place.scaleLength, 0)}, ${place.note} at A = ${instrument.a4} Hz`,
  };
}

function capacity({ capacityTurns, stackHeight }: WindPlan): WhyLine {
  return {
    what: 'room on the post',
    value: `${capacityTurns.toFixed(1)} turns`,
    rule: 'one layer from the hole down to the face',
    from: `these turns stack ${mm(stackHeight)} high`,
  };
}
