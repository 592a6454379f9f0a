import type { AnchorKind, Instrument, PostStyle } from '../instrument/index.js';
import { lenderOfBridge, lenderOfPost } from './donors.js';

/** The instrument with its strings held so at the bridge; what that needs and nobody measured is typical. */
export function withAnchor(instrument: Instrument, anchor: AnchorKind): Instrument {
  const lender = lenderOfBridge(anchor, instrument.family);
  const behindSaddle = lender?.bridge.behindSaddle ?? instrument.bridge.behindSaddle;
  return { ...instrument, bridge: { anchor, behindSaddle, tieHoles: 'single', cover: false, vibrato: false } };
}

/** String `index` on a post of another style, all of them where it is null; thick, pierced and deep as such posts are. Where it stands stays. */
export function withPostStyle(instrument: Instrument, style: PostStyle, index: number | null): Instrument {
  const typical = lenderOfPost(style, instrument.family);
  if (typical === null) return instrument;
  const { diameter, holeHeight, holeDepth } = typical;
  return {
    ...instrument,
    strings: instrument.strings.map((place, at) => {
      const asked = index === null ? place.post.pipAlong === null : at === index;
      if (!asked) return place;
      const pipAlong = style === 'side-peg' ? (place.post.pipAlong ?? typical.pipAlong) : null;
      return { ...place, post: { ...place.post, style, diameter, holeHeight, holeDepth, pipAlong } };
    }),
  };
}
