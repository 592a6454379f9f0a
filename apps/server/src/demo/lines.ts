import { nameSet, SETS, type Mark, type StringLine, type StringSet, type TableString } from '@gold-peg/craft/strings';

/** String lines of invented makers, each with the marks it puts on its packets, string 1 first. */
interface DemoLine extends StringLine {
  /** Built-in sets it makes of its own. */
  from: readonly string[];
  marks: readonly Mark[];
}

const DEMO_LINES: readonly DemoLine[] = [
  {
    id: 'grapnel-nickel',
    name: 'Grapnel Nickel',
    family: 'electric',
    from: ['electric-nickel-9-11-16-24w-32w-42w', 'electric-nickel-10-13-17-26w-36w-46w'],
    marks: ['moss', 'straw', 'coal', 'teal', 'rust', 'chalk'],
  },
  {
    id: 'saltmarsh-bronze',
    name: 'Saltmarsh Bronze',
    family: 'acoustic',
    from: ['acoustic-phosphor-11-15-22w-32w-42w-52w', 'acoustic-phosphor-12-16-24w-32w-42w-53w'],
    marks: ['chalk', 'plum', 'moss', 'slate', 'straw', 'rust'],
  },
  {
    id: 'lampwick-clear',
    name: 'Lampwick Clear',
    family: 'classical',
    from: ['classical-nylon-basses-28-32-40-29w-35w-43w', 'classical-nylon-basses-27-32-39-28w-34w-42w'],
    marks: ['teal', 'chalk', 'plum', 'coal', 'moss', 'straw'],
  },
  {
    id: 'deepmoor-round',
    name: 'Deepmoor Round',
    family: 'bass',
    from: ['bass-nickel-45w-65w-85w-105w'],
    marks: ['slate', 'rust', 'chalk', 'moss'],
  },
];

const madeBy = ({ id, marks, from }: DemoLine, set: StringSet): StringSet => {
  const strings = set.strings.map((string, index): TableString => ({
    ...string,
    // a string of the same gauge in two sets of a line is one string with one mark
    id: `${id}-${string.id.split('-').at(-1) ?? ''}${string.construction === 'wound' ? 'w' : ''}`,
    lineId: id,
    mark: from[0] === set.id || !isIn(from[0], string) ? (marks[index] ?? null) : markIn(from[0], string, marks),
  }));
  return {
    ...set,
    id: `${id}-${set.id
      .split(/-(?=\d)/)
      .slice(1)
      .join('-')}`,
    lineId: id,
    name: nameSet(strings),
    strings,
  };
};

const first = (setId: string | undefined) => SETS.find(({ id }) => id === setId)?.strings ?? [];
const isIn = (setId: string | undefined, string: TableString) => first(setId).some(({ id }) => id === string.id);
const markIn = (setId: string | undefined, string: TableString, marks: readonly Mark[]) =>
  marks[first(setId).findIndex(({ id }) => id === string.id)] ?? null;

export const LINES_OF_THE_DEMO: readonly StringLine[] = DEMO_LINES.map(({ id, name, family }) => ({ id, name, family }));

/** @throws RangeError when a line names a set that is not built in. */
export const SETS_OF_THE_DEMO: readonly StringSet[] = DEMO_LINES.flatMap((line) =>
  line.from.map((setId) => {
    const set = SETS.find(({ id }) => id === setId);
    if (set === undefined) throw new RangeError(`no set ${setId}`);
    return madeBy(line, set);
  }),
);

export const STRINGS_OF_THE_DEMO: readonly TableString[] = [
  ...new Map(SETS_OF_THE_DEMO.flatMap(({ strings }) => strings.map((string) => [string.id, string] as const))).values(),
];
