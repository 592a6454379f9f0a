import { rollerSide, type Instrument } from '@gold-peg/craft/instrument';
import type { CutTiming } from '@gold-peg/craft/methods';
import type { ClampPlan, PostPlan, WindPlan } from '@gold-peg/craft/procedure';
import { toMillimetres } from '@gold-peg/craft/units';
import { degrees, turnsToQuarter } from '../../preferences/measures';
import type { Lane } from '../desk/lane';

/** What to do with this string at its post or clamp now: how to fix it, which way it turns and where it leaves, and what goes wrong the other way. */
export function instructionFor(lane: Lane, plan: WindPlan, instrument: Instrument): { steps: string[]; wrongWay: string | null } {
  if (plan.kind === 'clamp') return { steps: [CLAMPING, drawing(plan)], wrongWay: null };
  return { steps: [fixing(lane, plan), turning(lane, plan, instrument)], wrongWay: wrongWay(lane, plan, instrument) };
}

const CLAMPING =
  'Through the clamp, the ball in its pocket held with a hex key. Pull tight, bend it at the clamp, thumb on the bend, cut, and draw the end just inside. Firm, but not enough to cut it.';

const drawing = ({ screw }: ClampPlan) =>
  `Screw from its outer end: ${screw.turns.toFixed(0)} turns, ${toMillimetres(screw.used).toFixed(1)} of its ${toMillimetres(screw.travel).toFixed(0)} mm, bring it to pitch.`;

function fixing(lane: Lane, { methods, slack, handTurns }: PostPlan): string {
  switch (methods.postMethod) {
    case 'kink-lock':
      return 'Tail round toward the centre line, under the string, up and over: the first turn traps it.';
    case 'over-one-under-rest':
      return methods.turnsAbove === 0
        ? 'Straight through the hole, the first turn over its own tail.'
        : 'Straight through the hole. First turn above the tail, all others below it.';
    case 'turns-first':
      return `Wrap it slack round the post by hand, ${turnsToQuarter(handTurns)} turns, downward, then put the end through the hole.`;
    case 'bend-into-centre':
      return lane.texture === 'wound'
        ? 'Bend it square a little beyond the mark, then cut: the bend must be in the wrap. Push it to the bottom of the post.'
        : 'Cut, bend it square, push it to the bottom of the post.';
    case 'clamp':
      return 'Hole in line with the string. Pull it straight through and lock it: a coin’s worth more than finger tight at most.';
    case 'loop-tie':
      return slack < 0
        ? 'Through the hole, back over and under itself. No slack: stretch alone makes the turns.'
        : 'Through the hole, back over and under itself; trim once it holds.';
    case 'twice-through':
      return 'Through the hole, round, and through again in the same direction; if it is thick, do not force it.';
  }
}

function turning(lane: Lane, plan: PostPlan, instrument: Instrument): string {
  const turns = turnsToQuarter(Math.max(0, plan.wind.turns));
  const { style } = lane.place.post;
  if (style === 'roller') {
    const outside = rollerSide(instrument, lane.index) === 'outward';
    return `${turns} turns over the top, toward the ${outside ? 'outside' : 'inside'} of the roller.`;
  }
  if (style === 'side-peg') return `${turns} turns away from the pip, so that the string lies in it.`;
  if (style === 'locking') return `Turn ${plan.direction}: ${plan.wind.rotationTurns.toFixed(1)} of a turn brings it to pitch.`;
  const push = style === 'friction' ? ' Push the peg in as you turn.' : '';
  return `Turn ${plan.direction}, ${turns} turns down, side by side, the string leaving on the inside.${push}`;
}

/** The way it must not be wound, with what that would do. */
function wrongWay(lane: Lane, { nut }: PostPlan, instrument: Instrument): string | null {
  const { style } = lane.place.post;
  if (style === 'roller')
    return rollerSide(instrument, lane.index) === 'outward'
      ? 'Toward the inside it would rub on its neighbour.'
      : 'Toward the outside it would rub on the string or the wood beside it.';
  if (nut === null) return 'The other way it would lift out of its pip.';
  return `The other way it leaves outside and pulls ${degrees(nut.otherWay)} sideways instead of ${degrees(nut.lateral)}; only at the start can that be undone.`;
}

const WHEN: Readonly<Record<CutTiming['when'], string>> = {
  'before-winding': 'Cut before winding',
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
  'trim-when-it-holds': 'your way: wind with the whole tail, trim it once it holds; the mark says where it would be cut',
};

/** Cut now, later, or bend first, with the reason. */
export const sayCutTime = ({ when, why }: CutTiming): string => `${WHEN[when]}: ${WHY[why]}.`;
