import { Injectable } from '@angular/core';
import type {
  BridgeNow,
  BridgeTrial,
  ClawKnown,
  FloatingBridge,
  Foreseen,
  SchoolsCompared,
  SpringSample,
  SpringsLearned,
  Unknown,
} from '@gold-peg/craft/balance';
import type { Cents, Hertz, Metres } from '@gold-peg/craft/units';
import { Observable } from 'rxjs';

/** What springs are by these trials, going on from what was known of them before. */
export interface LearnQuestion {
  kind: 'learn';
  bridge: FloatingBridge;
  claw: ClawKnown;
  trials: readonly BridgeTrial[];
  before: Pick<SpringsLearned, 'rate' | 'initial'>;
}

/** What a pass is worth, and the claw, by all that is not known. */
export interface ForeseeQuestion {
  kind: 'foresee';
  bridge: FloatingBridge;
  claw: Metres;
  heard: readonly (Hertz | null)[];
  order: readonly number[];
  samples: readonly SpringSample[];
  tried: boolean;
  measured: readonly Unknown[];
}

/** What each way home takes from where it stands; `rate`: between which that of its springs lies, N/m. */
export interface SchoolsQuestion {
  kind: 'schools';
  now: BridgeNow;
  rate: { low: number; high: number };
  order: readonly number[];
  tolerance: Cents;
}

export type BridgeQuestion = LearnQuestion | ForeseeQuestion | SchoolsQuestion;
export type BridgeReply =
  | { kind: 'learned'; springs: SpringsLearned | null }
  | { kind: 'foreseen'; foreseen: Foreseen }
  | { kind: 'compared'; schools: SchoolsCompared };

/** Asks what takes long of a bridge in a worker of its own. Whoever stops listening cancels it: the worker ends at once. */
@Injectable({ providedIn: 'root' })
export class BridgeSolver {
  /** Ends without an answer where the worker fails. */
  ask(question: BridgeQuestion): Observable<BridgeReply> {
    return new Observable<BridgeReply>((subscriber) => {
      const worker = new Worker(new URL('./bridge.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<BridgeReply>) => {
        subscriber.next(data);
        subscriber.complete();
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
