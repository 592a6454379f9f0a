import { ARCHETYPES, instrumentOf } from '../archetypes/index.js';
import type { AnchorKind, HeadstockLayout, Instrument, Post, PostStyle } from '../instrument/index.js';

/** Typical instruments that lend what was not measured yet: those of the same family come first. */
function lenders(family: Instrument['family']): Instrument[] {
  const all = ARCHETYPES.map(({ id }) => instrumentOf(id));
  return [...all.filter((each) => each.family === family), ...all.filter((each) => each.family !== family)];
}

export const lenderOfHead = (layout: HeadstockLayout, family: Instrument['family']): Instrument | null =>
  lenders(family).find(({ headstock }) => headstock.layout === layout) ?? null;

export const lenderOfBridge = (anchor: AnchorKind, family: Instrument['family']): Instrument | null =>
  lenders(family).find(({ bridge }) => bridge.anchor === anchor) ?? null;

export const lenderOfPost = (style: PostStyle, family: Instrument['family']): Post | null =>
  lenders(family)
    .flatMap(({ strings }) => strings.map(({ post }) => post))
    .find((post) => post.style === style) ?? null;
