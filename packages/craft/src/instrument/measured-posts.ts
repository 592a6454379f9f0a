import { metres, type Metres } from '../units/index.js';
import type { Instrument, Side } from './geometry.js';

/** Three or four lengths that a rule reads quickly, for the posts of one side: everything along the face, sideways from the centre line. */
export interface MeasuredRow {
  side: Side;
  nutToFirst: Metres;
  firstToLast: Metres;
  /** From the centre line to the axis of the first and of the last post. */
  firstAside: Metres;
  lastAside: Metres;
}

/** The instrument with the posts of one side set evenly between the first and the last that were measured. Pegs in the side of the neck stay. */
export function withMeasuredPosts(instrument: Instrument, row: MeasuredRow): Instrument {
  const inRow = instrument.strings
    .filter(({ post }) => post.side === row.side && post.pipAlong === null)
    .sort((a, b) => a.post.along - b.post.along);
  const sign = row.side === 'bass' ? 1 : -1;
  return {
    ...instrument,
    strings: instrument.strings.map((place) => {
      const at = inRow.indexOf(place);
      if (at < 0) return place;
      const share = inRow.length === 1 ? 0 : at / (inRow.length - 1);
      const along = metres(row.nutToFirst + share * row.firstToLast);
      const sideways = metres(sign * (row.firstAside + share * (row.lastAside - row.firstAside)));
      return { ...place, post: { ...place.post, along, sideways } };
    }),
  };
}

/** What those lengths are now; null where no post stands on that side. */
export function measuredRow(instrument: Instrument, side: Side): MeasuredRow | null {
  const posts = instrument.strings
    .map(({ post }) => post)
    .filter((post) => post.side === side && post.pipAlong === null)
    .sort((a, b) => a.along - b.along);
  const [first, last] = [posts[0], posts.at(-1)];
  if (first === undefined || last === undefined) return null;
  const sign = side === 'bass' ? 1 : -1;
  return {
    side,
    nutToFirst: first.along,
    firstToLast: metres(last.along - first.along),
    firstAside: metres(sign * first.sideways),
    lastAside: metres(sign * last.sideways),
  };
}
