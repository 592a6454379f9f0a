import { fundamentalAt, loadString, tensionFor } from '../tension/index.js';
import { pitchOf } from '../instrument/index.js';
import { hertz, metres, newtons, semitonesBetween, type Hertz, type Metres, type Newtons } from '../units/index.js';
import { atLevel, pickFrom } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';
import { OCTAVE_ANSWERS, type OctavePlace } from '../skills/index.js';

/** A string on its way up, heard or felt: where is it, before another turn breaks it? */
export interface OctaveExercise extends DrawnString {
  note: Hertz;
  sounds: Hertz;
  truth: OctavePlace;
  pull: Newtons;
  /** How far it gives at its middle under one push of the finger. */
  gives: Metres;
  /** How far it would give at its note. */
  shouldGive: Metres;
  breaksAt: Hertz;
}

export interface OctaveAnswer {
  place: OctavePlace;
}

/** The push of a finger. */
export const PUSH = newtons(2);

/** Semitones from the note at which a string is shown, by level: the nearer, the harder. */
const UNDER = [
  [7, 8],
  [7, 5],
  [5, 4],
  [4, 3],
  [3, 2],
];
const OVER = [
  [5, 4],
  [4, 3],
  [3, 2],
  [2, 2],
];
/** So near to what breaks it nobody brings a string, here either. */
const SAFE = 0.98;

/**
 * How far a string of length L under the pull T gives at its middle under a push F: two sides of a flat triangle, y = F L / 4 T, with the pull taken as it stands.
 */
export const givesUnder = (push: Newtons, pull: Newtons, length: Metres): Metres => metres((push * length) / (4 * pull));

export function octaveExercise(chance: () => number, level: number, kinds: Kinds): OctaveExercise {
  const truth = pickFrom(OCTAVE_ANSWERS, chance);
  return drawString(chance, kinds, (drawn) => {
    const { place } = drawn;
    const note = pitchOf(drawn.instrument, place);
    const { breakingPitch } = loadString(drawn.string, place.scaleLength, note);
    const semitones = semitonesOff(truth, level, chance);
    const sounds = hertz(note * 2 ** (semitones / 12));
    if (semitonesBetween(note, breakingPitch) < 1 || sounds > SAFE * breakingPitch) return null;
    const pull = tensionFor(sounds, place.scaleLength, drawn.string);
    return {
      ...drawn,
      ...{ note, sounds, truth, pull },
      gives: givesUnder(PUSH, pull, place.scaleLength),
      shouldGive: givesUnder(PUSH, drawn.plan.load.pull, place.scaleLength),
      breaksAt: fundamentalAt(newtons(drawn.string.breakingLoad), place.scaleLength, drawn.string),
    };
  });
}

function semitonesOff(truth: OctavePlace, level: number, chance: () => number): number {
  const between = ([a = 0, b = a]: readonly number[]) => a + (b - a) * chance();
  switch (truth) {
    case 'an-octave-under':
      return -12;
    case 'under':
      return -between(atLevel(UNDER, level));
    case 'at-its-note':
      return 0;
    case 'over':
      return between(atLevel(OVER, level));
  }
}

export const octaveIsRight = ({ truth }: OctaveExercise, { place }: OctaveAnswer): boolean => place === truth;
