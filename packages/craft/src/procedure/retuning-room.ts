import { SAFE_SHARE_OF_BREAKING } from '../constants/index.js';
import type { Stretch } from '../post/index.js';
import type { StringProperties } from '../strings/index.js';
import type { LoadedString } from '../tension/index.js';
import type { Metres } from '../units/index.js';

/** How far a wound string can be tuned, and what stops it. */
export interface RetuningRoom {
  down: { semitones: number; stops: 'wind-runs-out' } | { semitones: null; stops: 'slack-first' };
  up: { semitones: number; stops: 'full' | 'reserve' };
}

interface Question {
  string: Pick<StringProperties, 'stiffness' | 'breakingLoad'>;
  load: Pick<LoadedString, 'pull' | 'strain'>;
  path: Stretch['path'];
  /** String that the post or screw can give back before it no longer holds. */
  gives: Metres;
  /** String that it can still take. */
  takes: Metres;
}

/** Rounding leaves so much of a strain that is let out wholly. */
const HARDLY_STRAINED = 1e-9;

/**
 * Giving back x of string lowers ln(1 + ε) by x/l, taking raises it. Pull follows strain, T = EA·ε, and pitch follows √(T(1 + ε)), since a stretched string
 * is lighter per metre.
 */
export function retuningRoom({ string, load, path, gives, takes }: Question): RetuningRoom {
  const logStrain = Math.log(1 + load.strain);
  const lowered = Math.expm1(logStrain - gives / path);
  const safe = (SAFE_SHARE_OF_BREAKING.value * string.breakingLoad) / string.stiffness;
  const raised = Math.expm1(logStrain + takes / path);
  const semitones = (strain: number) => 6 * Math.log2((strain * (1 + strain)) / (load.strain * (1 + load.strain)));
  return {
    down:
      lowered > HARDLY_STRAINED ? { semitones: -semitones(lowered), stops: 'wind-runs-out' } : { semitones: null, stops: 'slack-first' },
    up: raised < safe ? { semitones: semitones(raised), stops: 'full' } : { semitones: semitones(safe), stops: 'reserve' },
  };
}
