import { HEARING } from '../constants/index.js';
import { hertz, type Hertz } from '../units/index.js';
import { Background } from './background.js';
import { detectPitch, type Heard } from './detect.js';
import { Ring } from './ring.js';

/** A pluck that has rung long enough to be logged. */
export interface Plucked {
  /** When it was plucked, seconds since listening began. */
  at: number;
  /** Median of its frames. */
  frequency: Hertz;
  /** Between the lowest and the highest of the frames that count, cents. */
  spreadCents: number;
  confidence: number;
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

/** Hops from one look to the next, and the excerpts of the live mark by the lowest pitch they serve, at 48 kHz. */
const HOP = 2048;
const LIVE: readonly { under: number; size: number }[] = [
  { under: 50, size: 16_384 },
  { under: 100, size: 8192 },
  { under: Infinity, size: 4096 },
];
const USUAL_RATE = 48_000;
/** A string is taken for its octave or its twelfth where its first partials are weak. */
const MISHEARD = [2, 3, 1 / 2];

/** Listens to a stream of sound. Its answers depend on the samples alone, not on how they are cut into blocks. */
export class Ear {
  private readonly hop: number;
  private readonly long: number;
  private readonly ring: Ring;
  private readonly background = new Background();
  private pending = new Float32Array(0);
  private levels: number[] = [];
  private quiet = 0;
  private onset: number | null = null;
  private heardLive: Hertz | null = null;
  /** Frames in a row that are of another pitch than what was plucked. */
  private strays = 0;
  /** What sounded was lost while it was as loud as ever. */
  private lost = false;
  /** Whether what sounds was heard from its beginning. */
  private logs = true;
  private row: (Heard & { decibels: number })[] = [];
  /** Level before a pluck, dB. */
  private room = 0;
  /** Level once the attack is over. */
  private settled: { time: number; decibels: number } | null = null;
  private about: Hertz | null = null;

  /** @throws RangeError if the sample rate is not between 8 and 192 kHz. */
  constructor(private readonly sampleRate: number) {
    if (!(sampleRate >= 8000 && sampleRate <= 192_000))
      throw new RangeError(`sampleRate must be between 8000 and 192000, was ${sampleRate}`);
    const scale = 2 ** Math.round(Math.log2(sampleRate / USUAL_RATE));
    this.hop = HOP * scale;
    this.long = 2 ** Math.round(Math.log2(HEARING.excerpt.value * sampleRate));
    this.ring = new Ring(this.long);
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
    const before = this.levels.length === 0 ? decibels : Math.min(...this.levels);
    this.levels = [...this.levels, decibels].slice(-3);
    if (decibels > before + HEARING.rises.value) this.settled = null; // plucked again: what is plucked for long is no motor
    const louder = decibels > before + HEARING.onset.value && decibels > HEARING.silence.value;
    if (louder && (this.onset === null || time - this.onset > HEARING.again.value)) this.begin(time, before, true);
    // it began unheard: what it is can be shown, and when it was plucked nobody knows, unless another was lost to it just now
    else if (this.onset === null && before > Math.max(this.room + HEARING.onset.value, HEARING.silence.value))
      this.begin(time, before, this.lost);
    const sounds = this.onset !== null;
    const live = sounds ? this.live(time) : null;
    const plucked = sounds ? this.log(time) : null;
    this.rest(time, live);
    return { time, decibels, sounds, live, plucked };
  }

  private begin(time: number, before: number, plucked: boolean): void {
    // over a string that still rings, or rang when it was lost, the room is what it was
    if (this.onset === null && plucked && !this.lost) this.room = Math.min(before, this.room + HEARING.died.value);
    this.logs = plucked;
    this.strays = 0;
    // it began within the last hop: half of it is what is known
    this.onset = time - this.hop / this.sampleRate;
    this.row = [];
    this.quiet = 0;
    this.settled = null;
    this.heardLive = null;
  }

  /** From the shortest excerpt that serves, once all of it lies after the pluck. */
  private live(time: number): Heard | null {
    const pitch = this.about ?? hertz(0);
    const size = (LIVE.find(({ under }) => pitch < under)?.size ?? 0) * (this.hop / HOP);
    const heard = this.likelier(Math.min(size, this.long), time);
    if (heard === null) return null;
    // a string that was plucked over another that rang as loud: it is known by its pitch
    this.strays = this.heardLive !== null && isAnother(heard.frequency, this.heardLive) ? this.strays + 1 : 0;
    if (this.strays >= HEARING.steadyFrames.value) this.begin(time, 0, true);
    else if (this.strays === 0) this.heardLive = heard.frequency;
    return heard;
  }

  /** Whatever stands out; where that lies an octave or a twelfth from what is expected, what is expected if it stands out nearly as well. */
  private likelier(size: number, time: number): Heard | null {
    const heard = this.detect(size, time, []);
    if (this.about === null || (heard !== null && !MISHEARD.some((times) => isNear(heard.frequency, (this.about ?? 1) * times))))
      return heard;
    const guided = this.detect(size, time, [this.about]);
    return guided !== null && guided.confidence > HEARING.guided.value * (heard?.confidence ?? 0) ? guided : heard;
  }

  private detect(size: number, time: number, targets: readonly Hertz[]): Heard | null {
    const begins = time - size / this.sampleRate;
    const excerpt = this.ring.last(size);
    if (excerpt === null || this.onset === null || begins < this.onset + HEARING.attack.value) return null;
    const heard = detectPitch({ excerpt, sampleRate: this.sampleRate, targets, background: this.background.of(size) });
    return heard !== null && heard.confidence >= HEARING.leastConfidence.value ? heard : null;
  }

  /** Frames from 0.3 to 0.8 s after the pluck, told once when they are over. */
  private log(time: number): Plucked | null {
    if (this.onset === null) return null;
    const middle = time - this.long / this.sampleRate / 2 - this.onset;
    if (middle >= HEARING.loggedFrom.value && middle <= HEARING.loggedTo.value) {
      const heard = this.detect(this.long, time, this.heardLive === null ? [] : [this.heardLive]);
      if (heard !== null) this.row.push({ ...heard, decibels: this.slowLevel() });
      return null;
    }
    if (middle <= HEARING.loggedTo.value || this.row.length === 0 || !this.logs) return null;
    const [row, frames] = [this.row, HEARING.steadyFrames.value];
    this.row = [];
    const sorted = row.map(({ frequency }) => frequency).sort((a, b) => a - b);
    const median = sorted[sorted.length >> 1] ?? 0;
    const near = row.filter(({ frequency }) => Math.abs(1200 * Math.log2(frequency / median)) <= HEARING.steadyCents.value);
    if (near.length < frames || !fades(row)) return null;
    const [low, high] = [Math.min(...near.map(({ frequency }) => frequency)), Math.max(...near.map(({ frequency }) => frequency))];
    return {
      at: this.onset,
      frequency: hertz(median),
      spreadCents: 1200 * Math.log2(high / low),
      confidence: near.reduce((sum, { confidence }) => sum + confidence, 0) / row.length,
    };
  }

  /**
   * A string has died away when nothing is heard of it and it is no louder than the room was before it; what holds its level for seconds is no string either. Only then is what sounds learned as
   * what sounds all the time: a string that rings on unheard would be taken for it, and never be heard again.
   */
  private rest(time: number, live: Heard | null): void {
    if (this.onset !== null && time - this.onset < HEARING.rings.value) return;
    const decibels = this.slowLevel();
    this.settled ??= { time, decibels };
    const held = time - this.settled.time;
    const holds = held > HEARING.motor.value && this.settled.decibels - decibels < HEARING.fades.value * held;
    const died = live === null && decibels < Math.max(this.room + HEARING.died.value, HEARING.silence.value);
    this.quiet = live === null || holds ? this.quiet + 1 : 0;
    if (this.quiet < HEARING.steadyFrames.value) return;
    this.onset = null;
    this.lost = !died && !holds;
    if (holds) this.room = decibels; // a motor was started: it belongs to the room
    if (died || holds) this.learn();
  }

  private learn(): void {
    for (const size of new Set([this.long, ...LIVE.map((each) => Math.min(each.size * (this.hop / HOP), this.long))])) {
      const excerpt = this.ring.last(size);
      if (excerpt !== null) this.background.learn(excerpt, this.sampleRate);
    }
  }

  /** Over a third of a second: from hop to hop a low string is now louder, now softer. */
  private slowLevel(): number {
    const excerpt = this.ring.last(Math.min(this.long, this.ring.heard));
    return excerpt === null ? 0 : levelOf(excerpt);
  }
}

/** From the first frame of a row to its last, by half of what a string fades in a second. */
const fades = (row: readonly { decibels: number }[]): boolean =>
  (row[0]?.decibels ?? 0) - (row.at(-1)?.decibels ?? 0) > (HEARING.fades.value * (HEARING.loggedTo.value - HEARING.loggedFrom.value)) / 2;

const centsApart = (one: number, other: number): number => Math.abs(1200 * Math.log2(one / other));
const isNear = (one: number, other: number): boolean => centsApart(one, other) < HEARING.sameNote.value;
/** Of another pitch, and no octave of it. */
const isAnother = (one: number, other: number): boolean =>
  centsApart(one, other) > HEARING.sameNote.value && Math.abs(centsApart(one, other) - 1200) > HEARING.sameNote.value;

const levelOf = (samples: Float32Array): number =>
  10 * Math.log10(Math.max(samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length, 1e-12));
