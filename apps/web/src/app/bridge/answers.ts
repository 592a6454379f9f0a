import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { debounceTime, defaultIfEmpty, map, of, scan, switchMap } from 'rxjs';
import type { BridgeQuestion, BridgeReply, BridgeSolver } from './bridge-solver';

type Answer<K extends BridgeReply['kind']> = Extract<BridgeReply, { kind: K }>;
interface Answered<K extends BridgeReply['kind']> {
  to: BridgeQuestion | null;
  answer: Answer<K> | null;
}

/**
 * The latest answer to a question that changes; the one before it stays until there is another. `quiet`: how long it has to stay the same first, ms. `asking`: what
 * is asked now has no answer yet; one that fails leaves the one before it.
 */
export function answering<K extends BridgeReply['kind']>(
  solver: BridgeSolver,
  question: () => BridgeQuestion | null,
  quiet: number,
): { latest: Signal<Answer<K> | null>; asking: Signal<boolean> } {
  const asked = computed(question, { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  const nothing: Answered<K> = { to: null, answer: null };
  const replies = toObservable(asked).pipe(
    debounceTime(quiet),
    switchMap((to) =>
      to === null
        ? of(nothing)
        : solver.ask(to).pipe(
            map((answer) => ({ to, answer: answer as Answer<K> })),
            defaultIfEmpty({ to }),
          ),
    ),
    scan((before, now): Answered<K> => ({ ...before, ...now }), nothing),
  );
  const answered = toSignal(replies, { initialValue: nothing });
  return { latest: computed(() => answered().answer), asking: computed(() => asked() !== answered().to) };
}

/** As `answering`, for whom the one before it does as well in the meantime. */
export const latestAnswer = <K extends BridgeReply['kind']>(...asks: Parameters<typeof answering>): Signal<Answer<K> | null> =>
  answering<K>(...asks).latest;
