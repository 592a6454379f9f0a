import { HEARING } from '../constants/index.js';
import type { Hertz } from '../units/index.js';
import { isAnother } from './same-note.js';

/** A pluck is looked for against so many moments, itself among them. */
const LOOKS_BACK = 4;

/**
 * What sounds at the bench, told by its levels and by the pitch that stands out of it: since when, whether it was heard from its beginning, and when it is over. Asked once for each moment, in the
 * order `rises`, `hears` (where a pitch stands out), `rests`. Times are seconds, levels dB against the loudest that there can be.
 */
export class Sounding {
  /** When what sounds was plucked; null where nothing sounds. */
  since: number | null = null;
  /** The pitch that it is known by; null before one stood out. */
  pitch: Hertz | null = null;
  /** Whether it is known when it was plucked: only then can it be logged. */
  dated = true;
  private levels: number[] = [];
  /** Moments in a row of another pitch than what was plucked. */
  private strays = 0;
  /** Moments in a row in which nothing stands out. */
  private quiet = 0;
  /** What sounded was lost while it was as loud as ever. */
  private lost = false;
  /** Level before a pluck. */
  private room = 0;
  /** When its attack was over, and how loud it was. */
  private settled: { time: number; decibels: number } | null = null;

  /** @param hop From one moment to the next. */
  constructor(private readonly hop: number) {}

  /** Whether something begins to sound at `time`, at the level of the last hop. */
  rises(time: number, decibels: number): boolean {
    this.levels = [...this.levels, decibels].slice(-LOOKS_BACK);
    const before = Math.min(...this.levels);
    if (decibels > before + HEARING.rises.value) this.settled = null; // plucked again: what is plucked for long is no motor
    if (decibels > Math.max(before + HEARING.onset.value, HEARING.silence.value) && this.mayBePlucked(time)) {
      // over a string that still rings, or rang when it was lost, the room is what it was
      if (this.since === null && !this.lost) this.room = Math.min(before, this.room + HEARING.died.value);
      this.begin(time, true);
      return true;
    }
    const rings = before > Math.max(this.room + HEARING.onset.value, HEARING.silence.value);
    if (this.since !== null || !rings) return false;
    // it began unheard: what it is can be shown, and when it was plucked nobody knows, unless another was lost to it just now
    this.begin(time, this.lost);
    return true;
  }

  /** Whether a pitch that stands out at `time` is that of another string, plucked over one that rang as loud. */
  hears(time: number, pitch: Hertz): boolean {
    this.strays = this.pitch !== null && isAnother(pitch, this.pitch) ? this.strays + 1 : 0;
    if (this.strays === 0) this.pitch = pitch;
    if (this.strays < HEARING.steadyFrames.value) return false;
    this.begin(time, true);
    return true;
  }

  /**
   * Whether what sounds at `time` is the room, to be learned as what sounds all the time: a string has died away when nothing stands out and it is no louder than the room was before it, and what
   * holds its level for seconds is no string. A string that rings on unheard is over and not learned: it would be taken for the room, and never be heard again. `decibels`: over a third of a second,
   * since from hop to hop a low string is now louder, now softer; `heard`: whether a pitch stands out.
   */
  rests(time: number, decibels: number, heard: boolean): boolean {
    if (this.since !== null && time - this.since < HEARING.rings.value) return false;
    this.settled ??= { time, decibels };
    const held = time - this.settled.time;
    const holds = held > HEARING.motor.value && this.settled.decibels - decibels < HEARING.fades.value * held;
    this.quiet = heard && !holds ? 0 : this.quiet + 1;
    if (this.quiet < HEARING.steadyFrames.value) return false;
    const died = decibels < Math.max(this.room + HEARING.died.value, HEARING.silence.value);
    this.since = null;
    this.lost = !died && !holds;
    if (holds) this.room = decibels; // a motor was started: it belongs to the room
    return !this.lost;
  }

  private mayBePlucked(time: number): boolean {
    return this.since === null || time - this.since > HEARING.again.value;
  }

  private begin(time: number, dated: boolean): void {
    // it began within the last hop: all of it is what is known
    this.since = time - this.hop;
    this.pitch = null;
    this.dated = dated;
    this.quiet = 0;
    this.settled = null;
  }
}
