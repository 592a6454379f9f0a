import type { WindPlan } from '@gold-peg/craft/procedure';
import { turnsToQuarter } from '../../preferences/measures';
import type { Lane } from '../desk/lane';

/** What to do with this string at its post now: how to fix it, which way it turns, where it leaves. */
export function instructionFor(lane: Lane, plan: WindPlan): string[] {
  return [fixing(lane, plan), turning(lane, plan)];
}

function fixing(lane: Lane, { methods, wind }: WindPlan): string {
  switch (methods.postMethod) {
    case 'kink-lock':
      return 'Tail round toward the centre line, under the string, up and over: the first turn traps it.';
    case 'over-one-under-rest':
      return 'Straight through the hole. First turn above the tail, all others below it.';
    case 'bend-into-centre':
      return lane.texture === 'wound'
        ? 'Bend it square a little beyond the mark, then cut: the bend must be in the wrap. Push it to the bottom of the post.'
        : 'Cut, bend it square, push it to the bottom of the post.';
    case 'loop-tie':
      return wind.slack < 0
        ? 'Through the hole, back over and under itself. No slack: stretch alone makes the turns.'
        : 'Through the hole, back over and under itself; trim once it holds.';
  }
}

function turning(lane: Lane, plan: WindPlan): string {
  const turns = turnsToQuarter(Math.max(0, plan.wind.turns));
  if (lane.place.post.style === 'roller') {
    const outer = lane.number === 1 || lane.number === 6;
    return `${turns} turns over the top, toward the ${outer ? 'outside' : 'inside'} of the roller, so that none rub.`;
  }
  if (lane.place.post.style === 'side-peg') return `${turns} turns away from the pip, so that the string lies in it.`;
  return `Turn ${plan.direction}, ${turns} turns down, side by side, the string leaving on the inside.`;
}
