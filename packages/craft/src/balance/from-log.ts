import { fromMillimetres, hertz, metres, type Hertz, type Metres } from '../units/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { tiltOf, type BridgeHappening } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import type { BridgeTrial } from './springs.js';

interface Measures {
  /** How far one turn of a screw moves the claw, and how far the back edge lies behind the knife edge. */
  lead: Metres;
  edge: Metres;
  /** Height of the back edge where the bridge is level, mm; null where nobody noted it. */
  levelMm: number | null;
}

/** What happened to a bridge as its log tells it. Two screws that were turned by different amounts move the claw by their mean. */
export function happeningsOf(
  { strings }: FloatingBridge,
  events: readonly OnBridgeEvent[],
  { lead, edge, levelMm }: Measures,
): BridgeHappening[] {
  return events.flatMap((event): BridgeHappening[] => {
    switch (event.kind) {
      case 'heard-on-bridge':
      case 'set-on-bridge': {
        const string = event.string - 1;
        const pitch = strings[string]?.pitch;
        if (pitch === undefined) return [];
        const sounds = hertz(pitch * 2 ** (event.payload.cents / 1200));
        if (event.kind === 'heard-on-bridge') return [{ kind: 'read', string, sounds }];
        return [{ kind: 'set', string, sounds, aimed: event.payload.aimCents !== undefined }];
      }
      case 'claw-turned':
        return [{ kind: 'claw', travel: metres((lead * (event.payload.bassTurns + event.payload.trebleTurns)) / 2) }];
      case 'springs-hooked':
        return [{ kind: 'springs', count: event.payload.count }];
      case 'measured':
        return levelMm === null ? [] : [{ kind: 'tilt', angle: tiltOf(fromMillimetres(event.payload.valueMm - levelMm), edge) }];
    }
  });
}

/** So many others have to be heard after a string was set, so that it says something of the springs. */
const LEAST_HEARD = 2;
/** A string that was heard so far elsewhere was turned, cents. */
const TURNED = 1;

/**
 * What a job tells of its springs: all strings heard, then some set one after another or the claw turned, then others heard again. What was mixed, or heard of too few, tells
 * nothing.
 */
export function trialsIn(stringCount: number, happenings: readonly BridgeHappening[]): BridgeTrial[] {
  const none = (): (Hertz | null)[] => Array.from({ length: stringCount }, () => null);
  const trials: BridgeTrial[] = [];
  let before: (Hertz | null)[] | null = null;
  let now = none();
  let set: { string: number; sounds: Hertz }[] = [];
  let claw = 0;
  const close = (): void => {
    const last = set.at(-1)?.string;
    const after = now.map((sounds, index) => (index === last ? null : sounds));
    const heard = after.filter((sounds) => sounds !== null).length;
    const mixed = set.length > 0 && claw !== 0;
    if (before !== null && heard >= LEAST_HEARD && !mixed && (set.length > 0 || claw !== 0))
      trials.push({ before, change: set.length > 0 ? set : { claw: metres(claw) }, after });
    before = now.includes(null) ? null : now;
    set = [];
    claw = 0;
  };
  /** What is done after others were heard begins anew; what is done at once goes on with the pass. */
  const disturb = (): void => {
    const heard = now.filter((sounds, index) => sounds !== null && index !== set.at(-1)?.string).length;
    const pending = set.length > 0 || claw !== 0;
    if (!now.includes(null) || (pending && heard >= LEAST_HEARD)) close();
    now = none();
  };
  for (const event of happenings) {
    switch (event.kind) {
      case 'read':
      case 'set': {
        const known = now[event.string] ?? null;
        const moved = known !== null && Math.abs(1200 * Math.log2(event.sounds / known)) > TURNED;
        if (event.kind === 'set' || moved) {
          disturb();
          set.push({ string: event.string, sounds: event.sounds });
        }
        now[event.string] = event.sounds;
        break;
      }
      case 'claw':
        disturb();
        claw += event.travel;
        break;
      case 'springs':
        [before, now, set, claw] = [null, none(), [], 0];
        break;
      case 'tilt':
        break;
    }
  }
  if (!now.includes(null) || set.length > 0 || claw !== 0) close();
  return trials;
}
