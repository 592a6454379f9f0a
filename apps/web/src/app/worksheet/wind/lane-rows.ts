import { saySlack } from '@gold-peg/craft/methods';
import { liftInTheMiddle } from '@gold-peg/craft/post';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { metres, toDegrees, toMillimetres, type Radians } from '@gold-peg/craft/units';
import { degrees, say, turnsToQuarter, type Measures } from '../../preferences/measures';
import { ownHand } from '../../preferences/own-hand';
import { slackWords } from '../../preferences/slack-words';
import type { Lane } from '../desk/lane';

/** A narrower band is within what a hand can measure. */
const BAND_SHOWN_MM = 3;
/** Degrees at the right end of the small scale beside each nut angle. */
const ANGLE_SCALE_DEG = 16;
const MARKS = { plain: 'p', wound: 'w', nylon: 'n' } as const;

/** Numbers of one lane at Wind, in the person's units and school. `leaves` is what is known of their hand. */
export function laneNumbers(lane: Lane, plan: WindPlan | null, counted: number | null, measures: Measures, leaves: number) {
  return {
    gauge: lane.string === null ? '–' : measures.gauge(lane.gauge * 1000),
    mark: MARKS[lane.texture],
    turns: turnsOf(plan, counted),
    counted: counted !== null,
    slack: plan === null ? null : slackOf(plan, measures),
    measure:
      plan === null
        ? '–'
        : plan.kind === 'clamp'
          ? arcOf(lane, plan, measures)
          : slackWords(sayFor(lane, plan, measures, leaves), measures),
    cut: plan === null ? null : { ...measures.length(plan.cut), past: plan.kind === 'post' ? 'past post' : 'past clamp' },
    ...endOf(plan, measures),
  };
}

function turnsOf(plan: WindPlan | null, counted: number | null): string {
  if (counted !== null) return turnsToQuarter(counted);
  return plan?.kind === 'post' ? turnsToQuarter(Math.max(0, plan.wind.turns)) : '–';
}

/** A small arc of slack shows the right length: how high it lifts in the middle. */
const arcOf = ({ place }: Lane, { slack }: ClampPlan, measures: Measures): string =>
  slack < 0 ? 'does not reach' : `arc ${say(measures.length(liftInTheMiddle(slack, place.scaleLength)))}`;

/** Slack of a string at its post in the words of a school, by default the person's own. */
export const sayFor = ({ place }: Lane, plan: PostPlan, measures: Measures, leaves: number, school = measures.preferences().slackMeasure) =>
  saySlack(
    school,
    {
      slack: plan.slack,
      cut: plan.cut,
      scaleLength: place.scaleLength,
      postSpacing: plan.postSpacing,
      handTurns: plan.handTurns,
      straight: plan.rule.kind === 'straight',
    },
    ownHand(measures.preferences()),
    leaves,
  );

function slackOf(plan: WindPlan, measures: Measures) {
  const [low, high] = plan.slackRange;
  const wide = plan.kind === 'post' && toMillimetres(metres(high - low)) > BAND_SHOWN_MM;
  return {
    ...measures.length(plan.slack, plan.kind === 'clamp' ? 1 : 0),
    band: wide ? `${measures.length(low).value} to ${measures.length(high).value}` : '',
  };
}

const percent = (share: number) => Math.max(0, Math.min(100, 100 * share));

/** Angle over the nut, or what is left of the screw, with a small bar beside it. */
function endOf(plan: WindPlan | null, measures: Measures) {
  if (plan?.kind === 'clamp') {
    const { left, used, travel } = plan.screw;
    return { angle: `${measures.length(left).value} left`, bar: { width: percent(used / travel), wanted: null }, low: left < 0 };
  }
  const nut = plan?.nut ?? null;
  if (nut === null) return { angle: '–', bar: null, low: false };
  const onScale = (angle: Radians) => percent(toDegrees(angle) / ANGLE_SCALE_DEG);
  return {
    angle: degrees(nut.vertical),
    bar: { width: onScale(nut.vertical), wanted: onScale(nut.wanted) },
    low: nut.vertical < nut.wanted - 1e-9,
  };
}
