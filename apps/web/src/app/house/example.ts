import { archetype, ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { planRun, type BenchRun } from '@gold-peg/craft/bench-run';
import type { Instrument } from '@gold-peg/craft/instrument';
import { isSoft, stringClass, tuningWays, type LayeredChoices, type StringClass } from '@gold-peg/craft/methods';
import { windString, type PostPlan } from '@gold-peg/craft/procedure';
import { expectedDrift } from '@gold-peg/craft/settle';
import { madeOf, printGauge, setsFor, type StringProperties } from '@gold-peg/craft/strings';

/** An instrument with its set, on which ways are tried. */
export interface Example {
  name: string;
  facts: string;
  set: string;
  instrument: Instrument;
  strings: readonly StringProperties[];
}

/** Kinds of which there is a set, with posts that strings are wound on. */
export const EXAMPLES: readonly { id: string; name: string }[] = ARCHETYPES.filter(({ id }) => exampleOf(id) !== null).map(
  ({ id, name }) => ({ id, name }),
);

/** Null where the table has no set for that kind, or where nothing of it is wound on a post. */
export function exampleOf(id: string): Example | null {
  const kind = archetype(id);
  if (kind === undefined) return null;
  const instrument = instrumentOf(id);
  const set = setsFor(instrument.family, instrument.strings.length)[0];
  if (set === undefined) return null;
  const example = { name: kind.name, facts: kind.facts, set: set.name, instrument, strings: madeOf(set) };
  return tried(example, {}).classes.length > 0 ? example : null;
}

/** What becomes of the strings of one class: the first of them stands for all. */
export interface ClassTried {
  stringClass: StringClass;
  /** String numbers, 1 at the high side. */
  numbers: readonly number[];
  gauges: string;
  wound: boolean;
  plan: PostPlan;
}

/** What ways of a house, and of somebody's own on top of them, come to on an example. */
export interface Tried {
  classes: readonly ClassTried[];
  run: BenchRun | null;
  /** Share of the whole pull that stays on the neck while most strings are off; null where the run is not possible. */
  stays: number | null;
  /** At the bench for the whole set, minutes. */
  attended: number;
  /** Of strings that creep: how often they are tuned again, and from which hour all hold; null where none does. */
  settling: { retunes: number; holdsAfter: number } | null;
}

export function tried({ instrument, strings }: Pick<Example, 'instrument' | 'strings'>, choices: LayeredChoices): Tried {
  const classes = new Map<StringClass, ClassTried>();
  const pulls: number[] = [];
  for (const [index, string] of strings.entries()) {
    const plan = windString({ instrument, index, string, choices });
    pulls.push(plan?.load.pull ?? 0);
    if (plan?.kind !== 'post') continue;
    const key = stringClass(instrument.family, string);
    const found = classes.get(key);
    const numbers = [...(found?.numbers ?? []), index + 1];
    const gauges = [...new Set(numbers.map((number) => printGauge(strings[number - 1]?.gauge ?? string.gauge)))];
    classes.set(key, {
      stringClass: key,
      numbers,
      gauges: gauges.join(' '),
      wound: string.construction === 'wound',
      plan: found?.plan ?? plan,
    });
  }
  const run = planRun({ instrument, strings, choices });
  const steps = run.ok ? run.value.steps : [];
  return {
    classes: [...classes.values()],
    run: run.ok ? run.value : null,
    stays: run.ok ? staysOf(pulls, run.value.groups) : null,
    attended: steps.reduce((sum, { minutes }) => sum + minutes.attended, 0),
    settling: settlingOf(strings, tuningWays(choices).hold),
  };
}

function staysOf(pulls: readonly number[], groups: BenchRun['groups']): number {
  const all = pulls.reduce((sum, pull) => sum + pull, 0);
  const off = Math.max(...groups.map((group) => group.reduce((sum, index) => sum + (pulls[index] ?? 0), 0)));
  return 1 - off / all;
}

function settlingOf(strings: readonly StringProperties[], hold: Parameters<typeof expectedDrift>[1]): Tried['settling'] {
  const soft = strings.filter(isSoft);
  // strings of one kind move alike
  const creeps = [...new Set(soft.map(({ creep }) => creep))];
  if (creeps.length === 0) return null;
  const each = creeps.map((creep) => expectedDrift([], hold, creep));
  return {
    retunes: Math.max(...each.map(({ retunes }) => retunes.length)),
    holdsAfter: Math.max(...each.map(({ holdsFrom }) => holdsFrom.likely)),
  };
}
