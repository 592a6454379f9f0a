import { settle, tunedTo, type BridgeNow, type PassStep } from '@gold-peg/craft/balance';
import type { Lane } from '../../lane/lane';

/** One string of a bridge that moves. */
export interface BridgeRow {
  lane: Lane;
  inHand: boolean;
  done: boolean;
  apart: boolean;
  badge: 'open' | 'in-hand' | 'done';
  gauge: string;
  construction: string;
  thick: number;
  /** Cents from its note, heard or reckoned; null where it is off. */
  off: number | null;
  /** Heard since anything moved. */
  fresh: boolean;
  /** Where it is tuned to in this pass, cents; null where it was set, or nobody can say yet. */
  aim: number | null;
  /** What the string that is set next does to it, cents. */
  moves: number | null;
  /** Its turn in what is left of the pass, from 1; 0 where it was set in this pass. */
  turn: number | null;
  /** Share of its breaking load that is left at its mark, per cent. */
  reserve: number | null;
}

/** What setting one string to its mark does to each: cents that it sounds elsewhere then; null for one that is off. */
export function ripple({ bridge, claw, rests, angle, off }: BridgeNow, { string, frequency }: PassStep): (number | null)[] {
  const set = tunedTo(bridge, claw, rests, { string, sounds: frequency }, angle);
  return settle(bridge, claw, set.rests, set.angle).frequencies.map((sounds, index) => {
    const [before, pitch] = [off[index] ?? null, bridge.strings[index]?.pitch];
    return sounds === null || before === null || pitch === undefined ? null : 1200 * Math.log2(sounds / pitch) - before;
  });
}
