import { NUT } from '../constants/index.js';
import { fromMillimetres, metres, newtons, type Metres, type Newtons, type Radians } from '../units/index.js';

export type SlotFit = { kind: 'binds' | 'fits' | 'loose'; room: Metres; missing: Metres };

/** Room of a string in its nut slot. `missing` is how far the room lies outside what is wanted, zero where it fits. */
export function slotFit(slotWidth: Metres, gauge: Metres): SlotFit {
  const room = metres(slotWidth - gauge);
  const least = fromMillimetres(NUT.leastSlotRoom.value);
  const most = fromMillimetres(NUT.mostSlotRoom.value);
  const rounding = 1e-9; // a slot cut exactly to the limit fits
  if (room < least - rounding) return { kind: 'binds', room, missing: metres(least - room) };
  if (room > most + rounding) return { kind: 'loose', room, missing: metres(room - most) };
  return { kind: 'fits', room, missing: metres(0) };
}

/** Force that presses the string into its slot: T sin v. */
export const downforce = (pull: Newtons, vertical: Radians): Newtons => newtons(pull * Math.sin(vertical));
