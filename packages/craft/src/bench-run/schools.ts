import { floats, isVibrato, type AnchorKind, type Bridge, type Instrument, type PostStyle } from '../instrument/index.js';
import {
  inForce,
  STRIPPINGS,
  type Anchoring,
  type Chosen,
  type LayeredChoices,
  type Stretching,
  type StringOrder,
  type Stripping,
} from '../methods/index.js';

/** Why a school is not possible at an anchor, or not chosen by anybody but forced. */
export type ForcedBy =
  'loose-bridge' | 'floating-bridge' | 'tails-under-neighbours' | 'strings-share-clamps' | 'strings-come-off-singly' | StretchForced;

/** Why a way of stretching is no way here. */
type StretchForced = 'small-body' | 'no-vibrato' | 'soft-strings';

/** What a school is good for, said beside the other one where they disagree. */
export const STRIPPING_REASONS: Readonly<Record<Stripping, string>> = {
  'one-at-a-time': 'neck and bridge stay loaded, and the old neighbour shows where things go',
  pairs: 'two strings share a clamp of the nut',
  'all-off': 'cleaning, oiling and fret work, and it is quicker; the neck comes back within minutes',
};

export const STRETCH_REASONS: Readonly<Record<Stretching, string>> = {
  along: 'it reaches the whole string and pulls gently at both ends',
  sideways: 'it spares frets and bridge',
  twist: 'it does not pull at the bridge',
  nodes: 'the string keeps its bright sound',
  dives: 'bridge, springs and string come to rest together',
  light: 'overstretching ruins a string: play it in and retune',
};

export const FORCED_REASONS: Readonly<Record<ForcedBy, string>> = {
  'loose-bridge': 'the loose bridge stands only by tension: one string at a time, or it falls and its place is lost',
  'floating-bridge': 'strings and springs hold the floating bridge: with all strings off it falls back, unless it is blocked level first',
  'tails-under-neighbours': 'every tail is tucked under its neighbour’s wraps: all strings are anchored before any is tightened',
  'strings-share-clamps': 'two strings share each clamp of the nut: one pair at a time, unless the bridge is blocked',
  'small-body': 'a small body and its bridge are moved by a sideways pull: twist instead',
  'no-vibrato': 'there is no vibrato to dip',
  'soft-strings': 'soft strings give by creeping: they are twisted, not yanked',
  'strings-come-off-singly': 'strings that come off one at a time are wound before the next comes off',
};

type Held = Pick<Bridge, 'anchor'> & Partial<Pick<Bridge, 'vibrato'>>;

/** Schools of stripping that are physically possible at an anchor. */
export function possibleStrippings(bridge: Held, blocked: boolean): readonly Stripping[] {
  if (bridge.anchor === 'hooked-tailpiece') return ['one-at-a-time'];
  if (bridge.anchor === 'wrap-and-tuck') return ['all-off'];
  if (!floats(bridge) || blocked) return STRIPPINGS;
  return bridge.anchor === 'double-locking' ? ['pairs', 'one-at-a-time'] : ['one-at-a-time'];
}

export function forcedBy(bridge: Held): ForcedBy | null {
  if (bridge.anchor === 'hooked-tailpiece') return 'loose-bridge';
  if (bridge.anchor === 'wrap-and-tuck') return 'tails-under-neighbours';
  if (bridge.anchor === 'double-locking') return 'strings-share-clamps';
  return floats(bridge) ? 'floating-bridge' : null;
}

/** Whether such a post can stand on an instrument with such an anchor. */
export function canStand(anchor: AnchorKind, style: PostStyle): boolean {
  if ((anchor === 'headless') !== (style === 'clamp')) return false;
  return style !== 'side-peg' || anchor === 'hooked-tailpiece';
}

/** A school, who chose it, and what was chosen instead where the instrument does not allow it. */
export interface School<T> {
  value: T;
  from: Chosen<T>['from'] | 'forced';
  forced: ForcedBy | null;
  overruled: T | null;
}

export interface RunSchools {
  stripping: School<Stripping>;
  order: School<StringOrder>;
  anchoring: School<Anchoring>;
}

const SMALL: readonly Instrument['family'][] = ['ukulele', 'mandolin', 'banjo'];

/** The schools in force at this instrument: what was chosen, or what the instrument forces. `blocked`: the bridge is held level. */
export function schoolsInForce(instrument: Pick<Instrument, 'bridge'>, choices: LayeredChoices, blocked: boolean): RunSchools {
  const { anchor } = instrument.bridge;
  const wished = inForce<Stripping>(choices, ({ stripping }) => stripping, anchor === 'double-locking' ? 'pairs' : 'one-at-a-time');
  const possible = possibleStrippings(instrument.bridge, blocked);
  const stripping = resolve(wished, possible, forcedBy(instrument.bridge));
  const anchoring = inForce<Anchoring>(choices, (from) => from.anchoring, 'each-wound-at-once');
  const mayAnchor: readonly Anchoring[] =
    anchor === 'wrap-and-tuck'
      ? ['all-anchored-first']
      : stripping.value === 'one-at-a-time'
        ? ['each-wound-at-once']
        : ['each-wound-at-once', 'all-anchored-first'];
  const order = inForce<StringOrder>(choices, ({ stringOrder }) => stringOrder, 'low-first');
  return {
    stripping,
    order: { ...order, forced: null, overruled: null },
    anchoring: resolve(anchoring, mayAnchor, anchor === 'wrap-and-tuck' ? 'tails-under-neighbours' : 'strings-come-off-singly'),
  };
}

function resolve<T>(wished: Chosen<T>, possible: readonly T[], why: ForcedBy | null): School<T> {
  const [first] = possible;
  // where there is one way only, it is said why, though it is what was wished for
  if ((possible.includes(wished.value) && possible.length > 1) || first === undefined) return { ...wished, forced: null, overruled: null };
  // nobody is overruled who did not choose, or chose the same
  const overruled = wished.from === 'built-in' || wished.value === first ? null : wished.value;
  return { value: first, from: 'forced', forced: why, overruled };
}

/** How a string of this make is stretched at this instrument. `soft`: nylon, fluorocarbon or gut. */
export function stretchingInForce(
  instrument: Pick<Instrument, 'bridge' | 'family'>,
  choices: LayeredChoices,
  soft: boolean,
): School<Stretching> {
  const { family, bridge } = instrument;
  const small = SMALL.includes(family);
  const builtIn: Stretching = family === 'bass' ? 'nodes' : soft || family === 'ukulele' ? 'twist' : 'along';
  const wished = inForce<Stretching>(choices, ({ stretching }) => stretching, builtIn);
  const forced: ForcedBy | null =
    wished.value === 'sideways' && small
      ? 'small-body'
      : wished.value === 'dives' && !isVibrato(bridge)
        ? 'no-vibrato'
        : wished.value === 'nodes' && soft
          ? 'soft-strings'
          : null;
  if (forced === null) return { ...wished, forced: null, overruled: null };
  return { value: small ? 'twist' : builtIn, from: 'forced', forced, overruled: wished.value };
}
