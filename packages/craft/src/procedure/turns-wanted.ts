import { turnsForAngle } from '../nut/index.js';
import { turnsForSlack, type Stretch } from '../post/index.js';
import { metres, type Radians } from '../units/index.js';
import { capacity, nutAfter, runOf, wantedAngle, type AtThePost } from './at-the-post.js';
import type { TurnsRule } from './wind-plan.js';

/** House turns, raised where the break over the nut asks for more, bounded by what the post can hold and by what still settles well. */
export function turnsWanted(at: AtThePost, stretch: Stretch): { turns: number; rule: TurnsRule } {
  const { place, methods, geometry } = at;
  const house = methods.turns;
  if (house === null) return straight(at, stretch);
  const run = runOf(at);
  const full = capacity(at);
  if (house > full) return { turns: full, rule: { kind: 'post-is-full', house } };
  if (run === null) return { turns: house, rule: { kind: 'house' } };
  const needed = turnsForAngle(wantedAngle(at), run, place.post.holeHeight, methods.turnsAbove, geometry);
  if (needed.kind === 'turns' && needed.turns <= house) return { turns: house, rule: { kind: 'house' } };
  const houseAngle = angleAfter(house, at);
  const most = Math.min(full, methods.mostTurns);
  if (needed.kind === 'turns' && needed.turns <= most)
    return { turns: needed.turns, rule: { kind: 'raised-for-angle', house, houseAngle } };
  const best = angleAfter(most, at);
  // under a tree that carries the string, more turns change nothing
  return { turns: best > houseAngle ? most : house, rule: { kind: 'angle-out-of-reach', house, houseAngle, best } };
}

/** Pulled straight and locked: stretch alone turns the post. */
function straight(at: AtThePost, stretch: Stretch): { turns: number; rule: TurnsRule } {
  const wound = turnsForSlack(metres(0), at.geometry, stretch);
  if (!wound.ok) throw new TypeError('stretch is not below zero');
  const { turns } = wound.value;
  return { turns, rule: { kind: 'straight', low: angleAfter(turns, at) < wantedAngle(at) } };
}

const angleAfter = (turns: number, at: AtThePost): Radians => nutAfter(turns, at)?.vertical ?? wantedAngle(at);
