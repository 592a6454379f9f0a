import { twoHoles, type AnchorKind, type Instrument } from '../instrument/index.js';
import type { StringProperties } from '../strings/index.js';
import { inForce, type LayeredChoices, type TiePass } from '../methods/index.js';
import { ANCHOR_WORK, type AnchorWork } from './anchor-work.js';

type Construction = StringProperties['construction'];

/** One string at its anchor: which, of what make, and whether it is the last to be anchored. */
interface Anchored {
  string: number;
  construction: Construction | undefined;
  last: boolean;
  choices: LayeredChoices;
}

/** What is particular to the anchor of this instrument, for this string of it. */
export function anchorWork(
  instrument: Pick<Instrument, 'bridge' | 'strings' | 'top'>,
  { string, construction, last, choices }: Anchored,
): AnchorWork {
  const work = ANCHOR_WORK[instrument.bridge.anchor];
  switch (instrument.bridge.anchor) {
    case 'tie-block':
      return {
        ...work,
        fit: { ...work.fit, does: `${work.fit.does}, ${tie(twoHoles(instrument, string), tieWay(construction === 'wound', choices))}` },
      };
    case 'wrap-and-tuck':
      return { ...work, fit: { ...work.fit, does: `${work.fit.does}, ${wrap(last)}` } };
    case 'hooked-tailpiece':
      return instrument.bridge.cover ? work : { ...work, seat: 'The bridge stands upright on its mark.' };
    case 'top-load':
      return instrument.top === null || instrument.top === 'hard'
        ? work
        : { ...work, seat: work.seat.replace('Take the tape off sideways.', 'Lift the cloth away.') };
    default:
      return work;
  }
}

/** A headless vibrato floats: it is blocked like any other. */
const blocked = (prepare: NonNullable<AnchorWork['prepare']>): AnchorWork['prepare'] => ({
  does: `${prepare.does} Note how level the bridge stands, and put a block under it: strings and springs hold each other.`,
  why: `${prepare.why} Unblocked it falls back with every string that comes off.`,
  record: `${prepare.record} Level of the bridge, mm; thickness of the block, mm.`,
  tools: [...prepare.tools, 'block'],
});

/** What is done at this bridge before anything comes off; null where nothing is. */
export function prepareBridge(instrument: Pick<Instrument, 'bridge' | 'top'>): AnchorWork['prepare'] {
  const prepare = beforeAnything(instrument);
  return prepare === null ? null : onTop(prepare, instrument);
}

/** Tape lies on hard modern finishes only: it lifts soft lacquer, and oiled wood shows where it was. */
function onTop(prepare: NonNullable<AnchorWork['prepare']>, { bridge, top }: Pick<Instrument, 'bridge' | 'top'>): AnchorWork['prepare'] {
  const instead = WITHOUT_TAPE[bridge.anchor];
  if (instead === undefined || top === null || top === 'hard') return prepare;
  const [withTape, without] = instead;
  return { ...prepare, does: prepare.does.replace(withTape, without), tools: prepare.tools.filter((tool) => tool !== 'masking-tape') };
}

/** What is done there with tape, and what instead of it. */
const WITHOUT_TAPE: Readonly<Partial<Record<AnchorKind, readonly [string, string]>>> = {
  'top-load': ['Cloth or tape behind the bridge.', 'A cloth behind the bridge, never tape: this finish would come off with it.'],
  'hooked-tailpiece': ['with pencil on tape', 'with pencil on slips of paper, never tape: this finish would come off with it'],
};

function beforeAnything({ bridge }: Pick<Instrument, 'bridge'>): AnchorWork['prepare'] {
  const { prepare } = ANCHOR_WORK[bridge.anchor];
  if (prepare !== null && bridge.anchor === 'headless' && bridge.vibrato) return blocked(prepare);
  if (prepare === null || bridge.anchor !== 'hooked-tailpiece' || !bridge.cover) return prepare;
  return { ...prepare, does: `${prepare.does} Slide the cover off backward.` };
}

/** How a string is tied to its block: how often through its hole, and how often its tail goes under its own standing part. */
export interface TieWay {
  twice: boolean;
  tucks: readonly [least: number, most: number];
}

/** What is wound grips and goes through once; what is smooth slips, and goes through twice and is tucked oftener, unless somebody chose otherwise. */
export function tieWay(wound: boolean, choices: LayeredChoices): TieWay {
  const chosen = inForce<number | null>(choices, (from) => (wound ? from.tucksWound : from.tucksSmooth), null).value;
  const passes = inForce<TiePass>(choices, ({ tieSmooth }) => tieSmooth, 'twice-through').value;
  return { twice: !wound && passes === 'twice-through', tucks: chosen === null ? (wound ? [1, 2] : [2, 3]) : [chosen, chosen] };
}

export const TIMES = ['not at all', 'once', 'twice', 'three times', 'four times'];
export const sayTucks = ([least, most]: TieWay['tucks']): string =>
  least === most ? (TIMES[least] ?? '') : `${TIMES[least] ?? ''} or ${TIMES[most] ?? ''}`;

function tie(two: boolean, { twice, tucks }: TieWay): string {
  const again = twice ? 'round it and through the same hole again, then ' : '';
  if (two)
    return 'back through the second hole and under the loop that this makes. Tail about 75 mm before tying; with the second hole nothing is tucked.';
  return `${again}under its own standing part, tucked under the loop ${sayTucks(tucks)}. Tail about 75 mm before tying.`;
}

const wrap = (last: boolean): string =>
  last
    ? 'toward its neighbour, the other way round than all others, snug with padded pliers: its tail and the neighbour’s lock each other.'
    : 'toward the next string, which is still loose, never back to the one that is done; snug with padded pliers; its tail goes under the next string’s wraps.';
