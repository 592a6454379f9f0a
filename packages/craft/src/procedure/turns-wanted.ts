import { turnsForAngle } from '../nut/index.js';
import { turnsForSlack, type Stretch } from '../post/index.js';
import { metres, radians, type Radians } from '../units/index.js';
import { capacity, nutAfter, runOf, wantedAngles, type AtThePost } from './at-the-post.js';
import type { Nut, TurnsRule } from './wind-plan.js';

interface Wanted {
  turns: number;
  rule: TurnsRule;
}

/** Turns in force. Somebody's own are kept; built-in ones are raised where the string would be low over the nut, as far as the post and good settling allow. */
export function turnsWanted(at: AtThePost, stretch: Stretch): Wanted {
  const { methods } = at;
  const house = methods.turns;
  if (house === null) return straight(at, stretch);
  const full = capacity(at);
  const most = Math.min(full, methods.mostTurns);
  if (house > most) return { turns: most, rule: most === full ? { kind: 'post-is-full', house } : { kind: 'at-most', house } };
  const nut = nutAfter(house, at);
  if (nut === null || !nut.low) return { turns: house, rule: { kind: 'house' } };
  if (nut.treeTouched) return { turns: house, rule: { kind: 'tree-sets-angle', house, angle: nut.vertical } };
  return methods.turnsFrom === 'built-in' ? raised(at, house, nut, most) : { turns: house, rule: kept(at, house, nut) };
}

function raised(at: AtThePost, house: number, { vertical: houseAngle }: Nut, most: number): Wanted {
  const needed = turnsNeeded(at);
  if (needed !== null && needed <= most) return { turns: needed, rule: { kind: 'raised-for-angle', house, houseAngle } };
  const best = angleAfter(most, at);
  return { turns: best > houseAngle ? most : house, rule: { kind: 'angle-out-of-reach', house, houseAngle, best } };
}

const kept = (at: AtThePost, house: number, { vertical: angle }: Nut): TurnsRule => ({
  kind: 'kept-though-low',
  house,
  angle,
  needed: turnsNeeded(at),
  perTurn: radians(angleAfter(house + 1, at) - angle),
});

/** Turns that reach the wanted angle; null where none do. */
function turnsNeeded(at: AtThePost): number | null {
  const { place, methods, geometry } = at;
  const run = runOf(at);
  if (run === null || methods.leavesAbove) return null;
  const needed = turnsForAngle(wantedAngles(at).wanted, run, place.post.holeHeight, methods.turnsAbove, geometry);
  return needed.kind === 'turns' ? needed.turns : null;
}

/** Pulled straight and locked: stretch alone turns the post. */
function straight(at: AtThePost, stretch: Stretch): Wanted {
  const wound = turnsForSlack(metres(0), at.geometry, stretch);
  if (!wound.ok) throw new TypeError('stretch is not below zero');
  const { turns } = wound.value;
  return { turns, rule: { kind: 'straight', low: nutAfter(turns, at)?.low ?? false } };
}

const angleAfter = (turns: number, at: AtThePost): Radians => nutAfter(turns, at)?.vertical ?? radians(0);
