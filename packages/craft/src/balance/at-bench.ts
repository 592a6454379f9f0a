import { cents, hertz, metres, radians, type Cents, type Hertz, type Metres, type Radians } from '../units/index.js';
import { pullFor, speaking, type BridgeString, type FloatingBridge, type RestLengths } from './bridge.js';
import { clawWhere, levelClaw } from './claw.js';
import { restsFrom, restsWhere, settle, tunedTo, type Known } from './equilibrium.js';
import { finalRests } from './one-pass.js';

/** What happens to a bridge at the bench, in the order it does. Strings are zero-based. */
export type BridgeHappening =
  /** A string was heard where it stands. */
  | { kind: 'read'; string: number; sounds: Hertz }
  /** Its peg was turned, and it was heard then; `pass` where that was to its mark of one. */
  | { kind: 'set'; string: number; sounds: Hertz; pass: PassLeaves | null }
  /** Drawn in by so much; let out below zero. */
  | { kind: 'claw'; travel: Metres }
  /** Tipped so, as measured. */
  | { kind: 'tilt'; angle: Radians }
  | { kind: 'springs'; count: number }
  | { kind: 'fine-tuners-at-mid' }
  /** Those of a locking nut. */
  | { kind: 'clamps'; shut: boolean }
  /** The arm was moved to its stop a few times. */
  | { kind: 'arm' };

/** Where a pass over all strings leaves them: `toward` cents from their notes, once the claw has gone in by `travel` after it; zero where it stays. */
export interface PassLeaves {
  toward: Cents;
  travel: Metres;
}

/** A locking nut and the fine tuners behind it. */
export interface LockingNut {
  /** The fine tuners were set to the middle of their travel while it was open. */
  mid: boolean;
  /** How long each string is at rest with its fine tuner there; null while the nut is open. */
  shutAt: RestLengths | null;
  /** Strings whose fine tuner was turned since. */
  turned: readonly number[];
}

/** A string that was heard where nobody had turned its peg: what had been foretold beside what came. Cents from its note. */
export interface Foretold {
  string: number;
  foretold: Cents;
  heard: Cents;
}

/** A bridge as it stands, as far as is known. */
export interface BridgeNow {
  bridge: FloatingBridge;
  claw: Metres;
  angle: Radians;
  rests: RestLengths;
  /** Cents from its note, heard or reckoned; null for a string that is off, −∞ for one that hangs slack. */
  off: readonly (Cents | null)[];
  /** Heard since anything was moved. */
  fresh: readonly boolean[];
  /** Heard at all since the set came on: what is said of the others is a guess. */
  heard: readonly boolean[];
  /** Strings that were set since all of them were heard. */
  passed: readonly number[];
  /** Where that pass leaves them. */
  leaves: PassLeaves;
  /** Of the latest pass, as far as strings were heard again. */
  foretold: readonly Foretold[];
  nut: LockingNut;
  /** Turned in since the set came on, m. */
  clawMoved: Metres;
}

/** A pass that brings all home, and the claw stays. */
export const AT_THEIR_NOTES: PassLeaves = { toward: cents(0), travel: metres(0) };

/** A string that is heard so far from where it was heard before, though nobody says that it was turned, was turned. */
const TURNED = 1;

/**
 * Where a bridge stands after all that happened to it. `claw`: where it stood at the beginning; `before`: where each string stood then, for want of ears at its note.
 */
export function bridgeNow(bridge: FloatingBridge, claw: Metres, happenings: readonly BridgeHappening[], before?: RestLengths): BridgeNow {
  const rests = before ?? finalRests(bridge, claw);
  const begun: BridgeNow = {
    bridge,
    claw,
    ...seen(bridge, claw, rests),
    fresh: bridge.strings.map(() => false),
    heard: bridge.strings.map(() => false),
    passed: [],
    leaves: AT_THEIR_NOTES,
    foretold: [],
    nut: { mid: false, shutAt: null, turned: [] },
    clawMoved: metres(0),
  };
  return happenings.reduce(happen, begun);
}

function seen(bridge: FloatingBridge, claw: Metres, rests: RestLengths, from?: Radians): Pick<BridgeNow, 'angle' | 'rests' | 'off'> {
  const { angle, frequencies } = settle(bridge, claw, rests, from);
  return { angle, rests, off: frequencies.map((frequency, index) => offOf(bridge, index, frequency)) };
}

const offOf = ({ strings }: FloatingBridge, index: number, frequency: Hertz | null): Cents | null =>
  frequency === null ? null : cents(1200 * Math.log2(frequency / (strings[index] as BridgeString).pitch));

function happen(now: BridgeNow, event: BridgeHappening): BridgeNow {
  const { bridge, claw, angle, rests } = now;
  const untouched = bridge.strings.map(() => false);
  switch (event.kind) {
    case 'read':
    case 'set':
      if (event.kind === 'set') return set(now, event, event.pass);
      return wasTurned(now, event) ? set(now, event, null) : read(now, event);
    case 'claw': {
      const moved = metres(claw + event.travel);
      const clawMoved = metres(now.clawMoved + event.travel);
      return { ...now, claw: moved, clawMoved, ...seen(bridge, moved, rests, angle), fresh: untouched, passed: [] };
    }
    case 'springs': {
      const other = { ...bridge, springs: { ...bridge.springs, count: event.count } };
      return { ...now, bridge: other, ...seen(other, claw, rests, angle), fresh: untouched, passed: [] };
    }
    case 'fine-tuners-at-mid':
      return { ...now, nut: { ...now.nut, mid: true }, fresh: untouched, passed: [] };
    case 'clamps':
      // pads drag strings along: all are heard again
      return {
        ...now,
        nut: { mid: event.shut && now.nut.mid, shutAt: event.shut ? rests : null, turned: [] },
        fresh: untouched,
        passed: [],
      };
    case 'arm':
      return { ...now, fresh: untouched, passed: [] };
    case 'tilt':
      return tilted(now, event.angle);
  }
}

/** They sound as they do, and it lies so: the claw is where it explains both. */
function tilted(now: BridgeNow, angle: Radians): BridgeNow {
  const { bridge, off } = now;
  const sounds = bridge.strings.map(({ pitch }, index): Hertz | null => {
    const cents = off[index] ?? null;
    return cents === null ? null : hertz(pitch * 2 ** (cents / 1200));
  });
  const pulls = bridge.strings.map((string, index) => {
    const frequency = sounds[index] ?? null;
    return frequency === null ? 0 : pullFor(string, speaking(string, angle).length, frequency);
  });
  const claw = clawWhere(bridge, angle, pulls);
  if (claw === null) return now;
  const { rests } = restsFrom(bridge, claw, sounds, angle);
  return { ...now, claw, ...seen(bridge, claw, rests, angle) };
}

function wasTurned({ fresh, off, bridge }: BridgeNow, { string, sounds }: { string: number; sounds: Hertz }): boolean {
  const [before, now] = [off[string] ?? null, offOf(bridge, string, sounds)];
  return fresh[string] === true && before !== null && now !== null && Math.abs(now - before) > TURNED;
}

/** Its peg was turned: the others are as long as they were, and sound elsewhere. */
function set(now: BridgeNow, step: { string: number; sounds: Hertz }, pass: PassLeaves | null): BridgeNow {
  const { bridge, claw, rests, angle } = now;
  const others = rests.map((rest) => rest ?? null);
  const tuned = tunedTo(bridge, claw, others, step, angle);
  return {
    ...now,
    ...seen(bridge, claw, tuned.rests, tuned.angle),
    fresh: bridge.strings.map((_, index) => index === step.string),
    heard: now.heard.with(step.string, true),
    passed: [...now.passed.filter((string) => string !== step.string), ...(pass === null ? [] : [step.string])],
    leaves: pass ?? now.leaves,
    nut: { ...now.nut, turned: [...now.nut.turned, step.string] },
    foretold: now.passed.length === 0 ? [] : now.foretold,
  };
}

/** It was only heard: with all others that were heard since anything moved, it says where the bridge is. */
function read(now: BridgeNow, { string, sounds }: { string: number; sounds: Hertz }): BridgeNow {
  const { bridge, claw, rests, angle, off } = now;
  const known: Known[] = rests.map((rest, index) => {
    const cents = off[index] ?? null;
    if (index === string) return { sounds };
    const { pitch } = bridge.strings[index] as BridgeString;
    if (now.fresh[index] === true && cents !== null) return { sounds: (pitch * 2 ** (cents / 1200)) as Hertz };
    return rest === null ? null : { rest };
  });
  const stands = restsWhere(bridge, claw, known, angle);
  const fresh = now.fresh.with(string, true);
  const [foretold, heard] = [off[string] ?? null, offOf(bridge, string, sounds)];
  const all = fresh.every((is, index) => is || rests[index] === null);
  // what is heard for the first time was a guess, and what is heard once more was told already
  const isTold = foretold !== null && heard !== null && now.fresh[string] !== true && now.heard[string] === true;
  return {
    ...now,
    ...seen(bridge, claw, stands.rests, stands.angle),
    fresh,
    heard: now.heard.with(string, true),
    passed: all ? [] : now.passed,
    nut: { ...now.nut, shutAt: asClamped(now.nut, stands.rests) },
    foretold: isTold ? [...now.foretold.filter((each) => each.string !== string), { string, foretold, heard }] : now.foretold,
  };
}

/** The clamps took each string as it is heard before its fine tuner is turned. */
const asClamped = ({ shutAt, turned }: LockingNut, rests: RestLengths): RestLengths | null =>
  shutAt?.map((rest, string) => (turned.includes(string) ? rest : (rests[string] ?? null))) ?? null;

/** How far the claw has to go in so that the bridge is level once all are in tune; out below zero, null where these springs cannot hold it. */
export function clawToLevel({ bridge, claw }: Pick<BridgeNow, 'bridge' | 'claw'>): Metres | null {
  const level = levelClaw(bridge);
  return level.ok ? metres(level.value - claw) : null;
}

/** Height of the back edge over where it is level, m, at a tilt: `edge` behind the knife edge. It rises as the bridge tips toward the neck. */
export const edgeRise = (angle: Radians, edge: Metres): Metres => metres(edge * Math.sin(angle));
/** The tilt at which the back edge stands so far over where it is level. */
export const tiltOf = (rise: Metres, edge: Metres): Radians => radians(Math.asin(Math.max(-1, Math.min(1, rise / edge))));
