import { BRIDGE_WORK, FLOATING } from '../constants/index.js';
import { cents, fromDegrees, fromMillimetres, hertz, metres, radians, type Cents, type Metres } from '../units/index.js';
import { bridgeNow, type BridgeHappening, type BridgeNow } from './at-bench.js';
import { pullOf, speaking, type FloatingBridge, type RestLengths } from './bridge.js';
import { levelClawUnder } from './claw.js';
import { settle, tunedTo } from './equilibrium.js';
import { nextAtBridge } from './next-at-bridge.js';

/** A bridge as it truly is, which is what its hands do not know. */
export interface TrueBridge {
  bridge: FloatingBridge;
  claw: Metres;
  rests: RestLengths;
}

export interface BringingHome {
  /** Zero-based. */
  order: readonly number[];
  tolerance: Cents;
}

/** What it takes until all are in tune: pegs turned, strings heard besides, times the claw is turned. `home`: whether it ends there. */
export interface Moves {
  pegs: number;
  heard: number;
  claw: number;
  home: boolean;
}

/** Longer than this nobody goes on, pegs. */
const MOST_PEGS = 200;
const LEAD = fromMillimetres(FLOATING.screwLead.value);
const LEVEL = fromDegrees(BRIDGE_WORK.levelWithin.value);

/**
 * By marks, of a bridge that is taken for `taken` until a whole pass was heard: what came of it says what the bridge truly is, and from then on marks are those of
 * `truth`. `learns: false` leaves it at what it was taken for.
 */
export function movesByMarks(
  truth: TrueBridge,
  taken: Pick<BridgeNow, 'bridge' | 'claw'>,
  { order, tolerance, learns = true }: BringingHome & { learns?: boolean },
): Moves {
  const at = { ...truth };
  let known = taken;
  let happenings: BridgeHappening[] = [];
  const moves: Moves = { pegs: 0, heard: 0, claw: 0, home: false };
  while (moves.pegs < MOST_PEGS) {
    const next = nextAtBridge(bridgeNow(known.bridge, known.claw, happenings), { order, tolerance });
    if (next.kind === 'read') {
      const { frequencies } = settle(at.bridge, at.claw, at.rests);
      const heard = next.strings.map((string) => ({ kind: 'read' as const, string, sounds: frequencies[string] ?? hertz(1) }));
      if (learns && moves.pegs > 0) known = { bridge: at.bridge, claw: at.claw };
      // all that is heard anew: what came before it says nothing more
      happenings = next.strings.length === at.rests.filter((rest) => rest !== null).length ? heard : [...happenings, ...heard];
      moves.heard += heard.length;
    } else if (next.kind === 'set') {
      const { string, frequency } = next.step;
      at.rests = tunedTo(at.bridge, at.claw, at.rests, { string, sounds: frequency }).rests;
      happenings.push({ kind: 'set', string, sounds: frequency, pass: next.leaves });
      moves.pegs++;
    } else if (next.kind === 'claw') {
      at.claw = metres(at.claw + next.travel);
      known = { ...known, claw: metres(known.claw + next.travel) };
      happenings = [];
      moves.claw++;
    } else return { ...moves, home: next.kind === 'done' };
  }
  return moves;
}

/** String after string to its note, round and round; the claw whenever all are in tune and the bridge does not lie level. */
export function movesByEar(truth: TrueBridge, { order, tolerance }: BringingHome): Moves {
  const { bridge } = truth;
  let { claw, rests } = truth;
  const moves: Moves = { pegs: 0, heard: 0, claw: 0, home: false };
  while (moves.pegs < MOST_PEGS) {
    if (isInTune(bridge, claw, rests, tolerance)) {
      const { angle } = settle(bridge, claw, rests);
      const level = clawThatLevels(bridge, rests);
      if (Math.abs(angle) <= LEVEL || level === null || Math.abs(level - claw) < LEAD * BRIDGE_WORK.freedWithin.value)
        return { ...moves, home: true };
      claw = level;
      moves.claw++;
      continue;
    }
    const string = order[moves.pegs % order.length] ?? 0;
    rests = tunedTo(bridge, claw, rests, { string, sounds: bridge.strings[string]?.pitch ?? hertz(1) }).rests;
    moves.pegs++;
  }
  return moves;
}

const isInTune = (bridge: FloatingBridge, claw: Metres, rests: RestLengths, tolerance: Cents): boolean =>
  offAt(bridge, claw, rests).every((off) => off === null || Math.abs(off) <= tolerance);

/** Cents from its note of each string; null for one that is off. */
export function offAt(bridge: FloatingBridge, claw: Metres, rests: RestLengths): (Cents | null)[] {
  return settle(bridge, claw, rests).frequencies.map((sounds, index) =>
    sounds === null ? null : cents(1200 * Math.log2(sounds / (bridge.strings[index]?.pitch ?? Number.NaN))),
  );
}

/** Where the claw levels the bridge with every string as long as it is; null where no place does. */
export function clawThatLevels(bridge: FloatingBridge, rests: RestLengths): Metres | null {
  const pulls = bridge.strings.map((string, index) => {
    const rest = rests[index] ?? null;
    return rest === null ? 0 : pullOf(string, speaking(string, radians(0)).length, rest);
  });
  const level = levelClawUnder(bridge, pulls);
  return level.ok ? level.value : null;
}
