import type { BridgeChange } from '@gold-peg/craft/balance';
import { metres, toDegrees, type Metres } from '@gold-peg/craft/units';
import { sayClaw } from '../bridge';

/** One line of what follows: what it is about, and what it says. */
export interface ChangeLine {
  about: string;
  says: string;
  grave: boolean;
}

/** A tilt that nobody sees, degrees. */
const UNSEEN = 0.05;
/** Less than a sixteenth of a turn is none. */
const NO_TURN = 1 / 16;

/** What another set, tuning or spring does to a bridge. `turned`: of each screw so far; `left`: still to level it, null where no place of the claw does. */
export function sayChange(
  { tilt, tilts, rise, action, turns }: BridgeChange,
  { turned, left }: { turned: number; left: number | null },
  length: (value: Metres, digits?: number) => string,
): ChangeLine[] {
  const degrees = toDegrees(tilt);
  const by = (value: Metres, digits: number) => `${value < 0 ? '−' : '+'}${length(metres(Math.abs(value)), digits)}`;
  const level = Math.abs(degrees) < UNSEEN;
  const [least, most] = [tilts.least, tilts.most].map((each) => Math.abs(toDegrees(each)).toFixed(1));
  const range = least === most ? '' : ` (${least} to ${most})`;
  const claw = Math.abs(turned) < NO_TURN ? '' : `turned ${sayClaw(turned)}; `;
  return [
    {
      about: 'claw left alone',
      says: level
        ? 'it stays level'
        : `it tips ${Math.abs(degrees).toFixed(1)}°${range} ${degrees > 0 ? 'toward the neck' : 'into the body'}`,
      grave: !level,
    },
    { about: 'back edge', says: level ? 'where it was' : by(rise, 1), grave: false },
    { about: 'action at fret 12', says: level ? 'as it was' : by(action, 2), grave: false },
    clawLine(claw, turns, left),
  ];
}

function clawLine(claw: string, turns: BridgeChange['turns'], left: number | null): ChangeLine {
  const about = 'claw screws';
  if (!turns.ok) {
    const few = turns.problem.kind === 'too-few-springs';
    return { about, says: few ? 'so few springs cannot hold it: one more' : 'so many springs pull it back: one less', grave: true };
  }
  if (left === null || Math.abs(left) < NO_TURN) return { about, says: `${claw}nothing left to turn`, grave: false };
  const { low, high } = turns.value;
  const [least, most] = [Math.min(Math.abs(low), Math.abs(high)), Math.max(Math.abs(low), Math.abs(high))];
  const band = claw === '' ? ` (${least.toFixed(1)} to ${most.toFixed(1)}, by springs as they may be)` : '';
  return { about, says: `${claw}${sayClaw(left)} each to level it${band}`, grave: true };
}
