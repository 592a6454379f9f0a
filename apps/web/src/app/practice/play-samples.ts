import { DestroyRef, inject, Injectable } from '@angular/core';

const RATE = 44_100;

/** Plays samples through the loudspeaker; nothing is heard before somebody asked for it. */
@Injectable()
export class PlaySamples {
  private context: AudioContext | null = null;
  private playing: AudioBufferSourceNode | null = null;
  readonly rate = RATE;

  constructor() {
    inject(DestroyRef).onDestroy(() => void this.context?.close());
  }

  async play(samples: Float32Array<ArrayBuffer>): Promise<void> {
    this.context ??= new AudioContext({ sampleRate: RATE });
    await this.context.resume();
    this.playing?.stop();
    const buffer = this.context.createBuffer(1, samples.length, RATE);
    buffer.copyToChannel(samples, 0);
    this.playing = this.context.createBufferSource();
    this.playing.buffer = buffer;
    this.playing.connect(this.context.destination);
    this.playing.start();
  }
}
