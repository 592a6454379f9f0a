import { saySlack, TIGHT } from '@gold-peg/craft/methods';
import { liftInTheMiddle } from '@gold-peg/craft/post';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { fromDegrees, fromMillimetres, metres, toDegrees, toMillimetres, type Radians } from '@gold-peg/craft/units';
import { degrees, say, turnsToQuarter, type Measures } from '../../preferences/measures';
import { ownHand } from '../../preferences/own-hand';
import { slackWords } from '../../preferences/slack-words';
import type { Lane } from '../../lane/lane';
import type { AsWound } from '../desk';

/** A narrower band, half of it, is within what a hand can measure. */
const BAND_SHOWN_MM = 3;
/** Degrees at the right end of the small scale beside each nut angle. */
const ANGLE_SCALE_DEG = 16;
const MARKS = { plain: 'p', wound: 'w', nylon: 'n' } as const;

interface Asked {
  plan: WindPlan | null;
  /** What lies on the post already; null while it is not wound. */
  wound: AsWound | null;
  measures: Measures;
  /** What is known of the person's hand. */
  leaves: number;
}

/** Numbers of one lane at Wind, in the person's units and school: what was wound, or what is to be. */
export function laneNumbers(lane: Lane, { plan, wound, measures, leaves }: Asked) {
  return {
    gauge: lane.string === null ? '–' : measures.gauge(lane.gauge * 1000),
    mark: MARKS[lane.texture],
    turns: turnsOf(plan, wound),
    counted: wound?.counted ?? false,
    slack: plan === null ? null : slackOf(plan, wound, measures),
    measure:
      plan === null
        ? '–'
        : plan.kind === 'clamp'
          ? arcOf(lane, plan, measures)
          : slackWords(sayFor(lane, plan, measures, leaves), measures),
    cut: plan === null ? null : { ...measures.length(wound?.cut ?? plan.cut), past: plan.kind === 'post' ? 'post' : 'clamp' },
    ...endOf(plan, wound, measures),
  };
}

function turnsOf(plan: WindPlan | null, wound: AsWound | null): string {
  if (plan?.kind !== 'post') return '–';
  // in a lock it is the post that turns, the same number as in the picture beside it
  if (plan.methods.turns === null) return `${plan.wind.rotationTurns.toFixed(1)}`;
  return turnsToQuarter(wound?.turns ?? Math.max(0, plan.wind.turns));
}

/** A small arc of slack shows the right length: how high it lifts in the middle. */
const arcOf = ({ place }: Lane, { slack }: ClampPlan, measures: Measures): string =>
  slack < 0 ? 'does not reach' : `arc ${say(measures.length(liftInTheMiddle(slack, place.scaleLength)))}`;

/** Slack of a string at its post in the words of a school, by default the person's own. */
export const sayFor = (lane: Lane, plan: PostPlan, measures: Measures, leaves: number, school = measures.preferences().slackMeasure) =>
  saySlack(
    school,
    {
      slack: plan.slack,
      cut: plan.cut,
      scaleLength: lane.place.scaleLength,
      postSpacing: plan.postSpacing,
      postsBeyond: lane.postsBeyond,
      postToEnd: lane.toEnd,
      handTurns: plan.handTurns,
      straight: plan.methods.turns === null,
    },
    ownHand(measures.preferences()),
    leaves,
  );

/** To so much a soft string can be told. */
const SOFT_STEP_MM = 5;

function slackOf(plan: WindPlan, wound: AsWound | null, measures: Measures) {
  const slack = wound?.slack ?? plan.slack;
  if (plan.kind === 'clamp') return { ...measures.length(slack, 1), band: '' };
  if (plan.methods.turns !== null && slack < TIGHT) return { value: '', unit: wound === null ? 'pull tight' : 'pulled tight', band: '' };
  const [low, high] = plan.slackRange;
  const half = toMillimetres(metres(high - low)) / 2;
  const about = fromMillimetres(Math.max(SOFT_STEP_MM, SOFT_STEP_MM * Math.round(half / SOFT_STEP_MM)));
  return { ...measures.length(slack), band: wound === null && half > BAND_SHOWN_MM ? `± about ${measures.length(about).value}` : '' };
}

const percent = (share: number) => Math.max(0, Math.min(100, 100 * share));

/** Angle over the nut, or what is left of the screw, with a small bar beside it. */
function endOf(plan: WindPlan | null, wound: AsWound | null, measures: Measures) {
  if (plan?.kind === 'clamp') {
    const { left, used, travel } = plan.screw;
    return { angle: `${measures.length(left).value} left`, bar: { width: percent(used / travel), wanted: null }, low: left < 0 };
  }
  const nut = plan?.nut ?? null;
  if (nut === null) return { angle: '–', bar: null, low: false };
  const vertical = wound?.nutDeg == null ? nut.vertical : fromDegrees(wound.nutDeg);
  const onScale = (angle: Radians) => percent(toDegrees(angle) / ANGLE_SCALE_DEG);
  return {
    angle: degrees(vertical),
    bar: { width: onScale(vertical), wanted: onScale(nut.wanted) },
    low: vertical < nut.lowBelow - 1e-9,
  };
}
