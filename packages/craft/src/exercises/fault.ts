import { instrumentOf } from '../archetypes/index.js';
import { FAULTS_AT, type Fault, type FaultPlace } from '../skills/index.js';
import { pickFrom } from './draw.js';
import { archetypesOf, type Kinds } from './drawn-string.js';
import { faultAtAnchor, type FaultAtAnchor } from './fault-at-anchor.js';
import { faultAtPost, type FaultAtPost } from './fault-at-post.js';

/** A string on its post, at its pin or at its tie: what is wrong with it? */
export type FaultExercise = FaultAtPost | FaultAtAnchor;

export interface FaultAnswer {
  fault: Fault;
}

const PLACES = Object.keys(FAULTS_AT) as FaultPlace[];

/** @throws RangeError where these kinds have neither pins nor ties, and no posts that are seen from the side. */
export function faultExercise(chance: () => number, level: number, kinds: Kinds): FaultExercise {
  const at = pickFrom(placesOn(kinds), chance, 'none of these instruments shows where it may be faulty');
  return at === 'post' ? faultAtPost(chance, level, kinds) : faultAtAnchor(at, chance, level, kinds);
}

function placesOn(kinds: Kinds): FaultPlace[] {
  const instruments = archetypesOf(kinds).map(({ id }) => instrumentOf(id));
  const has = (at: FaultPlace) =>
    at === 'post'
      ? instruments.some(({ strings }) => strings.some(({ post }) => post.style === 'through'))
      : instruments.some(({ bridge }) => bridge.anchor === at);
  return PLACES.filter(has);
}

export const faultIsRight = ({ truth }: FaultExercise, { fault }: FaultAnswer): boolean => fault === truth;
