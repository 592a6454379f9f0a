import type { ReturnJudged, ReturnRead, StringReturn } from '@gold-peg/craft/balance';
import { toDegrees } from '@gold-peg/craft/units';
import { list } from '../../bridge';

const LOOK: Readonly<Record<Exclude<StringReturn, 'returns'>, string>> = {
  friction: 'friction: look at nut slot and tree, and at its saddle',
  slips: 'it slips: look at its wraps or clamp, and at its anchor',
  'one-way': 'friction at slot or tree, or it slips: pull the arm up a few times and hear again, which tells them apart',
  hung: 'it had hung before the dives: look at nut slot and tree',
};

/** What came back and what did not, each with where to look. */
export function sayReturn({ strings, bridge }: ReturnJudged, { down, up }: Pick<ReturnRead, 'down' | 'up'>): string {
  const said = (Object.keys(LOOK) as (keyof typeof LOOK)[]).flatMap((judged) => {
    const which = strings.flatMap((string, index) => (string?.judged === judged ? [{ number: index + 1, own: string.own }] : []));
    if (which.length === 0) return [];
    const by = which.map(({ own }) => `${Math.abs(own).toFixed(1)} ¢`).join(', ');
    const way = (which[0]?.own ?? 0) > 0 ? 'high' : 'low';
    return [`String ${list(which.map(({ number }) => number))} came back ${by} ${way}: ${LOOK[judged]}.`];
  });
  if (bridge.sticks) {
    const degrees = Math.abs(toDegrees(bridge.tilt)).toFixed(2);
    const way = bridge.tilt > 0 ? 'forward' : 'back';
    said.push(
      `The bridge itself came back ${degrees}° ${way}, up to ${bridge.most.toFixed(1)} ¢ on a string: look at knife edges and posts, and at the hooks of its springs.`,
    );
  }
  if (said.length > 0) return said.join(' ');
  if (down !== null && up !== null) return 'All came back, from below and from above.';
  return `All came back after the ${up === null ? 'dives' : 'pulls up'}: nothing hangs, nothing slips.`;
}
