import { evenest, mostApart, possibleStrippings, sideLoads, stringOrder, type SideLoad } from '../bench-run/index.js';
import { instrumentOf } from '../archetypes/index.js';
import { floats, pitchOf, type Instrument } from '../instrument/index.js';
import { STRING_ORDERS, STRIPPINGS, type StringOrder, type Stripping } from '../methods/index.js';
import { madeOf, setsFor } from '../strings/index.js';
import { tensionFor } from '../tension/index.js';
import { newtons, type Newtons } from '../units/index.js';
import { atLevel, happens, pickFrom, shuffled } from './draw.js';
import { archetypesOf, type Kinds } from './drawn-string.js';

interface OnBridge {
  kind: string;
  name: string;
  instrument: Instrument;
}

/** How many strings may be off this bridge at once? */
interface AtOnce extends OnBridge {
  question: 'at-once';
  /** A block holds a floating bridge level. */
  blocked: boolean;
  choices: readonly Stripping[];
  truth: number;
}

/** In which of these orders do all strings come up with the halves of the bridge pulled most evenly? */
interface InOrder extends OnBridge {
  question: 'in-order';
  choices: readonly StringOrder[];
  truth: number;
  /** By how much the halves differ at the worst step of each. */
  apart: readonly Newtons[];
}

export type OrderExercise = AtOnce | InOrder;

export interface OrderAnswer {
  /** Place among the choices. */
  choice: number;
}

const CHOICES = 3;
/** By how much the second best order has to be worse at least, as a share of the best, by level. */
const WORSE_BY = [1, 0.6, 0.4, 0.2];
const MOST_DRAWS = 500;
const NONE_FITS = 'no bridge is fit for this exercise';

export function orderExercise(chance: () => number, level: number, kinds: Kinds): OrderExercise {
  const worseBy = atLevel(WORSE_BY, level);
  const inOrder = happens(0.5, chance);
  const archetypes = archetypesOf(kinds);
  for (let draw = 0; draw < MOST_DRAWS; draw++) {
    const { id, name } = pickFrom(archetypes, chance, NONE_FITS);
    const on: OnBridge = { kind: id, name, instrument: instrumentOf(id) };
    const made = inOrder ? orders(on, chance, worseBy) : atOnce(on, chance);
    if (made !== null) return made;
  }
  throw new RangeError(NONE_FITS);
}

function atOnce(on: OnBridge, chance: () => number): AtOnce {
  const { bridge } = on.instrument;
  const blocked = floats(bridge) && happens(0.4, chance);
  const possible = possibleStrippings(bridge, blocked);
  const most = STRIPPINGS.findLast((stripping) => possible.includes(stripping)) ?? 'one-at-a-time';
  return { question: 'at-once', ...on, blocked, choices: STRIPPINGS, truth: STRIPPINGS.indexOf(most) };
}

/** Null where no order does better than all others by enough. */
function orders(on: OnBridge, chance: () => number, worseBy: number): InOrder | null {
  const pulls = pullsOf(on.instrument);
  const { order: best, apart: least } = evenest(pulls);
  const each = STRING_ORDERS.map((order) => ({ order, apart: mostApart(loadsIn(order, pulls)) }));
  const worse = each.filter(({ order, apart }) => order !== best && apart > least * (1 + worseBy));
  if (worse.length < CHOICES - 1) return null;
  const others = shuffled(worse, chance).slice(0, CHOICES - 1);
  const choices = shuffled([{ order: best, apart: least }, ...others], chance);
  return {
    ...{ question: 'in-order', ...on, choices: choices.map(({ order }) => order), apart: choices.map(({ apart }) => apart) },
    truth: choices.findIndex(({ order }) => order === best),
  };
}

const loadsIn = (order: StringOrder, pulls: readonly Newtons[]): SideLoad[] =>
  sideLoads(
    [true, false].flatMap((firstPass) => stringOrder(order, pulls.length).map((string) => ({ string, firstPass }))),
    pulls,
  );

/** Pulls at pitch of the first set that the table has for it, string 1 first. */
function pullsOf(instrument: Instrument): Newtons[] {
  const [set] = setsFor(instrument.family, instrument.strings.length);
  const made = set === undefined ? [] : madeOf(set);
  return instrument.strings.flatMap((place, index) => {
    const string = made[index];
    return string === undefined ? [] : [newtons(tensionFor(pitchOf(instrument, place), place.scaleLength, string))];
  });
}

export const orderIsRight = ({ truth }: OrderExercise, { choice }: OrderAnswer): boolean => choice === truth;
