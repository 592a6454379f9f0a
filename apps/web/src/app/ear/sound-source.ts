import type { Observable } from 'rxjs';

/** A piece of sound, one channel between −1 and 1. */
export interface SoundBlock {
  samples: Float32Array<ArrayBuffer>;
  sampleRate: number;
}

/** Whatever can be listened to: a microphone, or an instrument that is simulated. Whoever stops listening lets go of it. */
export interface SoundSource {
  readonly kind: 'microphone' | 'simulated';
  /** Fails with a `SoundFault` where nothing can be heard, or can no longer. */
  listen(): Observable<SoundBlock>;
}

/** Why nothing is heard, in a plain sentence with a way on. */
export class SoundFault extends Error {}

/** Said where nobody knows more. */
export const BROKE_OFF = 'Listening broke off: choose what to listen to again.';
