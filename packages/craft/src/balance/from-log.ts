import { cents, fromMillimetres, hertz, metres, type Hertz, type Metres } from '../units/index.js';
import type { OnBridgeEvent } from '../worksheet/index.js';
import { tiltOf, type BridgeHappening } from './at-bench.js';
import type { FloatingBridge } from './bridge.js';
import type { BridgeTrial, TrialStep } from './springs.js';

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
  let bassMm: number | null = null;
  return events.flatMap((event): BridgeHappening[] => {
    switch (event.kind) {
      case 'heard-on-bridge':
      case 'set-on-bridge': {
        const string = event.string - 1;
        const pitch = strings[string]?.pitch;
        if (pitch === undefined) return [];
        const sounds = hertz(pitch * 2 ** (event.payload.cents / 1200));
        if (event.kind === 'heard-on-bridge') return [{ kind: 'read', string, sounds }];
        const { aimCents, towardCents = 0, clawTurns = 0 } = event.payload;
        const leaves = { toward: cents(towardCents), travel: metres(lead * clawTurns) };
        return [{ kind: 'set', string, sounds, pass: aimCents === undefined ? null : leaves }];
      }
      case 'claw-turned':
        bassMm = null;
        return [{ kind: 'claw', travel: metres((lead * (event.payload.bassTurns + event.payload.trebleTurns)) / 2) }];
      case 'springs-hooked':
        return [{ kind: 'springs', count: event.payload.count }];
      case 'fine-tuners-at-mid':
        return [{ kind: 'fine-tuners-at-mid' }];
      case 'arm-moved':
        return [{ kind: 'arm' }];
      case 'nut-clamped':
        return [{ kind: 'clamps', shut: event.payload.shut }];
      case 'measured': {
        if (levelMm === null) return [];
        const { what, valueMm } = event.payload;
        // both ends of the back edge: their middle is the tilt
        const middle = what === 'bridge-level-treble' && bassMm !== null ? (bassMm + valueMm) / 2 : valueMm;
        if (what === 'bridge-level') bassMm = valueMm;
        return [{ kind: 'tilt', angle: tiltOf(fromMillimetres(middle - levelMm), edge) }];
      }
    }
  });
}

/** How much higher the bass end of the back edge stands than the treble end, as both were measured since the claw was turned; null where they were not. */
export function skewOf(events: readonly OnBridgeEvent[]): Metres | null {
  const since = events.slice(events.findLastIndex(({ kind }) => kind === 'claw-turned') + 1);
  const last = (what: string) =>
    since.flatMap((event) => (event.kind === 'measured' && event.payload.what === what ? [event.payload.valueMm] : [])).at(-1);
  const [bass, treble] = [last('bridge-level'), last('bridge-level-treble')];
  return bass === undefined || treble === undefined ? null : fromMillimetres(bass - treble);
}

/** So many others have to be heard after a string was set, so that it says something of the springs. */
const LEAST_HEARD = 2;
/** A string that was heard so far elsewhere was turned, cents. */
const TURNED = 1;

/**
 * What a job tells of its springs: all strings heard, then some set one after another or the claw turned, then others heard again. What was heard of too few tells nothing.
 */
export function trialsIn(stringCount: number, happenings: readonly BridgeHappening[]): BridgeTrial[] {
  const none = (): (Hertz | null)[] => Array.from({ length: stringCount }, () => null);
  const trials: BridgeTrial[] = [];
  /** All strings as they were heard before the steps that follow; null before any. */
  let before: (Hertz | null)[] | null = null;
  let now = none();
  let steps: TrialStep[] = [];
  let [moved, movedSince] = [0, 0];
  /** The string that was set last of all: it sounds as it was set, and says nothing. */
  const setLast = (): number | null => {
    const last = steps.at(-1);
    return last !== undefined && 'string' in last ? last.string : null;
  };
  const heard = (): (Hertz | null)[] => now.map((sounds, index) => (index === setLast() ? null : sounds));
  const isHeard = (): boolean => heard().filter((sounds) => sounds !== null).length >= LEAST_HEARD;
  const close = (): void => {
    if (before !== null && isHeard()) trials.push({ before, change: steps, after: heard(), moved: metres(moved) });
    moved += movedSince;
    movedSince = 0;
    before = now.includes(null) ? null : now;
    steps = [];
  };
  /** What is done after others were heard begins anew; what is done at once goes on with the pass. */
  const disturb = (step: TrialStep): void => {
    if (!now.includes(null) || isHeard()) close();
    now = none();
    steps.push(step);
  };
  for (const event of happenings) {
    switch (event.kind) {
      case 'read':
      case 'set': {
        const known = now[event.string] ?? null;
        const moved = known !== null && Math.abs(1200 * Math.log2(event.sounds / known)) > TURNED;
        if (event.kind === 'set' || moved) {
          disturb({ string: event.string, sounds: event.sounds });
        }
        now[event.string] = event.sounds;
        break;
      }
      case 'claw':
        disturb({ claw: event.travel });
        movedSince += event.travel;
        break;
      case 'springs':
      case 'fine-tuners-at-mid':
      case 'clamps':
      case 'arm':
        [before, now, steps] = [null, none(), []];
        break;
      case 'tilt':
        break;
    }
  }
  close();
  return trials;
}
