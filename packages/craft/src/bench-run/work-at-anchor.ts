import { twoHoles, type Instrument } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import { ANCHOR_WORK, type AnchorWork } from './anchor-work.js';

type Construction = StringProperties['construction'];

/** One string at its anchor: which, of what make, and whether it is the last to be anchored. */
interface Anchored {
  string: number;
  construction: Construction | undefined;
  last: boolean;
}

/** What is particular to the anchor of this instrument, for this string of it. */
export function anchorWork(instrument: Pick<Instrument, 'bridge' | 'strings'>, { string, construction, last }: Anchored): AnchorWork {
  const work = ANCHOR_WORK[instrument.bridge.anchor];
  switch (instrument.bridge.anchor) {
    case 'tie-block':
      return { ...work, fit: { ...work.fit, does: tie(twoHoles(instrument, string), construction) } };
    case 'wrap-and-tuck':
      return { ...work, fit: { ...work.fit, does: wrap(last) } };
    case 'hooked-tailpiece':
      return instrument.bridge.cover ? work : { ...work, seat: 'The bridge stands upright on its mark.' };
    default:
      return work;
  }
}

/** What is done at this bridge before anything comes off; null where nothing is. */
export function prepareBridge({ bridge }: Pick<Instrument, 'bridge'>): AnchorWork['prepare'] {
  const { prepare } = ANCHOR_WORK[bridge.anchor];
  if (prepare === null || bridge.anchor !== 'hooked-tailpiece' || !bridge.cover) return prepare;
  return { ...prepare, does: `${prepare.does} Slide the cover off backward.` };
}

/** Turns of the tail under its own standing part: what is smooth slips, what is wound grips. */
export function tieTurns(construction: Construction | undefined): string {
  return construction === 'wound' ? 'once or twice' : 'two or three times';
}

function tie(two: boolean, construction: Construction | undefined): string {
  const into = 'Soft end from the saddle side through the hole, over the block';
  if (two)
    return `${into}, back through the second hole and under the loop that this makes. Tail about 75 mm before tying; with the second hole nothing is tucked.`;
  return `${into}, under its own standing part, tucked under the loop ${tieTurns(construction)}. Tail about 75 mm before tying.`;
}

function wrap(last: boolean): string {
  const round = 'In from the sound-hole side with about 40 mm through; three wraps round itself,';
  return last
    ? `${round} away from the edge and toward its neighbour, the other way round than all others, snug with padded pliers: its tail and the neighbour’s lock each other.`
    : `${round} toward the next string, snug with padded pliers; its tail goes under the next string’s wraps.`;
}

/** Whether a string of this make is soft; nobody knows before one is chosen. */
export const softAt = (construction: Construction | undefined): boolean =>
  construction === 'nylon' || construction === 'fluorocarbon' || construction === 'gut';
