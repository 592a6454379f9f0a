import { FLOATING } from '../constants/index.js';
import { floats, pitchOf, type Instrument } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import { fromDegrees, fromMillimetres, kilogramsPerMetre, metres, newtons, radians, type Metres, type Newtons } from '../units/index.js';
import type { BridgeString, FloatingBridge } from './bridge.js';

/** Springs as they are taken to be: count, N/m and N of one. */
export interface SpringFacts {
  count: number;
  rate: number;
  initial: Newtons;
}

export const backEdge: Metres = fromMillimetres(FLOATING.backEdge.value);
export const screwLead: Metres = fromMillimetres(FLOATING.screwLead.value);

/**
 * The bridge of an instrument under these strings, of the usual size where nothing was measured. One that rests on the body cannot tip back. Null while some string is not known,
 * and where the bridge does not move.
 */
export function bridgeUnder(
  instrument: Instrument,
  strings: readonly (StringProperties | null)[],
  { count, rate, initial }: SpringFacts,
): FloatingBridge | null {
  const rests = instrument.bridge.anchor === 'resting-vibrato';
  if (!rests && !floats(instrument.bridge)) return null;
  const bridgeStrings = instrument.strings.flatMap((place, index): BridgeString[] => {
    const string = strings[index] ?? null;
    if (string === null) return [];
    const pitch = pitchOf(instrument, place);
    const pull = tensionFor(pitch, place.scaleLength, string);
    return [
      {
        stiffness: newtons(string.stiffness),
        restDensity: kilogramsPerMetre(string.thins ? string.linearDensity : string.linearDensity * (1 + pull / string.stiffness)),
        scaleLength: place.scaleLength,
        extra: metres(instrument.bridge.behindSaddle + pastNut(instrument, place)),
        saddleHeight: fromMillimetres(FLOATING.saddleHeight.value),
        saddleOffset: metres(0),
        pitch,
        breakingLoad: newtons(string.breakingLoad),
      },
    ];
  });
  if (bridgeStrings.length < instrument.strings.length) return null;
  return {
    strings: bridgeStrings,
    springs: { count, rate, initial, free: fromMillimetres(FLOATING.springFree.value), arm: fromMillimetres(FLOATING.springDepth.value) },
    stops: {
      back: rests ? radians(0) : radians(-Math.asin(FLOATING.overBody.value / FLOATING.backEdge.value)),
      forward: fromDegrees(FLOATING.forwardStop.value),
    },
  };
}

/** A locking nut and a clamp at the head end the string where it sounds. */
const pastNut = ({ bridge }: Instrument, { post }: Instrument['strings'][number]): Metres =>
  bridge.anchor === 'double-locking' || post.style === 'clamp' ? metres(0) : post.along;
