import type { Wrap } from '../constants/index.js';
import { fromInches } from '../units/index.js';
import type { Construction, Family, StringSpec } from './string-spec.js';

/** One string of a set: what a packet prints. */
export type SetString = Pick<StringSpec, 'construction' | 'gauge' | 'wrap'>;

/** A set, from string 1 on; named by its gauges, since 'light' means different things to different makers. */
export interface StringSet {
  id: string;
  name: string;
  family: Family;
  strings: readonly SetString[];
}

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

/** Gauges in thousandths of an inch, string 1 first; `w` marks a wound string, `n` nylon, `f` fluorocarbon, none a plain one. */
function set(family: Family, gauges: string, wrap: Wrap): StringSet {
  const strings = gauges.split(' ').map((text) => readGauge(text, wrap));
  const ends = [...new Set([strings[0], strings.at(-1)])].map((string) => thousandths(string));
  const trebles = strings.find(({ construction }) => construction === 'nylon' || construction === 'fluorocarbon')?.construction;
  const made = [trebles, strings.some(({ construction }) => construction === 'wound') ? MATERIAL_NAMES[wrap] : undefined];
  return {
    id: `${family}-${wrap}-${gauges.replaceAll(' ', '-')}`,
    name: `${ends.join('–')} ${made.filter(Boolean).join(' and ')}`.trim(),
    family,
    strings,
  };
}

function readGauge(text: string, wrap: Wrap): SetString {
  const mark = /[wnf]$/.exec(text)?.[0];
  const construction: Construction = mark === 'w' ? 'wound' : mark === 'n' ? 'nylon' : mark === 'f' ? 'fluorocarbon' : 'plain';
  const gauge = fromInches(Number.parseInt(text, 10) / 1000);
  return construction === 'wound' ? { construction, gauge, wrap } : { construction, gauge };
}

const thousandths = (string: SetString | undefined) => `.${String(Math.round((string?.gauge ?? 0) / 0.0000254)).padStart(3, '0')}`;

/** Typical sets of each family; several makers sell every one of them. */
export const SETS: readonly StringSet[] = [
  ...[
    '8 10 15 21w 30w 38w',
    '9 11 16 24w 32w 42w',
    '9 11 16 26w 36w 46w',
    '10 13 17 26w 36w 46w',
    '10 13 17 30w 42w 52w',
    '11 14 18 28w 38w 49w',
    '12 16 20w 32w 42w 52w',
  ].map((gauges) => set('electric', gauges, 'nickelPlatedSteel')),
  ...['10 14 23w 30w 39w 47w', '11 15 22w 32w 42w 52w', '12 16 24w 32w 42w 53w', '12 16 25w 32w 42w 54w', '13 17 26w 35w 45w 56w'].map(
    (gauges) => set('acoustic', gauges, 'phosphorBronze'),
  ),
  set('acoustic', '11 15 22w 32w 42w 52w', 'bronze8020'),
  ...['40w 60w 75w 95w', '40w 60w 80w 100w', '45w 65w 80w 100w', '45w 65w 85w 105w', '50w 70w 85w 105w', '50w 70w 90w 110w'].map((gauges) =>
    set('bass', gauges, 'nickelPlatedSteel'),
  ),
  set('bass', '45w 65w 85w 105w', 'stainless430'),
  ...['27n 32n 39n 28w 34w 42w', '28n 32n 40n 29w 35w 43w', '29n 33n 41n 30w 36w 45w', '24f 27f 32f 29w 35w 43w'].map((gauges) =>
    set('classical', gauges, 'silverPlatedCopper'),
  ),
  ...['24n 32n 40n 28n', '21f 26f 30f 23f', '21f 26f 30f 30w'].map((gauges) => set('ukulele', gauges, 'silverPlatedCopper')),
  ...['10 10 14 14 24w 24w 34w 34w', '11 11 15 15 24w 24w 38w 38w', '11 11 15 15 26w 26w 40w 40w'].map((gauges) =>
    set('mandolin', gauges, 'phosphorBronze'),
  ),
  ...['9 10 13 20w 9', '10 11 13 21w 10', '10 12 14 24w 10'].map((gauges) => set('banjo', gauges, 'nickelPlatedSteel')),
];

/** Sets that can go on an instrument of this family with this many strings. */
export const setsFor = (family: Family, stringCount: number): StringSet[] =>
  SETS.filter((candidate) => candidate.family === family && candidate.strings.length === stringCount);
