import { tieWay } from '../bench-run/index.js';
import { RESTRINGING } from '../constants/index.js';
import { twoHoles } from '../instrument/index.js';
import { FAULTS_AT, type FaultOf, type FaultPlace } from '../skills/index.js';
import { cents, fromMillimetres, metres, newtons, type Cents, type Metres, type Newtons } from '../units/index.js';
import { atLevel, oneOf, pickFrom } from './draw.js';
import { drawString, type DrawnString, type Kinds } from './drawn-string.js';

/** The end of a string at its pin, cut along the string, or at its tie, from above. */
export interface FaultAtAnchor extends DrawnString {
  at: Exclude<FaultPlace, 'post'>;
  truth: FaultOf<'pins' | 'tie-block'>;
  /** At a pin: how far that stands out. At a tie: how far behind the edge of the block the last crossing lies, in front of it below zero. */
  away: Metres;
  /** How often its tail goes under the loop; none at a pin. */
  tucks: number;
  /** The pull at which it gives way; null where it holds. */
  givesAt: Newtons | null;
  /** By how much it falls when its end sinks home; null where it is home. */
  drops: Cents | null;
}

const mm = (list: readonly number[], level: number): Metres => fromMillimetres(atLevel(list, level));
/** How far a pin stands out, and how far in front of the edge and behind it a last crossing lies, mm, by level. */
const OUT = [4, 3.2, 2.5, 2, 1.5];
const ON_TOP = [8, 6, 4.5, 3.5, 2.5];
const BEHIND = [4, 3.5, 3, 2.5, 2];

export function faultAtAnchor(at: FaultAtAnchor['at'], chance: () => number, level: number, kinds: Kinds): FaultAtAnchor {
  const truth = pickFrom<FaultAtAnchor['truth']>(FAULTS_AT[at], chance);
  return drawString(chance, kinds, (drawn) => {
    const { instrument, index, plan } = drawn;
    if (instrument.bridge.anchor !== at || twoHoles(instrument, index)) return null;
    const shown = at === 'pins' ? atPin(truth, level) : atTie(drawn, truth, level, chance);
    const share =
      truth === 'few-tucks' ? RESTRINGING.runsAt : truth === 'under-tip' || truth === 'last-on-top' ? RESTRINGING.creepsAt : null;
    const givesAt = share === null ? null : newtons(share.value * plan.load.pull);
    return { ...drawn, at, truth, ...shown, givesAt, drops: truth === 'slot-away' ? sinking(drawn) : null };
  });
}

const atPin = (truth: FaultAtAnchor['truth'], level: number) => ({ away: truth === 'under-tip' ? mm(OUT, level) : metres(0), tucks: 0 });

function atTie({ string }: DrawnString, truth: FaultAtAnchor['truth'], level: number, chance: () => number) {
  const [least, most] = tieWay(string.construction === 'wound', {}).tucks;
  const tucks = truth === 'few-tucks' ? least - 1 : least + oneOf(most - least + 1, chance);
  return { tucks, away: truth === 'last-on-top' ? metres(-mm(ON_TOP, level)) : mm(BEHIND, level) };
}

/** What is taken up comes off the stretch of the whole string: T − EA Δl / l, and pitch goes with its root. */
function sinking({ plan, string }: DrawnString): Cents {
  const less = (string.stiffness * fromMillimetres(RESTRINGING.hangs.value)) / plan.stretch.path;
  return cents(600 * Math.log2(plan.load.pull / Math.max(plan.load.pull - less, 0)));
}
