import { STRAYS } from '../constants/index.js';
import type { Instrument, Measure, Post, StringPlace } from '../instrument/index.js';
import { fromDegrees, fromMillimetres, metres, radians } from '../units/index.js';

/** Whether an instrument has it at all: a clamp has no buttons, a head without trees none that press. */
export function hasMeasure({ trees, headstock }: Instrument, measure: Measure): boolean {
  if (measure === 'trees') return trees.length > 0;
  return headstock.layout !== 'headless' || (measure !== 'gear' && measure !== 'thickness' && measure !== 'angle');
}

/** The instrument with one of its measures off from what it is taken for by as much as it may be, `way` 1 above or −1 below. */
export function strayed(instrument: Instrument, measure: Measure, way: 1 | -1): Instrument {
  const by = way * STRAYS[measure].value;
  const mm = fromMillimetres(by);
  const places = (change: (place: StringPlace) => Partial<StringPlace>) => ({
    ...instrument,
    strings: instrument.strings.map((place) => ({ ...place, ...change(place) })),
  });
  const posts = (change: (post: Post) => Partial<Post>) => places(({ post }) => ({ post: { ...post, ...change(post) } }));
  const { headstock, bridge } = instrument;
  switch (measure) {
    case 'scale':
      return places(({ scaleLength }) => ({ scaleLength: metres(scaleLength + mm) }));
    case 'nut':
      return places(({ slotSideways }) => ({ slotSideways: metres(slotSideways + mm) }));
    case 'slots':
      return places(({ slotWidth }) => ({ slotWidth: metres(slotWidth + mm) }));
    case 'posts':
      return posts(({ along }) => ({ along: metres(along + mm) }));
    case 'thickness':
      return posts(({ diameter }) => ({ diameter: metres(diameter + mm) }));
    case 'holes':
      return posts(({ holeHeight }) => ({ holeHeight: metres(holeHeight + mm) }));
    case 'angle':
      return { ...instrument, headstock: { ...headstock, angle: radians(headstock.angle + fromDegrees(by)) } };
    case 'face':
      return { ...instrument, headstock: { ...headstock, faceDrop: metres(headstock.faceDrop + mm) } };
    case 'behind-saddle':
      return { ...instrument, bridge: { ...bridge, behindSaddle: metres(Math.max(0, bridge.behindSaddle + mm)) } };
    case 'gear':
      return { ...instrument, gearRatio: Math.max(1, instrument.gearRatio + by) };
    case 'trees':
      return { ...instrument, trees: instrument.trees.map((tree) => ({ ...tree, drop: metres(tree.drop + mm) })) };
  }
}
