import { expectedEffort, learnedPace, stageMinutes, type TimedStage } from '../day/index.js';
import { isVibrato, type AnchorKind, type Instrument, type PostStyle } from '../instrument/index.js';
import { MINUTES } from '../constants/index.js';
import { cutTimingFor, isSoft, type LayeredChoices, type Stripping } from '../methods/index.js';
import { done, refused, type Outcome } from '../outcome/index.js';
import type { StringProperties } from '../strings/index.js';
import type { StringStage } from '../stages/index.js';
import type { Work } from './anchor-work.js';
import { anchorWork, prepareBridge } from './work-at-anchor.js';
import { balanceWork, bringUpWork, COMMON_WORK, lookOverWork, settleWork, trimWork, windWork } from './common-work.js';
import { canStand, possibleStrippings, schoolsInForce, stretchingInForce, type RunSchools } from './schools.js';
import { stringOrder } from './string-order.js';
import { TOOL_KINDS, type ToolKind } from '../tools/index.js';

/** One step at the bench: of one string, zero-based, or of the whole instrument. */
export interface RunStep extends Work {
  stage: StringStage;
  string: number | null;
  /** Of Bring up, where each string passes twice: the first time that it bears pull. */
  firstPass: boolean;
  minutes: { attended: number; unattended: number };
}

export interface BenchRun {
  schools: RunSchools;
  /** Strings in the order they are worked. */
  order: readonly number[];
  /** Those of them that are off at the same time. */
  groups: readonly (readonly number[])[];
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
  strings: readonly ((Pick<StringProperties, 'construction'> & Partial<Pick<StringProperties, 'creep'>>) | null)[];
  choices: LayeredChoices;
  /** The bridge is held level by a block. */
  blocked?: boolean;
  /** A school asked for in this job, whatever the ways in force. */
  stripping?: Stripping;
  /** Strings that this job is about, zero-based; all where it is left out. */
  only?: readonly number[];
  /** What stages took in jobs before, and who is going to do this one; without them the minutes are what is expected of anybody. */
  learned?: { times: readonly TimedStage[]; personId: string };
}

/**
 * What to do at this instrument, step by step, from its facts, its strings and the ways in force. Every string of the job passes every stage once, in its own
 * order, and Bring up twice; what is impossible, or would drop a bridge, is refused.
 */
export function planRun(facts: Facts): Outcome<BenchRun, RunProblem> {
  const { instrument, choices, blocked = false } = facts;
  const { anchor } = instrument.bridge;
  const stranger = instrument.strings.find(({ post }) => !canStand(anchor, post.style));
  if (stranger !== undefined) return refused({ kind: 'post-cannot-stand', anchor, style: stranger.post.style });
  const asked = facts.stripping;
  if (asked !== undefined && !possibleStrippings(instrument.bridge, blocked).includes(asked))
    return refused({ kind: 'stripping-not-possible', anchor, stripping: asked });
  const inForce = schoolsInForce(
    instrument,
    asked === undefined ? choices : { instrument: { ...choices.instrument, stripping: asked } },
    blocked,
  );
  const schools = asked === undefined ? inForce : { ...inForce, order: schoolsInForce(instrument, choices, blocked).order };
  const order = stringOrder(schools.order.value, instrument.strings.length).filter((string) => facts.only?.includes(string) ?? true);
  const groups = groupsOf(schools.stripping.value, order);
  const inOrder = sequence(schools, order, { groups, balances: isVibrato(instrument.bridge) });
  const steps = [...setUp(instrument), ...inOrder.map((step) => stepOf(facts, { order, schools }, step))];
  const tools = TOOL_KINDS.filter((tool) => steps.some((step) => step.tools.includes(tool)));
  return done({ schools, order, groups, steps: withMinutes(steps, facts, order.length), tools });
}

/** Whether several strings are off at a time, so that all are brought near their notes before any goes to its own. */
export const allComeUpTogether = ({ order, schools }: Pick<BenchRun, 'order' | 'schools'>): boolean =>
  schools.stripping.value === 'all-off' && order.length > 1;

/** Before anything comes off: the bench, and what this bridge needs. */
function setUp(instrument: Instrument): Unclocked[] {
  const prepare = prepareBridge(instrument);
  const bench: Unclocked = { ...COMMON_WORK.bench, stage: 'ready', string: null, firstPass: false };
  if (prepare === null) return [bench];
  return [
    bench,
    {
      ...prepare,
      check: 'It is noted, so that it can be found again.',
      done: 'prepared',
      cautions: [],
      stage: 'strip',
      string: null,
      firstPass: false,
    },
  ];
}

interface Place {
  stage: StringStage;
  string: number;
  firstPass: boolean;
}

/**
 * Stages and strings in the order of the work. Strings that come off together are wound and bear pull again before the next comes off: that is what keeps neck
 * and bridge loaded. They are laid out first, and tuned once more, balanced where their bridge moves, settled and trimmed together.
 */
function sequence(
  { anchoring }: RunSchools,
  order: readonly number[],
  { groups, balances }: { groups: readonly (readonly number[])[]; balances: boolean },
): Place[] {
  const all = (stage: StringStage, of: readonly number[], firstPass = false) => of.map((string) => ({ stage, string, firstPass }));
  const middle = groups.flatMap((group) => [
    ...all('strip', group),
    ...all('look-over', group),
    ...(anchoring.value === 'all-anchored-first'
      ? [...all('anchor', group), ...all('wind', group)]
      : group.flatMap((string) => [...all('anchor', [string]), ...all('wind', [string])])),
    ...all('bring-up', group, true),
  ]);
  const balance = balances ? all('balance', order) : [];
  return [...all('ready', order), ...middle, ...all('bring-up', order), ...balance, ...all('settle', order), ...all('trim', order)];
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

function stepOf(facts: Facts, { order, schools }: Pick<BenchRun, 'order' | 'schools'>, place: Place): Unclocked {
  const { instrument, strings, choices } = facts;
  const { stage, string, firstPass } = place;
  const { construction = 'plain', creep = 0 } = strings[string] ?? {};
  const soft = isSoft({ construction, creep });
  const style = instrument.strings[string]?.post.style;
  const atPost = { style, bass: instrument.family === 'bass' };
  const last = string === order.at(-1);
  const work = anchorWork(instrument, { string, construction, last, choices });
  const workOf = (): Work => {
    switch (stage) {
      case 'ready':
        return COMMON_WORK.ready;
      case 'strip':
        return work.off;
      case 'look-over':
        return lookOverWork(atPost);
      case 'anchor':
        return work.fit;
      case 'wind':
        return windWork({ ...atPost, soft });
      case 'bring-up':
        return bringUpWork(instrument, {
          firstPass,
          together: allComeUpTogether({ order, schools }),
          soft,
          alone: order.length === 1,
        });
      case 'balance':
        return balanceWork(instrument);
      case 'settle':
        return settleWork(instrument, { stretching: stretchingInForce(instrument, choices, soft).value, soft, last });
      case 'trim':
        return trimWork({
          anchor: instrument.bridge.anchor,
          style,
          soft,
          cut: cutTimingFor(style ?? 'through', { construction, creep }, choices).when,
          seat: work.seat,
        });
    }
  };
  return { ...workOf(), ...place };
}

/** Attended minutes of a stage are shared by its steps, at this person's pace; soft strings move on unattended once the last of them is settled. */
function withMinutes(steps: readonly Unclocked[], { instrument: { family }, strings, learned, only }: Facts, count: number): RunStep[] {
  const ofJob = strings.filter((_, index) => only?.includes(index) ?? true);
  const constructions = ofJob.map((string) => string?.construction ?? 'plain');
  const { settlingHours } = expectedEffort(family, constructions);
  const lastSettled = steps.findLast(({ stage }) => stage === 'settle');
  const minutes = (stage: StringStage) => {
    const factor = learned === undefined ? 1 : learnedPace(learned.times, learned.personId, family, stage).factor;
    const attended = stage === 'balance' ? MINUTES.balance.value : factor * stageMinutes(family, count, stage);
    return attended / steps.filter((step) => step.stage === stage).length;
  };
  return steps.map((step) => ({
    ...step,
    minutes: { attended: minutes(step.stage), unattended: step === lastSettled ? settlingHours * 60 : 0 },
  }));
}
