import type { HandMeasures } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';

/** A height in somebody's own fist and fingers, to the half finger: 'a fist and 2½ fingers', '2 fists'. */
export function inFistAndFingers(mm: number, hand: HandMeasures): string {
  const [fist, finger] = [toMillimetres(hand.fist), toMillimetres(hand.finger)];
  const fists = Math.floor(mm / fist);
  const halves = Math.round((2 * (mm - fists * fist)) / finger);
  const fingers = `${halves > 1 || halves === 0 ? String(Math.floor(halves / 2)) : ''}${halves % 2 === 1 ? '½' : ''} ${halves > 2 ? 'fingers' : 'finger'}`;
  if (fists === 0) return halves === 0 ? 'next to nothing' : fingers;
  const before = fists === 1 ? 'a fist' : `${fists} fists`;
  return halves === 0 ? before : `${before} and ${fingers}`;
}

/** '16 % too little', 'just right'. */
export function sayOff(off: number, below: string, above: string, unit = '%'): string {
  const size = Math.abs(off).toFixed(unit === '%' ? 0 : 1);
  return Number(size) === 0 ? 'just right' : `${size} ${unit} ${off < 0 ? below : above}`;
}
