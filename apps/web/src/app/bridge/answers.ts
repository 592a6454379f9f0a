import { computed } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, of, startWith, switchMap } from 'rxjs';
import type { BridgeQuestion, BridgeReply, BridgeSolver } from './bridge-solver';

/** The latest answer to a question that changes; the one before it stays until there is another. `quiet`: how long it has to stay the same first, ms. */
export function latestAnswer<K extends BridgeReply['kind']>(solver: BridgeSolver, question: () => BridgeQuestion | null, quiet: number) {
  const asked = computed(question, { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  const replies = toObservable(asked).pipe(
    debounceTime(quiet),
    switchMap((now) => (now === null ? of(null) : solver.ask(now))),
    startWith(null),
  );
  return toSignal(replies, { initialValue: null }) as () => Extract<BridgeReply, { kind: K }> | null;
}
