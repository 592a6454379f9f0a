import { expectedEffort, learnedPace, stageMinutes, type TimedStage } from '../day/index.js';
import type { AnchorKind, Instrument, PostStyle } from '../instrument/index.js';
import { isSoftMaterial, type LayeredChoices, type Stripping } from '../methods/index.js';
import { done, refused, type Outcome } from '../outcome/index.js';
import type { StringProperties } from '../strings/index.js';
import type { StringStage } from '../worksheet/index.js';
import type { Work } from './anchor-work.js';
import { anchorWork, prepareBridge } from './work-at-anchor.js';
import { COMMON_WORK, settleWork, trimWork } from './common-work.js';
import { canStand, possibleStrippings, schoolsInForce, stretchingInForce, type RunSchools } from './schools.js';
import { stringOrder } from './string-order.js';
import { TOOL_KINDS, type ToolKind } from '../tools/index.js';

/** One step at the bench: of one string, zero-based, or of the whole instrument. */
export interface RunStep extends Work {
  stage: StringStage;
  string: number | null;
  minutes: { attended: number; unattended: number };
}

export interface BenchRun {
  schools: RunSchools;
  /** Strings in the order they are worked. */
  order: readonly number[];
  /** All there is to do, in order. */
  steps: readonly RunStep[];
  /** What has to lie on the bench before the first string comes off. */
  tools: readonly ToolKind[];
}

export type RunProblem =
  | { kind: 'post-cannot-stand'; anchor: AnchorKind; style: PostStyle }
  | { kind: 'stripping-not-possible'; anchor: AnchorKind; stripping: Stripping };

interface Facts {
  instrument: Instrument;
  strings: readonly (Pick<StringProperties, 'construction'> | null)[];
  choices: LayeredChoices;
  /** The bridge is held level by a block. */
  blocked?: boolean;
  /** A school asked for in this job, whatever the ways in force. */
  stripping?: Stripping;
  /** What stages took in jobs before, and who is going to do this one; without them the minutes are what is expected of anybody. */
  learned?: { times: readonly TimedStage[]; personId: string };
}

/**
 * What to do at this instrument, step by step, from its facts, its strings and the ways in force. Every string passes every stage once, in its own order; what
 * is impossible, or would drop a bridge, is refused.
 */
export function planRun(facts: Facts): Outcome<BenchRun, RunProblem> {
  const { instrument, choices, blocked = false } = facts;
  const { anchor } = instrument.bridge;
  const stranger = instrument.strings.find(({ post }) => !canStand(anchor, post.style));
  if (stranger !== undefined) return refused({ kind: 'post-cannot-stand', anchor, style: stranger.post.style });
  const asked = facts.stripping;
  if (asked !== undefined && !possibleStrippings(anchor, blocked).includes(asked))
    return refused({ kind: 'stripping-not-possible', anchor, stripping: asked });
  const inForce = schoolsInForce(
    instrument,
    asked === undefined ? choices : { instrument: { ...choices.instrument, stripping: asked } },
    blocked,
  );
  const schools = asked === undefined ? inForce : { ...inForce, order: schoolsInForce(instrument, choices, blocked).order };
  const order = stringOrder(schools.order.value, instrument.strings.length);
  const steps = [...setUp(instrument), ...sequence(schools, order).map(([stage, string]) => stepOf(facts, order, stage, string))];
  const tools = TOOL_KINDS.filter((tool) => steps.some((step) => step.tools.includes(tool)));
  return done({ schools, order, steps: withMinutes(steps, facts), tools });
}

/** Before anything comes off: the bench, and what this bridge needs. */
function setUp(instrument: Instrument): Unclocked[] {
  const prepare = prepareBridge(instrument);
  const bench: Unclocked = { ...COMMON_WORK.bench, stage: 'ready', string: null };
  if (prepare === null) return [bench];
  return [
    bench,
    { ...prepare, check: 'It is noted, so that it can be found again.', done: 'prepared', cautions: [], stage: 'strip', string: null },
  ];
}

/** Stages and strings in the order of the work. Strings are laid out first, and come up to pitch, settle and are trimmed together. */
function sequence({ stripping, anchoring }: RunSchools, order: readonly number[]): (readonly [StringStage, number])[] {
  const all = (stage: StringStage, of = order) => of.map((string) => [stage, string] as const);
  const middle = groupsOf(stripping.value, order).flatMap((group) => [
    ...all('strip', group),
    ...all('look-over', group),
    ...(anchoring.value === 'all-anchored-first'
      ? [...all('anchor', group), ...all('wind', group)]
      : group.flatMap((string) => [['anchor', string] as const, ['wind', string] as const])),
  ]);
  return [...all('ready'), ...middle, ...all('bring-up'), ...all('settle'), ...all('trim')];
}

/** Strings that are off at the same time. Pairs are those that share a clamp: 1 and 2, 3 and 4 … */
function groupsOf(stripping: Stripping, order: readonly number[]): number[][] {
  if (stripping === 'all-off') return [[...order]];
  if (stripping === 'one-at-a-time') return order.map((string) => [string]);
  const pairs = new Map<number, number[]>();
  for (const string of order) pairs.set(Math.floor(string / 2), [...(pairs.get(Math.floor(string / 2)) ?? []), string]);
  return [...pairs.values()];
}

type Unclocked = Omit<RunStep, 'minutes'>;

function stepOf({ instrument, strings, choices }: Facts, order: readonly number[], stage: StringStage, string: number): Unclocked {
  const construction = strings[string]?.construction;
  const work = anchorWork(instrument, { string, construction, last: string === order.at(-1) });
  switch (stage) {
    case 'strip':
      return { ...work.off, stage, string };
    case 'anchor':
      return { ...work.fit, stage, string };
    case 'trim':
      return { ...trimWork(instrument, string, work.seat), stage, string };
    case 'settle':
      return {
        ...settleWork(instrument, stretchingInForce(instrument, choices, isSoftMaterial(construction)).value, isSoftMaterial(construction)),
        stage,
        string,
      };
    default:
      return { ...COMMON_WORK[stage], stage, string };
  }
}

/** Attended minutes of a stage are shared by its steps, at this person's pace; soft strings move on unattended once the last of them is settled. */
function withMinutes(steps: readonly Unclocked[], { instrument, strings, learned }: Facts): RunStep[] {
  const { family, strings: places } = instrument;
  const constructions = strings.map((string) => string?.construction ?? 'plain');
  const { settlingHours } = expectedEffort(family, constructions);
  const lastSettled = steps.findLast(({ stage }) => stage === 'settle');
  const minutes = (stage: StringStage) => {
    const factor = learned === undefined ? 1 : learnedPace(learned.times, learned.personId, family, stage).factor;
    return (factor * stageMinutes(family, places.length, stage)) / steps.filter((step) => step.stage === stage).length;
  };
  return steps.map((step) => ({
    ...step,
    minutes: { attended: minutes(step.stage), unattended: step === lastSettled ? settlingHours * 60 : 0 },
  }));
}
