import type { PostPlan } from '../procedure/index.js';
import type { SimulatedString, StringState } from '../simulated/index.js';
import type { Metres, Radians } from '../units/index.js';

/** What went wrong, as far as it shows. `figure`: N of pull, strings that were off, ¢ over its note or to come, turns, mm, or degrees over the nut, as the kind has it. */
export interface Mistake {
  /** Null where it concerns them all. */
  string: number | null;
  kind: MistakeKind;
  figure: number;
}

export type MistakeKind =
  | 'cut-under-tension'
  | 'too-many-off'
  | 'tails-not-tucked-yet'
  | 'anchor'
  | 'sinks'
  | 'other-side'
  | 'too-short'
  | 'post-full'
  | 'crossing'
  | 'octave-over'
  | 'over'
  | 'notched'
  | 'slips'
  | 'low-angle'
  | 'judged-early'
  | 'trimmed-early'
  | 'eyes-bare'
  | 'nut-shut'
  | 'bad-end'
  | 'flush-tail'
  | 'bent'
  | 'not-home'
  | 'still-cold'
  | 'peg-creeps'
  | 'peg-stiff';

/** An old string at its note, or as far down as it was let. */
export interface Old {
  at: 'old';
  of: SimulatedString;
  state: StringState;
}

/** Wound on its post, slack or up. */
export interface Wound {
  at: 'wound';
  /** Which way its end was fixed. */
  anchor: string;
  /** As the slack that was left makes it. */
  plan: PostPlan;
  otherSide: boolean;
  of: SimulatedString;
  /** From where it is straight. */
  state: StringState;
  /** Turns of the button so far, while it is slack. */
  button: number;
  taut: boolean;
  /** Turns that lie on the post, from the hole: whether each lies beside the one before. */
  laid: readonly boolean[];
  /** Rounds for which a turn goes on sliding off another. */
  slides: number;
  /** What its end has still to take up. */
  seat: Metres;
  rounds: number;
  /** Whether somebody said that it holds. */
  judged: boolean;
  trimmed: boolean;
  /** Its tail is cut flush with the post. */
  flush?: true;
  bent?: true;
}

/** `bent`: it was wound before, and comes on again. */
export type OnPost = Old | { at: 'cut' } | { at: 'off'; bent?: true } | { at: 'anchored'; anchor: string; bent?: true } | Wound;

/** A restring as it stands. */
export interface OnBench {
  strings: readonly OnPost[];
  /** A hand keeps the string taut and guides it down the post. */
  guided: boolean;
  eyesCovered: boolean;
  blocked: boolean;
  nutShut: boolean;
  /** What each peg bears, N m; null of those that gears hold. */
  pegs: readonly (number | null)[];
  /** How the bridge lies. */
  angle: Radians;
  /** That the same would have taken at a bench. */
  seconds: number;
  /** That it was let lie beside that, s. */
  waited: number;
  /** Things that were done: chance follows from how many. */
  acts: number;
  /** Strings that were lost, by string. */
  lost: readonly number[];
  mistakes: readonly Mistake[];
}

export const isUp = (string: OnPost): string is Old | (Wound & { taut: true }) =>
  string.at === 'old' || (string.at === 'wound' && string.taut);

/** String `index` as it stands. @throws RangeError where there is none: it is our bug. */
export function onPost({ strings }: OnBench, index: number): OnPost {
  const found = strings[index];
  if (found === undefined) throw new RangeError(`there is no string ${index}`);
  return found;
}

/** String `index` where it is new and straight; null otherwise. */
export function tautOn(now: OnBench, index: number): Wound | null {
  const string = onPost(now, index);
  return string.at === 'wound' && string.taut ? string : null;
}

export const put = (now: OnBench, index: number, string: OnPost): OnBench => ({ ...now, strings: now.strings.with(index, string) });

/** Told once of each string. */
export const noted = (now: OnBench, mistake: Mistake): OnBench =>
  now.mistakes.some(({ kind, string }) => kind === mistake.kind && string === mistake.string)
    ? now
    : { ...now, mistakes: [...now.mistakes, mistake] };

/** A string that flies where nothing covers the eyes. */
export const flew = (now: OnBench): OnBench => (now.eyesCovered ? now : noted(now, { string: null, kind: 'eyes-bare', figure: 0 }));

/** It is gone: what is left of it has to come off. */
export const lostOne = (now: OnBench, index: number, left: 'cut' | 'off'): OnBench => ({
  ...put(now, index, { at: left }),
  lost: [...now.lost, index],
});
