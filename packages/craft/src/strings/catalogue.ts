import type { Wrap } from '../constants/index.js';
import { fromInches } from '../units/index.js';
import type { StringSpec } from './string-spec.js';
import type { Construction, Family } from '../string-kinds/index.js';
import type { StringEnd, StringLine, TableString } from './table-string.js';

/** A run of strings that differ by gauge alone: thousandths of an inch. */
interface Run extends StringLine, Pick<StringSpec, 'wrap' | 'finish' | 'layers' | 'silk' | 'coreShape'> {
  construction: Construction;
  end: StringEnd;
  gauges: string;
}

const run = (id: string, name: string, family: Family, construction: Construction, end: StringEnd, gauges: string): Run => ({
  id,
  name,
  family,
  construction,
  end,
  gauges,
});
const wound = (
  id: string,
  name: string,
  family: Family,
  wrap: Wrap,
  end: StringEnd,
  gauges: string,
  more: Pick<Run, 'finish' | 'layers' | 'silk' | 'coreShape'> = {},
): Run => ({ ...run(id, name, family, 'wound', end, gauges), wrap, ...more });

/** Strings in general trade, by what they are made of; no maker's in particular. */
const RUNS: readonly Run[] = [
  run(
    'electric-plain',
    'Plain steel, electric',
    'electric',
    'plain',
    'ball',
    '7 8 8.5 9 9.5 10 10.5 11 12 13 13.5 14 15 16 17 18 19 20 22 24',
  ),
  wound(
    'electric-nickel',
    'Nickel-plated round wound',
    'electric',
    'nickelPlatedSteel',
    'ball',
    '17 18 20 22 24 26 28 30 32 34 36 38 40 42 44 46 48 49 50 52 54 56 59 62 64 65 68 70 74 80',
  ),
  wound('electric-pure-nickel', 'Pure nickel round wound', 'electric', 'pureNickel', 'ball', '24 26 28 30 32 36 38 42 46 49 52'),
  wound('electric-stainless', 'Stainless round wound', 'electric', 'stainless430', 'ball', '24 26 28 30 32 36 38 42 46 49 52'),
  wound('electric-flat', 'Stainless flat wound', 'electric', 'stainless430', 'ball', '20 24 26 28 32 36 38 42 46 48 52', {
    finish: 'flat',
  }),
  wound('electric-half-round', 'Nickel-plated half-round', 'electric', 'nickelPlatedSteel', 'ball', '24 26 30 36 42 46 52', {
    finish: 'half-round',
  }),
  run('acoustic-plain', 'Plain steel, acoustic', 'acoustic', 'plain', 'ball', '8 9 10 11 12 13 14 15 16 17 18'),
  wound(
    'acoustic-phosphor',
    'Phosphor bronze round wound',
    'acoustic',
    'phosphorBronze',
    'ball',
    '18 20 22 23 24 25 26 27 28 30 32 34 35 38 39 42 45 47 49 52 53 54 56',
  ),
  wound('acoustic-8020', '80/20 bronze round wound', 'acoustic', 'bronze8020', 'ball', '22 23 24 26 30 32 36 39 42 45 47 52 53 56'),
  wound('acoustic-silk', 'Silk and steel', 'acoustic', 'silverPlatedCopper', 'ball', '23 28 38 47', { silk: true, coreShape: 'round' }),
  wound(
    'bass-nickel',
    'Nickel-plated bass, layered',
    'bass',
    'nickelPlatedSteel',
    'ball',
    '30 35 40 45 50 55 60 65 70 75 80 85 90 95 100 105 110 120 125 130 135',
    { layers: 2 },
  ),
  wound('bass-stainless', 'Stainless bass, layered', 'bass', 'stainless430', 'ball', '40 45 50 60 65 70 75 80 85 95 100 105 125 130', {
    layers: 2,
  }),
  wound('bass-flat', 'Stainless flat wound bass', 'bass', 'stainless430', 'ball', '40 45 50 55 60 65 75 80 85 95 100 105', {
    finish: 'flat',
    layers: 3,
  }),
  run('classical-nylon', 'Nylon trebles', 'classical', 'nylon', 'plain', '27 28 29 32 33 39 40 41'),
  run('classical-fluorocarbon', 'Fluorocarbon trebles', 'classical', 'fluorocarbon', 'plain', '22 24 25 27 30 32 33'),
  run('classical-gut', 'Gut trebles', 'classical', 'gut', 'plain', '25 31 40'),
  wound(
    'classical-basses',
    'Silvered copper on floss',
    'classical',
    'silverPlatedCopper',
    'plain',
    '27 28 29 30 33 34 35 36 42 43 44 45 46',
  ),
  run('ukulele-nylon', 'Ukulele nylon', 'ukulele', 'nylon', 'plain', '22 24 26 28 29 30 32 34 36 40'),
  run('ukulele-fluorocarbon', 'Ukulele fluorocarbon', 'ukulele', 'fluorocarbon', 'plain', '18 20 21 22 23 24 25 26 29 30 31 32 36'),
  wound('ukulele-wound', 'Silvered copper on floss, ukulele', 'ukulele', 'silverPlatedCopper', 'plain', '28 30 32 35 36'),
  wound('ukulele-aluminium', 'Aluminium on floss, ukulele', 'ukulele', 'aluminium', 'plain', '28 30 32 34'),
  run('mandolin-plain', 'Plain steel, loop', 'mandolin', 'plain', 'loop', '9 10 10.5 11 11.5 12 13 14 15 16 18'),
  wound('mandolin-phosphor', 'Phosphor bronze, loop', 'mandolin', 'phosphorBronze', 'loop', '20 22 23 24 25 26 30 32 34 35 36 38 40 46 49'),
  run('banjo-plain', 'Plain steel, loop, banjo', 'banjo', 'plain', 'loop', '8.5 9 9.5 10 10.5 11 12 13 14 15 18'),
  wound('banjo-nickel', 'Nickel-plated, loop, banjo', 'banjo', 'nickelPlatedSteel', 'loop', '20 21 22 23 24 26 28 30 32 36 38'),
];

export const LINES: readonly StringLine[] = RUNS.map(({ id, name, family }) => ({ id, name, family }));

/** The built-in strings table: what can be had anywhere. */
export const STRINGS: readonly TableString[] = RUNS.flatMap(({ id, name: _name, gauges, ...made }) =>
  gauges.split(' ').map((gauge): TableString => ({
    ...made,
    id: `${id}-${gauge.replace('.', '_').padStart(2, '0')}`,
    lineId: id,
    gauge: fromInches(Number(gauge) / 1000),
    coating: made.construction === 'plain' ? 'tinned' : 'bare',
    mark: null,
    weighed: null,
  })),
);

const BY_ID = new Map(STRINGS.map((string) => [string.id, string]));

/** @throws RangeError for a gauge that the line does not have: the built-in sets are ours. */
export function tableString(lineId: string, gauge: string): TableString {
  const found = BY_ID.get(`${lineId}-${gauge.replace('.', '_').padStart(2, '0')}`);
  if (found === undefined) throw new RangeError(`${lineId} has no ${gauge}`);
  return found;
}
