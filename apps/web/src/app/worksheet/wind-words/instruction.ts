import { rollerSide, type Instrument } from '@gold-peg/craft/instrument';
import type { CutTiming, PostMethod } from '@gold-peg/craft/methods';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { radians, type Metres } from '@gold-peg/craft/units';
import { degrees, sayTurns } from '../../preferences/measures';
import type { Lane } from '../../lane/lane';

type SayLength = (length: Metres) => string;

/** What to do with this string at its post or clamp now: how to fix it, which way it turns and where it leaves, and what goes wrong the other way. */
export function instructionFor(
  lane: Lane,
  plan: WindPlan,
  instrument: Instrument,
  length: SayLength,
): { steps: string[]; wrongWay: string | null } {
  if (plan.kind === 'clamp') return { steps: [CLAMPING, drawing(plan, length)], wrongWay: null };
  const first = before(lane, plan, instrument);
  return {
    steps: [...(first === '' ? [] : [first]), fixing(lane, plan, length), turning(lane, plan, instrument)],
    wrongWay: wrongWay(lane, plan, instrument),
  };
}

const CLAMPING =
  'Through the clamp, the ball in its pocket held with a hex key. Pull tight, bend it at the clamp, thumb on the bend, cut, and draw the end just inside. Firm, but not enough to cut it.';

const drawing = ({ screw }: ClampPlan, length: SayLength) =>
  `Screw from its outer end: ${screw.turns.toFixed(0)} turns, ${length(screw.used)} of its ${length(screw.travel)}, bring it to pitch.`;

/** What comes before the string goes in. */
function before({ place, index }: Lane, { methods }: PostPlan, { family, trees }: Instrument): string {
  const tree = trees.find(({ strings }) => strings.includes(index));
  const aims = WRAPPED_FIRST.includes(methods.postMethod) || place.post.style === 'slotted' || place.post.style === 'roller';
  return [
    ...(family === 'bass' ? ['Let it untwist and hang straight.'] : []),
    ...(aims ? [] : ['The empty hole stands in line with the string.']),
    ...(tree === undefined ? [] : [`Under its ${tree.kind === 'bar' ? 'bar' : 'tree'} before it is tight.`]),
  ].join(' ');
}

const WRAPPED_FIRST: readonly PostMethod[] = ['turns-first', 'crossing-turn'];

function fixing(lane: Lane, plan: PostPlan, length: SayLength): string {
  const { methods, slack, handTurns, bend, cut } = plan;
  const byHand = sayTurns(handTurns);
  switch (methods.postMethod) {
    case 'kink-lock':
      return 'Tail round toward the centre line, under the string, up and over: the first turn traps it.';
    case 'over-one-under-rest':
      return methods.turnsAbove === 0
        ? 'Straight through the hole, the first turn over its own tail.'
        : 'Straight through the hole. First turn above the tail, all others below it.';
    case 'wind-down':
      return 'Straight through the hole, no lock: turn on turn downward.';
    case 'under-all':
      return 'Straight through the hole, the tail bent up: every turn passes under it.';
    case 'over-last':
      return 'Straight through the hole. All turns under the tail, the last one over it.';
    case 'turns-first':
      return `Wrap it slack round the post by hand, ${byHand}, each below the one before, then the end through the hole: all wraps lie under the tail.`;
    case 'crossing-turn':
      return `Wrap it slack round the post by hand, ${byHand} downward, the last one up across the others, then the end through the hole: it lies over the tail, the others under it.`;
    case 'bend-into-centre': {
      const marks = bend === null ? '' : `Bend it square at ${length(bend)}, cut it at ${length(cut)}`;
      const why = lane.texture === 'wound' ? ', bend first: it must be in the wrap' : '';
      return `${marks}${why}. Push the bend to the bottom of the post.`;
    }
    case 'clamp':
      return 'Hole in line with the string. Pull it straight through and lock it: a coin’s worth more than finger tight at most.';
    case 'loop-tie':
      return slack <= 0
        ? 'Pull it tight through the hole, back over and under itself: stretch alone makes the turns.'
        : 'Through the hole, back over and under itself; trim once it holds.';
    case 'twice-through':
      return 'Through the hole, round, and through again in the same direction; if it is thick, do not force it.';
  }
}

function turning(lane: Lane, plan: PostPlan, instrument: Instrument): string {
  const { wind, handTurns, methods, direction } = plan;
  const turns = sayTurns(Math.max(0, wind.turns));
  const { style } = lane.place.post;
  if (WRAPPED_FIRST.includes(methods.postMethod)) {
    const rest = wind.turns - handTurns;
    const adds = rest < 0.125 ? 'hardly a turn more' : `the last ${sayTurns(rest)}`;
    return `The button, ${direction}, only takes up the stretch: it adds ${adds}, ${turns} in all.`;
  }
  if (style === 'roller') {
    const outside = rollerSide(instrument, lane.index) === 'outward';
    return `${turns} over the top, toward the ${outside ? 'outside' : 'inside'} of the roller.`;
  }
  if (style === 'side-peg') return `${turns} away from the pip, so that the string lies in it.`;
  if (style === 'locking') return `Turn ${direction}: ${wind.rotationTurns.toFixed(1)} of a turn brings it to pitch.`;
  const push = style === 'friction' ? ' Push the peg in as you turn; its screw between slipping and too stiff.' : '';
  const taper = instrument.family === 'bass' && lane.texture === 'wound' ? ' The winding lies on the post, not a bare core.' : '';
  return `Turn ${direction}, ${turns} down, side by side, the string leaving on the inside.${push}${taper}`;
}

/** The way it must not be wound, with what that would do. */
function wrongWay(lane: Lane, { nut }: PostPlan, instrument: Instrument): string | null {
  const { style } = lane.place.post;
  if (style === 'roller')
    return rollerSide(instrument, lane.index) === 'outward'
      ? 'Toward the inside it would rub on its neighbour.'
      : 'Toward the outside it would rub on the string or the wood beside it.';
  if (nut === null) return 'The other way it would lift out of its pip.';
  const [outside, inside] = [nut.otherWay, nut.lateral].map((lateral) => degrees(radians(Math.abs(lateral)))); // how much, to whichever side
  return `Leaving outside it pulls ${outside} sideways, not ${inside}: seen to before the first turn.`;
}

const WHEN: Readonly<Record<CutTiming['when'], string>> = {
  'before-winding': 'Cut before winding',
  'after-winding': 'Cut once wound',
  'after-it-holds': 'Cut later',
  'bend-first': 'Bend first, then cut',
};
const WHY: Readonly<Record<CutTiming['why'], string>> = {
  'the-slot-hides-the-end': 'the end goes down into the post and cannot be trimmed there',
  'the-core-would-slip': 'cut straight, the core could slip in its wrap',
  'the-lock-must-hold-first': 'a tail cut before the lock held is a string lost; trim it flush at pitch',
  'the-tie-must-hold-first': 'the tie runs until it is tight; trim it once it holds',
  'wrapped-by-hand-first': 'it is wrapped by hand first; trim it once it holds',
  'the-bend-holds-in-the-clamp': 'the bend keeps it from slipping in the clamp',
  'cut-to-the-mark': 'the mark gives the turns; a short tail is easier to lock',
  'cut-once-wound': 'the turns hold the tail while it is cut; the mark says how much slack to leave',
  'trim-when-it-holds': 'your way: wind with the whole tail, trim it once it holds; the mark says where it would be cut',
};

/** Cut now, later, or bend first, with the reason. */
export const sayCutTime = ({ when, why }: CutTiming): string => `${WHEN[when]}: ${WHY[why]}.`;
