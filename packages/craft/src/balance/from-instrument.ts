import { FLOATING } from '../constants/index.js';
import { floats, isVibrato, pitchOf, type Instrument } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import {
  fromDegrees,
  fromMillimetres,
  kilogramsPerMetre,
  metres,
  newtons,
  radians,
  type Hertz,
  type Metres,
  type Newtons,
} from '../units/index.js';
import type { BridgeString, FloatingBridge } from './bridge.js';

/** Springs as they are taken to be: count, N/m and N of one. */
export interface SpringFacts {
  count: number;
  rate: number;
  initial: Newtons;
}

export const backEdge: Metres = fromMillimetres(FLOATING.backEdge.value);
export const screwLead: Metres = fromMillimetres(FLOATING.screwLead.value);

/** Springs nobody knows: as they are sold, as many as usual. */
export const usualSprings: SpringFacts = {
  count: FLOATING.springs.value,
  rate: 1000 * FLOATING.springRate.value,
  initial: newtons(FLOATING.springInitial.value),
};

/** Where one string runs: what it sounds, from nut to saddle, and what of it lies behind nut and saddle. */
export interface BridgeSeat {
  pitch: Hertz;
  scaleLength: Metres;
  extra: Metres;
}

/**
 * A bridge that moves, of the usual size where nothing was measured, under these strings. One that rests on the body cannot tip back. Null while some string is not known, and
 * where the bridge does not move.
 */
export function bridgeOn(
  held: Parameters<typeof isVibrato>[0],
  seats: readonly BridgeSeat[],
  strings: readonly (StringProperties | null)[],
  { count, rate, initial }: SpringFacts,
): FloatingBridge | null {
  if (!isVibrato(held)) return null;
  const bridgeStrings = seats.flatMap(({ pitch, scaleLength, extra }, index): BridgeString[] => {
    const string = strings[index] ?? null;
    if (string === null) return [];
    const pull = tensionFor(pitch, scaleLength, string);
    return [
      {
        stiffness: newtons(string.stiffness),
        restDensity: kilogramsPerMetre(string.thins ? string.linearDensity : string.linearDensity * (1 + pull / string.stiffness)),
        massBand: string.bandPercent / 100,
        scaleLength,
        extra,
        saddleHeight: fromMillimetres(FLOATING.saddleHeight.value),
        saddleOffset: fromMillimetres(-FLOATING.saddleBehind.value),
        pitch,
        breakingLoad: newtons(string.breakingLoad),
      },
    ];
  });
  if (bridgeStrings.length < seats.length) return null;
  return {
    strings: bridgeStrings,
    springs: { count, rate, initial, free: fromMillimetres(FLOATING.springFree.value), arm: fromMillimetres(FLOATING.springDepth.value) },
    stops: {
      back: floats(held) ? radians(-Math.asin(FLOATING.overBody.value / FLOATING.backEdge.value)) : radians(0),
      forward: fromDegrees(FLOATING.forwardStop.value),
    },
  };
}

/** The same of an instrument as it is noted. */
export const bridgeUnder = (
  instrument: Instrument,
  strings: readonly (StringProperties | null)[],
  springs: SpringFacts,
): FloatingBridge | null =>
  bridgeOn(
    instrument.bridge,
    instrument.strings.map((place) => ({
      pitch: pitchOf(instrument, place),
      scaleLength: place.scaleLength,
      extra: metres(instrument.bridge.behindSaddle + pastNut(instrument, place)),
    })),
    strings,
    springs,
  );

/** A locking nut and a clamp at the head end the string where it sounds. */
const pastNut = ({ bridge }: Instrument, { post }: Instrument['strings'][number]): Metres =>
  bridge.anchor === 'double-locking' || post.style === 'clamp' ? metres(0) : post.along;
