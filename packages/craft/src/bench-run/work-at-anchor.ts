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
      return { ...work, fit: { ...work.fit, does: `${work.fit.does}, ${tie(twoHoles(instrument, string), construction === 'wound')}` } };
    case 'wrap-and-tuck':
      return { ...work, fit: { ...work.fit, does: `${work.fit.does}, ${wrap(last)}` } };
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

/** How often a tail goes under its own standing part: what is smooth slips, what is wound grips. */
export const tieTurns = (wound: boolean): readonly [least: number, most: number] => (wound ? [1, 2] : [2, 3]);
const TIMES = ['', 'once', 'twice', 'three times'];

function tie(two: boolean, wound: boolean): string {
  if (two)
    return 'back through the second hole and under the loop that this makes. Tail about 75 mm before tying; with the second hole nothing is tucked.';
  const [least, most] = tieTurns(wound);
  return `under its own standing part, tucked under the loop ${TIMES[least]} or ${TIMES[most]}. Tail about 75 mm before tying.`;
}

const wrap = (last: boolean): string =>
  last
    ? 'toward its neighbour, the other way round than all others, snug with padded pliers: its tail and the neighbour’s lock each other.'
    : 'toward the next string, snug with padded pliers; its tail goes under the next string’s wraps.';
