import {
  measuredRow,
  type HeadstockLayout,
  type Instrument,
  type MeasuredRow,
  type Post,
  type Side,
  type StringPlace,
  type Tree,
} from '../instrument/index.js';
import { fromMillimetres, metres, type Metres } from '../units/index.js';
import { lenderOfHead } from './donors.js';

/** Where the posts of a head stand: so many of its strings, from the high side, go to the treble side. */
export interface HeadPlan {
  layout: HeadstockLayout;
  treble: number;
}

/** From one post to the next, and from the nut to the first, where nothing is there to go by. */
const LONE = { pitch: fromMillimetres(34), first: fromMillimetres(40) };

const onHead = ({ strings }: Pick<Instrument, 'strings'>): StringPlace[] => strings.filter(({ post }) => post.pipAlong === null);

export function headOf(instrument: Instrument): HeadPlan {
  const treble = onHead(instrument).filter(({ post }) => post.side === 'treble').length;
  return { layout: instrument.headstock.layout, treble };
}

/** Pegs that the head has, those in the side of the neck left out. */
export const pegsOnHead = (instrument: Pick<Instrument, 'strings'>): number => onHead(instrument).length;

/**
 * The instrument with its posts set anew: so many on the treble side, the rest on the bass side, string 1 and the last nearest the nut, at the distances that it has where its layout stays,
 * else at those of a typical one. A head in line has all on one side. `as`: whose distances are kept, where that is not the instrument itself.
 * @throws RangeError if more posts go to the treble side than there are.
 */
export function withHead(instrument: Instrument, { layout, treble }: HeadPlan, as = instrument): Instrument {
  const count = pegsOnHead(instrument);
  if (!(treble >= 0 && treble <= count)) throw new RangeError(`treble must be between 0 and ${count}, was ${treble}`);
  const same = instrument.headstock.layout === layout;
  const lender = same ? as : (lenderOfHead(layout, instrument.family) ?? instrument);
  const head = same ? instrument.headstock : { ...lender.headstock, layout };
  const like = onHead(lender)[0]?.post;
  const rows = { treble: rowOf(lender, 'treble'), bass: rowOf(lender, 'bass') };
  const straight = layout === 'in-line' || (layout === 'split' && runsStraight(lender));
  let at = -1;
  const strings = instrument.strings.map((place) => {
    if (place.post.pipAlong !== null) return place;
    at++;
    const side: Side = at < treble ? 'treble' : 'bass';
    const nth = side === 'treble' ? at : count - 1 - at;
    const kept = same || like === undefined ? place.post : { ...like };
    return { ...place, post: { ...kept, side, ...standing(place, { layout, straight, row: rows[side], nth, side, post: kept }) } };
  });
  return {
    ...instrument,
    headstock: head,
    screwTuner: layout === 'headless' ? (instrument.screwTuner ?? lender.screwTuner) : null,
    trees: same ? instrument.trees.flatMap((tree) => stillPresses(tree, strings)) : [],
    strings,
  };
}

/** A tree presses the strings whose posts still stand beyond it; one that presses none is gone. */
function stillPresses(tree: Tree, strings: readonly StringPlace[]): Tree[] {
  const under = tree.strings.filter((index) => {
    const post = strings[index]?.post;
    return post !== undefined && (post.pipAlong !== null || post.along > tree.along);
  });
  return under.length === 0 ? [] : [{ ...tree, strings: under }];
}

/** Every string runs straight over the nut to the near side of its post. */
const runsStraight = (instrument: Instrument): boolean =>
  onHead(instrument).every(({ post, slotSideways }) => Math.abs(post.sideways - slotSideways) < post.diameter);

interface Standing {
  layout: HeadstockLayout;
  straight: boolean;
  row: Row;
  nth: number;
  side: Side;
  post: Post;
}

function standing(place: StringPlace, { layout, straight, row, nth, side, post }: Standing): Pick<Post, 'along' | 'sideways'> {
  const sign = side === 'bass' ? 1 : -1;
  if (layout === 'headless') return { along: post.along, sideways: place.slotSideways };
  const along = metres(row.first + nth * row.pitch);
  if (straight) return { along, sideways: metres(place.slotSideways + (sign * post.diameter) / 2) };
  return { along, sideways: metres(sign * (row.near + nth * row.out)) };
}

/** Posts of one side: to the first, from one to the next, and how far aside. */
interface Row {
  first: Metres;
  pitch: Metres;
  near: Metres;
  out: Metres;
}

/** As they stand on that side, or on the other one where none stands there. */
function rowOf(instrument: Instrument, side: Side): Row {
  const measured = measuredRow(instrument, side) ?? measuredRow(instrument, side === 'bass' ? 'treble' : 'bass');
  const gaps = measured === null ? 0 : onHead(instrument).filter(({ post }) => post.side === measured.side).length - 1;
  return measured === null || gaps < 1
    ? { ...LONE, near: measured?.firstAside ?? fromMillimetres(20), out: metres(0) }
    : { first: measured.nutToFirst, pitch: metres(measured.firstToLast / gaps), near: measured.firstAside, out: outward(measured, gaps) };
}

const outward = ({ firstAside, lastAside }: MeasuredRow, gaps: number): Metres => metres((lastAside - firstAside) / gaps);
