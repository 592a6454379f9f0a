import { done, refused, type Outcome } from '../outcome/index.js';
import type { StringSet, TableString } from '../strings/index.js';
import { classesFor, classKey, optionsFor, type Option } from './candidates.js';
import { scoreOf, targetPull } from './score.js';
import { Best, searchBest, type Base, type Found, type Search } from './search.js';
import type { GaugeAnswer, GaugeProblem, GaugeQuestion } from './wish.js';

export type Progress = (share: number) => void;

/**
 * The best few choices of strings for a wish: the exact optimum over the table, fewer singles first among equals. Strings that nobody could tell
 * apart count as one; which of them is taken follows from the set, and from what is in stock.
 */
export function solveGauges(question: GaugeQuestion, progress: Progress = () => undefined): Outcome<GaugeAnswer[], GaugeProblem> {
  if (question.mixed) return solveAmong(question, progress);
  const tables = oneLineTables(question.table);
  const outcomes = tables.map((table, index) => solveAmong({ ...question, table }, (share) => progress((index + share) / tables.length)));
  const answers = outcomes.flatMap((outcome) => (outcome.ok ? outcome.value : []));
  const refusal = outcomes.find((outcome) => !outcome.ok);
  if (answers.length === 0) return refusal ?? refused({ kind: 'no-string', seat: 0, listed: 0 });
  return done(distinct(answers.sort((a, b) => a.cost - b.cost || a.singles - b.singles)).slice(0, question.answers));
}

/** The table in parts that need no mixing: all smooth strings of one line with all wound ones of one line. */
function oneLineTables(table: readonly TableString[]): TableString[][] {
  const lines = (wound: boolean) => [...new Set(table.filter((string) => isWound(string) === wound).map(({ lineId }) => lineId))];
  const [smooth, wound] = [lines(false), lines(true)];
  if (smooth.length === 0 || wound.length === 0) return [...smooth, ...wound].map((line) => table.filter(({ lineId }) => lineId === line));
  return smooth.flatMap((first) => wound.map((second) => table.filter((string) => string.lineId === (isWound(string) ? second : first))));
}

const isWound = ({ construction }: TableString): boolean => construction === 'wound';

/** Each choice of strings once, the first of those that are alike. */
function distinct(answers: readonly GaugeAnswer[]): GaugeAnswer[] {
  const seen = new Set<string>();
  return answers.filter(({ strings }) => {
    const key = strings.map(classKey).join(' ');
    return seen.has(key) ? false : seen.add(key);
  });
}

function solveAmong(question: GaugeQuestion, progress: Progress): Outcome<GaugeAnswer[], GaugeProblem> {
  const { strung, wish, weights, stock } = question;
  const classes = classesFor(strung, question.table);
  const options = optionsFor(strung, classes, question.wound);
  const score = scoreOf(wish, weights, options);
  const bare = score.seats.findIndex((list) => list.length === 0);
  if (bare >= 0) return refused({ kind: 'no-string', seat: bare, listed: classes.length });
  const sets = question.sets.filter(
    (set) =>
      set.family === strung.family && set.strings.length === strung.seats.length && (stock === null || (stock.sets.get(set.id) ?? 0) > 0),
  );
  const picked = sets.map((set) => picksOf(set, options));
  const best = new Best(question.answers);
  const search: Omit<Search, 'base'> = {
    score,
    singlesOf: (picks) => Math.min(picks.length, ...picked.map((base) => mismatches(base, picks))),
    goesWith: (picks, seat) => nearestTo(picked, picks)?.[seat] ?? undefined,
    left: (seat, option) => (stock === null ? Number.POSITIVE_INFINITY : inStock(optionAt(options, seat, option), stock.strings)),
    sameStock: (seat, option) => optionAt(options, seat, option).class.key,
  };
  const bases = basesOf(question, picked);
  if (bases.length === 0) return refused({ kind: stock === null ? 'no-set' : 'nothing-in-stock' });
  bases.forEach((base, index) => {
    searchBest({ ...search, base }, best, (begun, of) => progress((index + begun / of) / bases.length));
  });
  if (best.list.length === 0) return refused({ kind: stock === null ? 'no-set' : 'nothing-in-stock' });
  return done(best.list.map((found) => answerOf(found, question, options, sets, picked)));
}

/** Sets to begin from, and the bare table where a set is not asked for. In stock, every string beside a set is a single from the shelf. */
function basesOf({ strung, stock, mostSingles }: GaugeQuestion, picked: readonly (number | null)[][]): (Base | null)[] {
  const count = strung.seats.length;
  if (stock === null && mostSingles === null) return [null];
  const fromSets = picked.map((picks, index): Base => ({ index, picks, mostSingles: mostSingles ?? count }));
  const loose: Base = { index: -1, picks: Array.from({ length: count }, () => null), mostSingles: count };
  return mostSingles === null ? [loose, ...fromSets] : fromSets;
}

/** The option that each string of a set is; null for one that cannot stand in its seat. */
const picksOf = ({ strings }: StringSet, options: readonly (readonly Option[])[]): (number | null)[] =>
  strings.map((string, seat) => {
    const key = classKey(string);
    const found = (options[seat] as readonly Option[]).findIndex((option) => option.class.key === key);
    return found < 0 ? null : found;
  });

const mismatches = (base: readonly (number | null)[], picks: readonly number[]) => picks.filter((pick, seat) => base[seat] !== pick).length;

/** The set of which the fewest strings are others than these. */
function nearestTo(picked: readonly (readonly (number | null)[])[], picks: readonly (number | undefined)[]) {
  const others = (base: readonly (number | null)[]) => picks.filter((pick, seat) => pick !== undefined && base[seat] !== pick).length;
  return picked.reduce<readonly (number | null)[] | undefined>(
    (nearest, base) => (nearest !== undefined && others(nearest) <= others(base) ? nearest : base),
    undefined,
  );
}

const optionAt = (options: readonly (readonly Option[])[], seat: number, pick: number): Option =>
  (options[seat] as readonly Option[])[pick] as Option;

const inStock = (option: Option, counts: ReadonlyMap<string, number>) =>
  option.class.members.reduce((sum, { id }) => sum + (counts.get(id) ?? 0), 0);

function answerOf(
  found: Found,
  { wish, weights, stock }: GaugeQuestion,
  options: readonly (readonly Option[])[],
  sets: readonly StringSet[],
  picked: readonly (readonly (number | null)[])[],
): GaugeAnswer {
  const { picks, cost } = found;
  const chosen = picks.map((pick, seat) => optionAt(options, seat, pick));
  const nearest = found.base === null ? picked.findIndex((base) => mismatches(base, picks) === found.singles) : found.base;
  const set = isLoose(found) ? null : (sets[nearest] ?? null);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const used = new Map<string, number>();
  const strings = chosen.flatMap((option, seat) => {
    const own = set?.strings[seat];
    if (own !== undefined && classKey(own) === option.class.key) return [own];
    return takeSingle(option, stock?.strings ?? null, used);
  });
  return {
    strings,
    set,
    singles: set === null ? picks.length : found.singles,
    cost: total === 0 ? 0 : cost / total,
    missesPercent: total === 0 ? 0 : 100 * Math.sqrt(cost / total),
    missPercent: missesOf(chosen, wish, weights),
  };
}

/** Where no set was asked for, one of which a third and more is replaced is not worth opening. */
const WORTH_OPENING = 1 / 3;
const isLoose = ({ base, singles, picks }: Found) => singles === picks.length || (base === null && singles > picks.length * WORTH_OPENING);

/** One string of a class that is still there, or the first of the class where the shelf does not matter. */
function takeSingle({ class: { members } }: Option, counts: ReadonlyMap<string, number> | null, used: Map<string, number>) {
  const there = counts === null ? members[0] : members.find(({ id }) => (counts.get(id) ?? 0) > (used.get(id) ?? 0));
  if (there === undefined) return [];
  used.set(there.id, (used.get(there.id) ?? 0) + 1);
  return [there];
}

function missesOf(chosen: readonly Option[], wish: GaugeQuestion['wish'], weights: readonly number[]): (number | null)[] {
  const weight = (seat: number) => weights[seat] ?? 1;
  const all = chosen.reduce((sum, _, seat) => sum + weight(seat), 0);
  const level = Math.exp(chosen.reduce((sum, { load }, seat) => sum + weight(seat) * Math.log(load.pull), 0) / all);
  return chosen.map(({ load, bend }, seat) => {
    if (weight(seat) === 0) return null;
    if (wish.kind === 'feel') {
      const wanted = wish.bends[seat] ?? null;
      return wanted === null || bend === null ? null : 100 * (bend.force / wanted.force - 1);
    }
    return 100 * (load.pull / (targetPull(wish, seat, chosen.length) ?? level) - 1);
  });
}
