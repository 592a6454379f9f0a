import { Injectable } from '@angular/core';
import type { Asked, Correction, InForce, Inserted, Next, Plan, Promised, Rack, Replanned } from '@gold-peg/craft/day';
import { Observable } from 'rxjs';

export interface DayQuestion {
  /** A job that is asked for; left out where only the day is planned. */
  asked?: Asked;
  rack: Rack;
  inForce: readonly InForce[];
  timeLimitMs: number;
  /** How chances are to be taken, by what was kept of promises. */
  correction: Correction;
}

/** A better plan on the way, and which share of the time is over; the best that was found, its chances, and what is next; or when a job that is asked for can be ready. */
export type DayReply =
  | { kind: 'better'; plan: Plan; share: number }
  | { kind: 'inserted'; inserted: Inserted }
  | { kind: 'planned'; plan: Replanned; promises: readonly Promised[]; next: Next };

/** Plans the bench day in a worker of its own. Whoever stops listening cancels it: the worker ends at once. */
@Injectable({ providedIn: 'root' })
export class Planner {
  /** Ends without an answer where the worker fails. */
  plan(question: DayQuestion): Observable<DayReply> {
    return new Observable<DayReply>((subscriber) => {
      const worker = new Worker(new URL('./day.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<DayReply>) => {
        subscriber.next(data);
        if (data.kind !== 'better') subscriber.complete();
      };
      worker.onerror = (event) => {
        event.preventDefault();
        subscriber.complete();
      };
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }
}
