import { possibleStrippings } from '../bench-run/index.js';
import { HAND_SECONDS, WARMTH } from '../constants/index.js';
import { floats, type Direction } from '../instrument/index.js';
import { chanceFrom, rested, wound } from '../simulated/index.js';
import { cents, radians, type Metres } from '../units/index.js';
import { fineTunedBy, nutTurned } from './at-nut.js';
import { slackened, turnedBy } from './at-peg.js';
import { judged, pressed, stretchedBy, trimmed } from './at-string.js';
import type { Restring } from './lay-out.js';
import { isUp, noted, type OnBench, type OnPost } from './on-bench.js';
import { creptBackSince, snugged } from './pegs.js';
import { restsAt } from './pulls.js';
import { anchored, cutThrough, takenOff } from './strung.js';
import { threaded } from './threaded.js';

/** What a hand may do. Turns are of the button, up above zero. */
export type Act =
  | { do: 'slacken' | 'cut' | 'take-off' | 'stretch' | 'press' | 'judge' | 'pluck'; string: number }
  /** Its tail cut, a little left behind the hole, or flush with the post. */
  | { do: 'trim'; string: number; flush?: boolean | undefined }
  | { do: 'turn' | 'fine'; string: number; turns: number }
  /** The screw of its peg, by eighths of a turn, in above zero. */
  | { do: 'snug'; string: number; eighths: number }
  | { do: 'anchor'; string: number; way: string }
  /** The end through its post, so much string left slack, wound this way. */
  | { do: 'thread'; string: number; slack: Metres; direction: Direction }
  | { do: 'guide' | 'cover' | 'block' | 'nut'; on: boolean }
  /** Lets it lie, for as long as one usually does. */
  | { do: 'wait' };

/** As it comes to the bench: old strings at their notes, settled, a locking nut shut. */
export function begun(restring: Restring): OnBench {
  const { seed, strings, instrument, pegs } = restring;
  const chance = chanceFrom(seed);
  const comes: OnBench = {
    strings: strings.map(({ string, plan, note, scale }): OnPost => {
      const borne = { pitch: note, rounds: 9 };
      const { of, state } = wound({ plan, string, scale, gearRatio: instrument.gearRatio, holds: null, borne }, chance);
      return { at: 'old', of: { ...of, creep: cents(0), worn: true }, state: { ...state, toSettle: cents(0) } };
    }),
    ...{ guided: false, eyesCovered: false, blocked: false, nutShut: instrument.bridge.anchor === 'double-locking', pegs },
    ...{ angle: radians(0), seconds: 0, waited: 0, acts: 0, lost: [], mistakes: [] },
  };
  // level in the warm, where it was set up
  return restring.cold === 0 ? comes : { ...comes, angle: restsAt(restring, comes) };
}

/** How long it takes at a bench, s; letting a string down takes as long as its turns. */
function secondsOf(act: Act): number {
  switch (act.do) {
    case 'turn':
      return Math.abs(act.turns) * HAND_SECONDS.buttonTurn.value;
    case 'fine':
      return Math.abs(act.turns) * HAND_SECONDS.fineTurn.value;
    case 'take-off':
      return HAND_SECONDS.takeOff.value;
    case 'snug':
      return Math.abs(act.eighths) * HAND_SECONDS.snug.value;
    case 'slacken':
    case 'guide':
    case 'wait':
      return 0;
    default:
      return HAND_SECONDS[act.do].value;
  }
}

/** The restring after one more thing was done. What cannot be done as it stands changes nothing: the same object comes back. */
export function after(restring: Restring, now: OnBench, act: Act): OnBench {
  const chance = chanceFrom(restring.seed + 7919 * (now.acts + 1));
  const timed = { ...now, acts: now.acts + 1, seconds: now.seconds + secondsOf(act) };
  const then = carriedOut(restring, timed, act, chance);
  if (then === null) return now;
  return tooManyOff(restring, { ...creptBackSince(restring, now, then), angle: restsAt(restring, then) });
}

/** Null where it cannot be done as it stands. */
function carriedOut(restring: Restring, now: OnBench, act: Act, chance: () => number): OnBench | null {
  switch (act.do) {
    case 'guide':
      return { ...now, guided: act.on };
    case 'cover':
      return { ...now, eyesCovered: act.on };
    case 'block':
      return floats(restring.instrument.bridge) ? { ...now, blocked: act.on } : null;
    case 'nut':
      return nutTurned(restring, now, act.on, chance);
    case 'pluck':
      return now;
    case 'wait':
      return letLie(now);
    case 'slacken':
      return slackened(restring, now, act.string);
    case 'turn':
      return turnedBy(restring, now, act, chance);
    case 'fine':
      return fineTunedBy(restring, now, act.string, act.turns);
    case 'snug':
      return snugged(restring, now, act.string, act.eighths);
    case 'cut':
      return cutThrough(restring, now, act.string);
    case 'take-off':
      return takenOff(restring, now, act.string);
    case 'anchor':
      return anchored(restring, now, act.string, act.way);
    case 'thread':
      return threaded(restring, now, act, chance);
    case 'stretch':
      return stretchedBy(restring, now, act.string, chance);
    case 'press':
      return pressed(now, act.string);
    case 'judge':
      return judged(restring, now, act.string);
    case 'trim':
      return trimmed(restring, now, act.string, act.flush === true);
  }
}

/** Strings creep meanwhile, and a cold neck warms. */
function letLie(now: OnBench): OnBench {
  const hours = WARMTH.wait.value / 3600;
  const strings = now.strings.map((string): OnPost =>
    isUp(string) ? { ...string, state: rested(string.of, string.state, hours) } : string,
  );
  return { ...now, strings, waited: now.waited + WARMTH.wait.value };
}

const isOff = ({ at }: OnPost): boolean => at === 'off' || at === 'anchored' || at === 'cut';

/** A bridge that stands or hangs by its strings: told once, the moment that one too many is off. */
function tooManyOff({ instrument }: Restring, now: OnBench): OnBench {
  const off = now.strings.filter(isOff).length;
  const possible = possibleStrippings(instrument.bridge, now.blocked);
  const most = possible.includes('all-off') ? Infinity : possible.includes('pairs') ? 2 : 1;
  return off > most ? noted(now, { string: null, kind: 'too-many-off', figure: off }) : now;
}
