import { computed, type Signal } from '@angular/core';
import {
  AT_THEIR_NOTES,
  USUAL_SPRINGS,
  type Band,
  type BridgeNow,
  type FloatingBridge,
  type SpringsLearned,
} from '@gold-peg/craft/balance';
import { BENT, latestAnswer, soundsOf, type BridgeSolver } from '../bridge';

/** What is tried waits until nothing was changed for so long, ms. */
const QUIET_MS = 250;

interface Tried {
  /** Before anything was tried; null where it is not known. */
  before: () => FloatingBridge | null;
  now: () => BridgeNow | null;
  /** What was learned of its springs; null where nobody tried them. */
  springs: () => Pick<SpringsLearned, 'rate' | 'initial'> | null;
}

/** Bands of a bridge that is tried, by all that is not measured of it: null until they were reckoned. */
export function triedBands(solver: BridgeSolver, { before, now, springs }: Tried) {
  const learned = latestAnswer<'learned'>(
    solver,
    () => {
      const bridge = before();
      return bridge === null ? null : { kind: 'learn', bridge, claw: null, trials: [], before: springs() ?? USUAL_SPRINGS };
    },
    0,
  );
  const asKnown = computed(() => {
    const [at, samples] = [now(), learned()?.springs?.samples];
    if (at === null || samples === undefined) return null;
    return { bridge: at.bridge, claw: at.claw, heard: soundsOf(at), samples, tried: springs() !== null, measured: [] };
  });
  const foreseen = latestAnswer<'foreseen'>(
    solver,
    () => {
      const known = asKnown();
      const order = known?.bridge.strings.map((_, index) => index).reverse() ?? [];
      return known === null ? null : { kind: 'foresee', ...known, order, ...AT_THEIR_NOTES };
    },
    QUIET_MS,
  );
  const spread = latestAnswer<'spread'>(
    solver,
    () => {
      const known = asKnown();
      return known === null ? null : { kind: 'spread', ...known, bent: BENT };
    },
    QUIET_MS,
  );
  const tilts: Signal<Record<'now' | 'inTune', Band> | null> = computed(() => {
    const told = foreseen()?.foreseen;
    return told === undefined ? null : { now: told.tiltNow, inTune: told.tilt };
  });
  return { tilts, spread: computed(() => spread()?.spread ?? null) };
}
