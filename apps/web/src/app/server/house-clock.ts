import { Injectable } from '@angular/core';

const KEPT = 'gold-peg.clock-offset';
/** The server says its time in whole seconds; less than this is no difference. */
const LEAST_MS = 1500;

/**
 * One time for all devices of a house: a tablet whose clock is wrong by minutes would have its steps sorted before or after those of another. The device's own clock
 * is put right by what the server last said, also while the server is away.
 */
@Injectable({ providedIn: 'root' })
export class HouseClock {
  private offset = Number(localStorage.getItem(KEPT) ?? 0) || 0;
  private last = 0;

  /** Milliseconds since the epoch. */
  now(): number {
    return Date.now() + this.offset;
  }

  /** The time of a new event: later than that of every event before it, by whole milliseconds, whatever the clocks do. */
  next(): number {
    this.last = Math.max(this.now(), this.last + 1);
    return this.last;
  }

  /** An event of this device that is known already: what comes is later. */
  known(ms: number): void {
    if (ms > this.last) this.last = ms;
  }

  /** What the server says the time is, in the `Date` of an answer to what was asked at `askedAt` of this device's clock. */
  heard(date: string | null, askedAt: number): void {
    const said = date === null ? Number.NaN : Date.parse(date);
    if (Number.isNaN(said)) return;
    const halfWay = (askedAt + Date.now()) / 2;
    const off = said + 500 - halfWay; // the middle of the second that it names
    this.offset = Math.abs(off) < LEAST_MS + Date.now() - askedAt ? 0 : Math.round(off);
    localStorage.setItem(KEPT, String(this.offset));
  }
}
