import { compareOn, seatString, type GaugeQuestion, type OnTheShelf, type Stringing, type Wish } from '@gold-peg/craft/gauges';
import { stringProperties, type StringSet, type TableString } from '@gold-peg/craft/strings';
import { archetype } from '@gold-peg/craft/archetypes';
import { strungKind, type Strung } from '@gold-peg/craft/tuning';
import { newtons } from '@gold-peg/craft/units';

/** What stands in the form, as plain values. Pulls in newtons. */
export interface WishForm {
  kind: 'old-pull' | 'equal-pull' | 'feel' | 'total';
  /** For an equal pull; null for whatever comes out most even. */
  pullN: number | null;
  totalN: number;
  /** Whether a total is shared as the old set shared it, or evenly. */
  sharedAsOld: boolean;
  /** The set and neck whose feel is wished; the old set on this instrument where neck is null. */
  feelNeck: string | null;
  feelSet: string | null;
  from: 'table' | 'shelf';
  /** Null for any strings. */
  mostSingles: number | null;
  /** Strings of several lines and windings may be mixed. */
  mixed: boolean;
  weights: readonly number[];
  kinds: readonly ('either' | 'smooth' | 'wound')[];
}

export interface Bench {
  strung: Strung;
  old: Stringing | null;
  strings: readonly TableString[];
  sets: readonly StringSet[];
  shelf: OnTheShelf | null;
}

export const ANSWERS_SHOWN = 6;

/** A wish as it is before anybody touched it: the old pull where there is one, from whatever is on the table. */
export function firstWish({ strung, old }: Bench): WishForm {
  const pulls = old === null ? [] : compareOn(old, null).strings.map(({ after }) => after.load.pull);
  const total = pulls.reduce<number>((sum, pull) => sum + pull, 0);
  return {
    kind: old === null ? 'equal-pull' : 'old-pull',
    pullN: null,
    totalN: Math.round(total > 0 ? total : 75 * strung.seats.length),
    sharedAsOld: old !== null,
    feelNeck: null,
    feelSet: null,
    from: 'table',
    mostSingles: null,
    mixed: false,
    weights: strung.seats.map(() => 1),
    kinds: strung.seats.map((_, index) => {
      const string = old?.strings[index];
      return string === undefined ? 'either' : string.construction === 'wound' ? 'wound' : 'smooth';
    }),
  };
}

/** The question that a form asks; null while something it needs is missing. */
export function questionOf(form: WishForm, bench: Bench): GaugeQuestion | null {
  const wish = wishOf(form, bench);
  if (wish === null) return null;
  if (form.from === 'shelf' && bench.shelf === null) return null;
  return {
    strung: bench.strung,
    table: bench.strings,
    sets: bench.sets,
    wish,
    weights: form.weights,
    wound: form.kinds.map((kind) => (kind === 'either' ? null : kind === 'wound')),
    stock: form.from === 'shelf' ? bench.shelf : null,
    mostSingles: form.mostSingles,
    mixed: form.mixed,
    answers: ANSWERS_SHOWN,
  };
}

function wishOf(form: WishForm, { strung, old, sets }: Bench): Wish | null {
  const oldPulls = old === null ? null : compareOn(old, null).strings.map(({ after }) => after.load.pull);
  switch (form.kind) {
    case 'old-pull':
      return oldPulls === null ? null : { kind: 'pulls', pulls: oldPulls };
    case 'equal-pull':
      return { kind: 'equal-pull', pull: form.pullN === null ? null : newtons(form.pullN) };
    case 'total':
      return { kind: 'total', total: newtons(form.totalN), shares: form.sharedAsOld ? oldPulls : null };
    case 'feel': {
      const reference =
        form.feelNeck === null
          ? old
          : referenceOn(
              form.feelNeck,
              sets.find(({ id }) => id === form.feelSet),
            );
      if (reference === null) return null;
      const felt = reference.strings.map((string, index) => {
        const seat = reference.strung.seats[index];
        return seat === undefined ? null : seatString(string, seat).bend;
      });
      return felt.length === strung.seats.length ? { kind: 'feel', bends: felt } : null;
    }
  }
}

/** A set on a neck of a kind, in its usual tuning. */
export function referenceOn(neckId: string, set: StringSet | undefined): Stringing | null {
  const kind = archetype(neckId);
  if (kind === undefined || set?.strings.length !== kind.sketch.notes.length) return null;
  return stringingOf(strungKind(neckId), set.strings);
}

/** Strings in their seats; null where one of them cannot be computed. */
export function stringingOf(strung: Strung, strings: readonly TableString[]): Stringing | null {
  const computed = strings.flatMap((string) => {
    const properties = stringProperties(string);
    return properties.ok ? [properties.value] : [];
  });
  return computed.length === strung.seats.length ? { strung, strings: computed } : null;
}
