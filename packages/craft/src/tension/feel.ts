import { BEND_REACH } from '../constants/index.js';
import { requirePositive } from '../outcome/index.js';
import { bisect } from '../solve/index.js';
import type { StringProperties } from '../strings/index.js';
import { cents, metres, newtons, type Cents, type Hertz, type Metres, type Newtons } from '../units/index.js';
import { tensionFor } from './tension.js';

/** A semitone, the bend by which strings are compared. */
export const SEMITONE = cents(100);

/** What a bend at fret 12 takes: how far aside, how hard, and how steeply the pitch rises there. */
export interface Bend {
  travel: Metres;
  force: Newtons;
  centsPerMillimetre: number;
}

export type BendOutcome = { kind: 'bend'; bend: Bend } | { kind: 'out-of-reach' };

/** A string at its pitch, and the length of all string that shares the stretch (anchor to post). */
export interface Bendable {
  string: Pick<StringProperties, 'linearDensity' | 'stiffness' | 'stiffnessAtPitch' | 'thins'>;
  speakingLength: Metres;
  path: Metres;
  pitch: Hertz;
}

/** No finger pushes a string farther aside, m. */
const FARTHEST = BEND_REACH.value / 1000;

/** Bend that raises the note at fret 12 by `rise`, the string sliding freely over nut and saddle. */
export function bendFor(rise: Cents, bendable: Bendable): BendOutcome {
  const { speakingLength, path } = bendable;
  requirePositive({ rise, speakingLength, path });
  const root = bisect((aside) => bent(aside, bendable).cents - rise, 1e-6, FARTHEST, 1e-9);
  if (root.kind !== 'root') return { kind: 'out-of-reach' };
  const here = bent(root.x, bendable);
  const step = 5e-5;
  const slope = (bent(root.x + step, bendable).cents - bent(root.x - step, bendable).cents) / (2 * step * 1000);
  return { kind: 'bend', bend: { travel: metres(root.x), force: newtons(here.force), centsPerMillimetre: slope } };
}

/**
 * Pushed aside by `aside` at its middle, the string is two straight halves: each longer by √((L/2)² + y²) − L/2, which the whole path shares. The pull
 * grows by EA (that of quick changes) times that strain, the halves pull back by 2 T sin θ, and the sounding half rings at √(T/μ)/2ℓ with its mass spread over more length.
 */
function bent(aside: number, { string, speakingLength, path, pitch }: Bendable): { cents: number; force: number } {
  const half = speakingLength / 2;
  const halfBent = Math.hypot(half, aside);
  const rest = tensionFor(pitch, speakingLength, string);
  const slackPath = path / (1 + rest / string.stiffness);
  const strainBefore = rest / string.stiffness;
  const stretch = (2 * (halfBent - half)) / slackPath;
  const strain = strainBefore + stretch;
  const tension = rest + string.stiffnessAtPitch * stretch;
  const ratio = Math.sqrt((tension / rest) * ((1 + strain) / (1 + strainBefore))) * (half / halfBent);
  return { cents: 1200 * Math.log2(ratio), force: (2 * tension * aside) / halfBent };
}
