import type { Wrap } from '../constants/index.js';
import type { Metres } from '../units/index.js';
import { tableString } from './catalogue.js';
import { stringProperties } from './string-properties.js';
import type { StringProperties, StringSpec } from './string-spec.js';
import type { Family } from '../string-kinds/index.js';
import { printGauge, type StringSet } from './table-string.js';

const MATERIAL_NAMES: Readonly<Record<Wrap, string>> = {
  nickelPlatedSteel: 'nickel-plated steel',
  pureNickel: 'pure nickel',
  stainless430: 'stainless',
  stainless304: 'stainless',
  phosphorBronze: 'phosphor bronze',
  bronze8020: '80/20 bronze',
  bronze8515: '85/15 bronze',
  silverPlatedCopper: 'silvered copper',
  aluminium: 'aluminium',
  monel: 'monel',
  tungsten: 'tungsten',
  titanium: 'titanium',
};

type Named = Pick<StringSpec, 'gauge' | 'construction' | 'wrap' | 'finish' | 'silk'>;

/** What a set is called: its outer gauges and what it is made of; all gauges where the last string is not the thickest. */
export const nameSet = (strings: readonly Named[]): string => `${nameGauges(strings)} ${nameMaterial(strings)}`.trim();

const MOST_LISTED = 5;

function nameGauges(strings: readonly Named[]): string {
  const gauges = strings.map(({ gauge }) => gauge);
  const rising = gauges.every((gauge, index) => gauge >= (gauges[index - 1] ?? 0));
  if (!rising && strings.length <= MOST_LISTED)
    return strings.map(({ gauge, construction }) => printGauge(gauge) + (construction === 'wound' ? 'w' : '')).join(' ');
  const octaves = !rising && strings.length > 8;
  const ends = octaves ? [Math.min(...gauges), Math.max(...gauges)] : [gauges[0], gauges.at(-1)];
  return ends.map((gauge) => printGauge((gauge ?? 0) as Metres)).join('–') + (octaves ? ' with octaves,' : '');
}

function nameMaterial(strings: readonly Named[]): string {
  const smooth = strings.find(({ construction }) => construction !== 'plain' && construction !== 'wound')?.construction;
  const woundOnes = [...new Set(strings.filter(({ construction }) => construction === 'wound').map(nameWinding))];
  return [smooth, woundOnes.length > 1 ? 'mixed windings' : woundOnes[0]].filter((part) => part !== undefined).join(' and ');
}

/** What a wound string is wound with, and how it is finished. */
export function nameWinding({ wrap, finish, silk }: Named): string {
  if (silk === true) return 'silk and steel';
  const material = wrap === undefined ? 'wound' : MATERIAL_NAMES[wrap];
  return finish === undefined || finish === 'round' ? material : `${material} ${finish}`;
}

/** Where the strings of a set come from: its plain or smooth strings, and its wound ones. */
type Source = readonly [smooth: string, wound: string];

/** Gauges in thousandths of an inch, string 1 first; `w` marks a wound string. */
function set(family: Family, source: Source, gauges: string): StringSet {
  const [smooth, wound] = source;
  const strings = gauges.split(' ').map((text) => (text.endsWith('w') ? tableString(wound, text.slice(0, -1)) : tableString(smooth, text)));
  return {
    id: `${sourceId(source)}-${gauges.replaceAll(' ', '-').replaceAll('.', '_')}`,
    lineId: wound === '' ? smooth : wound,
    name: nameSet(strings),
    family,
    strings,
  };
}

/** Plain steel goes without saying; smooth strings of other kinds are named before the wound ones. */
function sourceId([smooth, wound]: Source): string {
  if (wound === '') return smooth;
  if (smooth === '' || smooth.endsWith('-plain')) return wound;
  return `${smooth}-${wound.split('-')[1] ?? ''}`;
}

const sets = (family: Family, source: Source, gauges: readonly string[]) => gauges.map((each) => set(family, source, each));

const electric = (wound: string): Source => ['electric-plain', wound];
const acoustic = (wound: string): Source => ['acoustic-plain', wound];
const bass = (wound: string): Source => ['', wound];

/** Typical sets of each family; several makers sell every one of them. */
export const SETS: readonly StringSet[] = [
  ...sets('electric', electric('electric-nickel'), [
    '8 10 15 22w 30w 38w',
    '9 11 16 24w 32w 42w',
    '9 11 16 26w 36w 46w',
    '10 13 17 26w 36w 46w',
    '10 13 17 30w 42w 52w',
    '11 14 18 28w 38w 49w',
    '11 14 18 30w 44w 54w',
    '12 16 20w 32w 42w 52w',
    '13 17 26w 36w 46w 62w',
    '14 18 28w 38w 50w 68w',
    '9 11 16 24w 32w 42w 54w',
    '10 13 17 26w 36w 46w 59w',
    '9 11 16 24w 32w 42w 54w 65w',
    '10 13 17 30w 42w 54w 64w 74w',
  ]),
  ...sets('electric', electric('electric-pure-nickel'), ['10 13 17 26w 36w 46w', '11 14 18 28w 38w 49w']),
  ...sets('electric', electric('electric-stainless'), ['9 11 16 24w 32w 42w', '10 13 17 26w 36w 46w']),
  ...sets('electric', electric('electric-flat'), ['12 16 24w 32w 42w 52w', '11 15 20w 28w 38w 48w']),
  ...sets('electric', electric('electric-half-round'), ['10 13 17 26w 36w 46w']),
  ...sets('acoustic', acoustic('acoustic-phosphor'), [
    '10 14 23w 30w 39w 47w',
    '11 15 22w 32w 42w 52w',
    '12 16 24w 32w 42w 53w',
    '12 16 25w 32w 42w 54w',
    '13 17 26w 35w 45w 56w',
    '10 10 14 14 23w 8 30w 12 39w 18w 47w 27w',
    '9 9 12 12 20w 8 26w 10 34w 16 45w 25w',
  ]),
  ...sets('acoustic', acoustic('acoustic-8020'), ['11 15 22w 32w 42w 52w', '12 16 24w 32w 42w 53w']),
  ...sets('acoustic', acoustic('acoustic-silk'), ['11 14 23w 28w 38w 47w']),
  ...sets('bass', bass('bass-nickel'), [
    '40w 60w 75w 95w',
    '40w 60w 80w 100w',
    '45w 65w 80w 100w',
    '45w 65w 85w 105w',
    '50w 70w 85w 105w',
    '50w 70w 90w 110w',
    '45w 65w 85w 105w 130w',
    '30w 45w 65w 85w 105w 130w',
  ]),
  ...sets('bass', bass('bass-stainless'), ['40w 60w 80w 100w', '45w 65w 85w 105w', '45w 65w 85w 105w 130w']),
  ...sets('bass', bass('bass-flat'), ['45w 65w 85w 105w', '40w 60w 80w 100w']),
  ...sets('classical', ['classical-nylon', 'classical-basses'], ['27 32 39 28w 34w 42w', '28 32 40 29w 35w 43w', '29 33 41 30w 36w 45w']),
  ...sets('classical', ['classical-fluorocarbon', 'classical-basses'], ['24 27 32 29w 35w 43w']),
  ...sets('classical', ['classical-gut', 'classical-basses'], ['25 31 40 29w 35w 43w']),
  ...sets('ukulele', ['ukulele-nylon', ''], ['24 32 40 28', '22 29 34 24', '28 36 40 32']),
  ...sets('ukulele', ['ukulele-fluorocarbon', ''], ['20 25 29 21', '21 26 30 23', '22 26 31 24']),
  ...sets('ukulele', ['ukulele-fluorocarbon', 'ukulele-wound'], ['20 25 29 28w', '21 26 30 30w', '22 26 31 30w', '26 32 30w 36w']),
  ...sets('ukulele', ['ukulele-nylon', 'ukulele-aluminium'], ['28 34 30w 34w']),
  ...sets('ukulele', ['ukulele-nylon', 'ukulele-wound'], ['22 28 34 28w 32w 36w', '24 24 28 28 34 22 30w 24']),
  ...sets(
    'mandolin',
    ['mandolin-plain', 'mandolin-phosphor'],
    [
      '10 10 14 14 24w 24w 34w 34w',
      '11 11 15 15 24w 24w 38w 38w',
      '11 11 15 15 26w 26w 40w 40w',
      '14 14 23w 23w 35w 35w 49w 49w',
      '12 12 18 18 30w 30w 46w 46w',
    ],
  ),
  ...sets(
    'banjo',
    ['banjo-plain', 'banjo-nickel'],
    ['9 10 13 20w 9', '10 11 13 21w 10', '10 12 14 24w 10', '9 14 23w 32w', '12 18 28w 38w', '10 12 15 24w'],
  ),
];

/** Sets that can go on an instrument of this family with this many strings. */
export const setsFor = (family: Family, stringCount: number, among: readonly StringSet[] = SETS): StringSet[] =>
  among.filter((candidate) => candidate.family === family && candidate.strings.length === stringCount);

/**
 * What the strings of a set are, string 1 first.
 * @throws RangeError where one of them cannot be made: no set of the table has one.
 */
export const madeOf = ({ name, strings }: StringSet): StringProperties[] =>
  strings.map((spec) => {
    const made = stringProperties(spec);
    if (!made.ok) throw new RangeError(`a string of ${name} cannot be made: ${made.problem.kind}`);
    return made.value;
  });
