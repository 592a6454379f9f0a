import { FLOATING } from '../constants/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { cents, hertz, radians, type Cents, type Metres, type Radians } from '../units/index.js';
import { frequencyFor, pullFor, pullOf, restFor, speaking, type BridgeString, type FloatingBridge, type RestLengths } from './bridge.js';
import { restsFrom, settle } from './equilibrium.js';

/** Cents from their notes before the arm was moved, after dives, and after pulls up; null for a string that was not heard then. */
export interface ReturnRead {
  before: readonly (Cents | null)[];
  down: readonly (Cents | null)[] | null;
  up: readonly (Cents | null)[] | null;
}

/**
 * How one string came back. `friction`: low after dives, high after pulls up; `slips`: low after pulls up as well; `one-way`: low after dives, and nobody pulled up yet; `hung`: high
 * after dives: it had hung before them.
 */
export type StringReturn = 'returns' | 'friction' | 'slips' | 'one-way' | 'hung';

export interface ReturnJudged {
  strings: readonly ({ after: Cents; own: Cents; judged: StringReturn } | null)[];
  /** What the bridge itself adds: it lies elsewhere than its strings and springs would have it, rad; and cents of the string that this moves most. */
  bridge: { tilt: Radians; most: Cents; sticks: boolean };
}

/** Less than that no ear tells, cents. */
const HEARD = FLOATING.returnsWithin.value;
const STEP = radians(1e-4);

/**
 * What came back, told apart. What all strings share as one tilt shares them is the bridge; what is left of each is its own: string that slid through a slot or was lost.
 * A string that came back low lets the bridge tip back by itself: only what tilts beyond that is its knife edges and springs.
 * @throws RangeError where nothing was heard after the arm was moved.
 */
export function judgeReturn(bridge: FloatingBridge, claw: Metres, { before, down, up }: ReturnRead): ReturnJudged {
  const after = down ?? up;
  if (after === null) throw new RangeError('nothing was heard after the arm was moved');
  const sounds = bridge.strings.map(({ pitch }, index) => {
    const off = before[index] ?? null;
    return off === null ? null : hertz(pitch * 2 ** (off / 1200));
  });
  const { angle, rests } = restsFrom(bridge, claw, sounds);
  const perTilt = bridge.strings.map((string, index) => {
    const rest = rests[index] ?? null;
    return rest === null
      ? null
      : (centsAt(string, rest, radians(angle + STEP)) - centsAt(string, rest, radians(angle - STEP))) / (2 * STEP);
  });
  const own = (read: readonly (Cents | null)[]) => {
    const changes = read.map((now, index) => ofBoth(now, before[index], (a, b) => a - b));
    const tilt = median(changes.flatMap((change, index) => ofBoth(change, perTilt[index], (by, each) => [by / each]) ?? []));
    return { tilt, own: changes.map((change, index) => ofBoth(change, perTilt[index], (by, each) => by - each * tilt)) };
  };
  const [first, second] = [own(after), down !== null && up !== null ? own(up) : null];
  const strings = after.map((now, index) =>
    ofBoth(now, first.own[index], (heard, change) => {
      const judged = down === null ? judgeUp(change) : judge(change, second?.own[index] ?? null);
      return { after: cents(heard), own: cents(change), judged };
    }),
  );
  const alone = tiltOfItself(bridge, claw, rests, first.own, angle);
  const tilt = radians(first.tilt - alone);
  const most = cents(Math.max(...perTilt.map((each) => Math.abs((each ?? 0) * tilt))));
  return { strings, bridge: { tilt, most, sticks: most > HEARD } };
}

/** What follows from two figures that are known; null where one of them is not. */
const ofBoth = <T>(one: number | null | undefined, other: number | null | undefined, then: (one: number, other: number) => T): T | null =>
  one == null || other == null ? null : then(one, other);

/** After pulls up alone: what hangs stays high, what slips is low. */
const judgeUp = (up: number): StringReturn => (Math.abs(up) <= HEARD ? 'returns' : up > 0 ? 'friction' : 'slips');

function judge(down: number, up: number | null): StringReturn {
  if (Math.abs(down) <= HEARD) return up !== null && up < -HEARD ? 'slips' : 'returns';
  if (down > 0) return 'hung';
  if (up === null) return 'one-way';
  return up < -HEARD ? 'slips' : 'friction';
}

const centsAt = (string: BridgeString, rest: Metres, angle: Radians): number => {
  const { length } = speaking(string, angle);
  return 1200 * Math.log2(frequencyFor(string, length, pullOf(string, length, rest)) / string.pitch);
};

/** How far a bridge that sticks nowhere tips, once each string changed by so many cents where it lies. */
function tiltOfItself(bridge: FloatingBridge, claw: Metres, rests: RestLengths, own: readonly (number | null)[], angle: Radians): number {
  const changed = bridge.strings.map((string, index) => {
    const [rest, by] = [rests[index] ?? null, own[index] ?? 0];
    if (rest === null) return null;
    const { length } = speaking(string, angle);
    const now = frequencyFor(string, length, pullOf(string, length, rest));
    return restFor(string, length, pullFor(string, length, hertz(now * 2 ** (by / 1200))));
  });
  return settle(bridge, claw, changed, angle).angle - angle;
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  const [low, high] = [sorted[Math.ceil(middle) - 1] ?? 0, sorted[Math.floor(middle)] ?? 0];
  return (low + high) / 2;
}

/** The latest that a log tells of a return: what stood before the arm was moved, and what was heard after it, down and up. Null where the arm was not moved, or not all was heard before. */
export function returnOf(stringCount: number, events: readonly OnBridgeEvent[]): ReturnRead | null {
  const none = (): (Cents | null)[] => Array.from({ length: stringCount }, () => null);
  let now = none();
  let read: ReturnRead | null = null;
  let way: 'down' | 'up' | null = null;
  for (const event of events) {
    if (event.kind === 'arm-moved') {
      if (way === null) read = now.includes(null) ? null : { before: now, down: null, up: null };
      way = event.payload.way;
      now = none();
    } else if (event.kind === 'heard-on-bridge') now = now.with(event.string - 1, cents(event.payload.cents));
    else if (event.kind === 'set-on-bridge') {
      // a peg was turned: what was read before it says nothing of the next dive
      if (way !== null) [read, way] = [null, null];
      now = none().with(event.string - 1, cents(event.payload.cents));
    } else if (event.kind !== 'measured') [read, way, now] = [null, null, none()];
    if (read !== null && way !== null && now.some((each) => each !== null)) read = { ...read, [way]: now };
  }
  return read;
}
