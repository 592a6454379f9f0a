import { inject, Injectable, InjectionToken, signal, type Signal } from '@angular/core';
import { Subject, type Observable } from 'rxjs';

/** A digital caliper that sends what it shows. */
@Injectable({ providedIn: 'root', useFactory: () => inject(SimulatedCaliper) })
export abstract class Caliper {
  /** A stand-in has to be told what is between its jaws. */
  abstract readonly simulated: boolean;
  /** What it shows with its jaws closed, mm, as far as anybody looked; null before. */
  abstract readonly closed: Signal<number | null>;
  /** Millimetres, each time its button is pressed with something between the jaws. */
  abstract readonly readings: Observable<number>;
  /** Closes the jaws and looks. */
  abstract close(): void;
  /** Makes what it shows with its jaws closed the zero. */
  abstract zero(): void;
  /** Presses its button. `between`: what is between the jaws, mm; a real one knows by itself. */
  abstract press(between: number): void;
}

/** Chance, so that specs can do without. */
export const CHANCE = new InjectionToken<() => number>('a number from 0 to 1', { providedIn: 'root', factory: () => Math.random });

const LAST_DIGIT_MM = 0.01;
/** Standard deviation of the pressure of a hand, mm. */
const HAND_MM = 0.006;
/** What it is off by when it is taken from its box: from 0.03 to 0.09 mm, either way. */
const ZERO_ERROR_MM = { least: 0.03, most: 0.09 };

/** Stands in for the device: it reads to its last digit, trembles with the hand, and comes out of its box with a zero that is off. */
@Injectable({ providedIn: 'root' })
export class SimulatedCaliper extends Caliper {
  private readonly chance = inject(CHANCE);
  private readonly sent = new Subject<number>();
  private readonly atRest = signal<number | null>(null);
  private offset = this.drawOffset();

  override readonly simulated = true;
  override readonly closed = this.atRest.asReadonly();
  override readonly readings = this.sent.asObservable();

  override close(): void {
    this.atRest.set(this.shown(0));
  }

  override zero(): void {
    this.offset = 0;
    this.atRest.set(0);
  }

  override press(between: number): void {
    this.sent.next(this.shown(between + HAND_MM * this.normal()));
  }

  private shown(length: number): number {
    return Number((Math.round((length + this.offset) / LAST_DIGIT_MM) * LAST_DIGIT_MM).toFixed(2));
  }

  private drawOffset(): number {
    const { least, most } = ZERO_ERROR_MM;
    const size = least + (most - least) * this.chance();
    return this.chance() < 0.5 ? -size : size;
  }

  /** Box and Muller's normal number. */
  private normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.chance())) * Math.cos(2 * Math.PI * this.chance());
  }
}
