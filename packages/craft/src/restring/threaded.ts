import { RESTRINGING } from '../constants/index.js';
import type { Direction } from '../instrument/index.js';
import { turnsForSlack } from '../post/index.js';
import { windString, type PostPlan } from '../procedure/index.js';
import { holdOf, wound } from '../simulated/index.js';
import { fromMillimetres, metres, newtons, toDegrees, type Metres, type Newtons } from '../units/index.js';
import { anchorWays, type AnchorDoes } from './anchor-ways.js';
import type { Restring, ToString } from './lay-out.js';
import { lostOne, noted, onPost, put, type OnBench, type Wound } from './on-bench.js';
import { toString } from './pulls.js';

interface Threaded {
  string: number;
  slack: Metres;
  direction: Direction;
}

/** Turns that so much slack makes on this post; null where it does not reach its post. What a lock takes comes off first. */
export function turnsFor({ plan }: ToString, slack: Metres): number | null {
  const wind = turnsForSlack(metres(slack - plan.allowance), plan.geometry, plan.stretch);
  return wind.ok ? wind.value.turns : null;
}

export const doesOf = ({ instrument }: Restring, way: string): AnchorDoes =>
  anchorWays(instrument.bridge.anchor).find(({ id }) => id === way)?.does ?? 'holds';

/** The end goes through its post with so much left slack. One that was left too short is scrap. */
export function threaded(
  restring: Restring,
  now: OnBench,
  { string: index, slack, direction }: Threaded,
  chance: () => number,
): OnBench | null {
  const on = onPost(now, index);
  if (on.at !== 'anchored') return null;
  const to = toString(restring, index);
  const turns = turnsFor(to, slack);
  const plan = turns === null ? null : windString({ instrument: restring.instrument, index, string: to.string, turns });
  if (turns === null || plan?.kind !== 'post')
    return noted(lostOne(now, index, 'off'), { string: index, kind: 'too-short', figure: 1000 * slack });
  const does = doesOf(restring, on.anchor);
  const notched = does === 'notches' ? 1 - RESTRINGING.notched.value : 1;
  const weakened = notched * (on.bent === true ? 1 - RESTRINGING.bent.value : 1);
  const string = { ...to.string, breakingLoad: newtons(to.string.breakingLoad * weakened) };
  const strung = wound(
    {
      ...{ plan, string, scale: to.scale, gearRatio: restring.instrument.gearRatio },
      ...{ holds: holdsAt(plan, turns, does), pegGrip: now.pegs[index] ?? null },
    },
    chance,
  );
  const fresh: Wound = {
    ...{ at: 'wound', anchor: on.anchor, plan, otherSide: direction !== to.plan.direction, ...strung, button: 0, taut: false, laid: [] },
    ...{ slides: 0, rounds: 0, judged: false, trimmed: false, ...(on.bent === true && { bent: true }) },
    seat: fromMillimetres((does === 'hangs' ? RESTRINGING.hangs : RESTRINGING.seats).value),
  };
  const done = put(now, index, fresh);
  if (!fresh.otherSide) return done;
  return noted(done, { string: index, kind: 'other-side', figure: toDegrees(plan.nut?.otherWay ?? (0 as never)) });
}

/** What its wraps or its anchor hold, whichever is less; null where both hold. */
function holdsAt(plan: PostPlan, turns: number, does: AnchorDoes): Newtons | null {
  const share = does === 'runs' ? RESTRINGING.runsAt.value : does === 'creeps' ? RESTRINGING.creepsAt.value : null;
  const wraps = holdOf(plan, turns);
  if (share === null) return wraps;
  return newtons(Math.min(wraps ?? Infinity, share * plan.load.pull));
}
