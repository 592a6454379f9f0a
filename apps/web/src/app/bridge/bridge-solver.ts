import { Injectable } from '@angular/core';
import type {
  BridgeNow,
  BridgeSpread,
  BridgeTrial,
  ClawKnown,
  FloatingBridge,
  Foreseen,
  PassLeaves,
  SchoolsCompared,
  SpringSample,
  SpringsLearned,
  Unknown,
} from '@gold-peg/craft/balance';
import { cents, hertz, type Cents, type Hertz, type Metres } from '@gold-peg/craft/units';
import { Observable } from 'rxjs';

/** What springs are by these trials, going on from what was known of them before. */
export interface LearnQuestion {
  kind: 'learn';
  bridge: FloatingBridge;
  claw: ClawKnown;
  trials: readonly BridgeTrial[];
  before: Pick<SpringsLearned, 'rate' | 'initial'>;
}

/** A bridge as it stands under these pitches, and what is known of its springs. */
export interface BridgeAsKnown {
  bridge: FloatingBridge;
  claw: Metres;
  heard: readonly (Hertz | null)[];
  samples: readonly SpringSample[];
  tried: boolean;
  measured: readonly Unknown[];
}

/** What a pass is worth, and the claw, by all that is not known. */
export interface ForeseeQuestion extends BridgeAsKnown, PassLeaves {
  kind: 'foresee';
  order: readonly number[];
}

/** What it bears and does as it stands. */
export interface SpreadQuestion extends BridgeAsKnown {
  kind: 'spread';
  bent: Cents;
}

/** What each way home takes from where it stands; `rate`: between which that of its springs lies, N/m. */
export interface SchoolsQuestion {
  kind: 'schools';
  now: BridgeNow;
  rate: { low: number; high: number };
  order: readonly number[];
  tolerance: Cents;
}

export type BridgeQuestion = LearnQuestion | ForeseeQuestion | SpreadQuestion | SchoolsQuestion;
export type BridgeReply =
  | { kind: 'learned'; springs: SpringsLearned | null }
  | { kind: 'foreseen'; foreseen: Foreseen }
  | { kind: 'spread'; spread: BridgeSpread | null }
  | { kind: 'compared'; schools: SchoolsCompared };

/** A bend that everybody plays: a whole tone. */
export const BENT = cents(200);

/** How the strings of a bridge sound as it stands; null for one that is off or hangs slack. */
export const soundsOf = ({ bridge, off }: BridgeNow): (Hertz | null)[] =>
  bridge.strings.map(({ pitch }, index) => {
    const cents = off[index] ?? null;
    return cents === null || !Number.isFinite(cents) ? null : hertz(pitch * 2 ** (cents / 1200));
  });

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
