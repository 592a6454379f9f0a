import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';
import { Background } from './background.js';
import { detectPitch, type Heard } from './detect.js';
import { excerptFor, excerptsOf, levelOf, longExcerpt } from './excerpts.js';
import { Ring } from './ring.js';
import { likelier } from './same-note.js';
import { Sounding } from './sounding.js';
import { steadyPitch, type Frame, type Steady } from './steady.js';

/** A pluck that has rung long enough to be logged. */
export interface Plucked extends Steady {
  /** When it was plucked, seconds since listening began. */
  at: number;
}

/** What is heard at one moment. */
export interface Moment {
  /** Seconds since listening began. */
  time: number;
  /** Level against the loudest that there can be, dB. */
  decibels: number;
  /** Whether something was plucked and still sounds. */
  sounds: boolean;
  /** Pitch now, from a short excerpt; null where none stands out. */
  live: Heard | null;
  /** Once for each pluck, when it can be logged. */
  plucked: Plucked | null;
}

/** Hops in the longest excerpt. */
const HOPS = 8;

/** Listens to a stream of sound. Its answers depend on the samples alone, not on how they are cut into blocks. */
export class Ear {
  private readonly long: number;
  private readonly hop: number;
  private readonly ring: Ring;
  private readonly sounding: Sounding;
  private readonly background = new Background();
  private pending = new Float32Array(0);
  private row: Frame[] = [];
  private about: Hertz | null = null;

  /** @throws RangeError if the sample rate is not between 8 and 192 kHz. */
  constructor(private readonly sampleRate: number) {
    if (!(sampleRate >= 8000 && sampleRate <= 192_000))
      throw new RangeError(`sampleRate must be between 8000 and 192000, was ${sampleRate}`);
    this.long = longExcerpt(sampleRate);
    this.hop = this.long / HOPS;
    this.ring = new Ring(this.long);
    this.sounding = new Sounding(this.hop / sampleRate);
  }

  /** Pitch that is expected: the live mark takes no longer excerpt than it needs. Null for anything. */
  expect(pitch: Hertz | null): void {
    this.about = pitch;
  }

  /** Hears what came since, and tells of every moment that passed. */
  hear(block: Float32Array): Moment[] {
    const all = new Float32Array(this.pending.length + block.length);
    all.set(this.pending);
    all.set(block, this.pending.length);
    const moments: Moment[] = [];
    let from = 0;
    for (; from + this.hop <= all.length; from += this.hop) moments.push(this.look(all.subarray(from, from + this.hop)));
    this.pending = all.slice(from);
    return moments;
  }

  private look(samples: Float32Array): Moment {
    this.ring.push(samples);
    const time = this.ring.heard / this.sampleRate;
    const decibels = levelOf(samples);
    if (this.sounding.rises(time, decibels)) this.row = [];
    const { since } = this.sounding;
    const live = since === null ? null : this.live(time, since);
    if (live !== null && this.sounding.hears(time, live.frequency)) this.row = [];
    const slow = levelOf(this.ring.last(this.long) ?? samples);
    const plucked = this.log(time, slow);
    if (this.sounding.rests(time, slow, live !== null)) this.learn();
    return { time, decibels, sounds: since !== null, live, plucked };
  }

  /** From the shortest excerpt that serves, once all of it lies after the pluck. */
  private live(time: number, since: number): Heard | null {
    const size = excerptFor(this.about, this.long);
    return likelier(this.detect(size, time - since, []), this.about, (expected) => this.detect(size, time - since, [expected]));
  }

  /** In the last `size` samples, `after` so many seconds from the pluck on. */
  private detect(size: number, after: number, targets: readonly Hertz[]): Heard | null {
    const excerpt = this.ring.last(size);
    if (excerpt === null || after - size / this.sampleRate < HEARING.attack.value) return null;
    const heard = detectPitch({ excerpt, sampleRate: this.sampleRate, targets, background: this.background.of(size) });
    return heard !== null && heard.confidence >= HEARING.leastConfidence.value ? heard : null;
  }

  /** Frames from 0.3 to 0.8 s after the pluck, told once when they are over. */
  private log(time: number, decibels: number): Plucked | null {
    const { since, pitch, dated } = this.sounding;
    if (since === null || !dated) return null;
    const middle = time - since - this.long / this.sampleRate / 2;
    if (middle < HEARING.loggedFrom.value) return null;
    if (middle <= HEARING.loggedTo.value) {
      const heard = this.detect(this.long, time - since, pitch === null ? [] : [pitch]);
      if (heard !== null) this.row.push({ ...heard, decibels });
      return null;
    }
    const steady = steadyPitch(this.row);
    this.row = [];
    return steady === null ? null : { at: since, ...steady };
  }

  private learn(): void {
    for (const size of excerptsOf(this.long)) {
      const excerpt = this.ring.last(size);
      if (excerpt !== null) this.background.learn(excerpt, this.sampleRate);
    }
  }
}
