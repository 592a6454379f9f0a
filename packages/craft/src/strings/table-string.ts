import { kilogramsPerMetre, type KilogramsPerMetre, type Metres } from '../units/index.js';
import type { StringSpec } from './string-spec.js';
import type { Construction, Family } from '../string-kinds/index.js';

export const STRING_ENDS = ['ball', 'loop', 'plain', 'ball-cut-off'] as const;
export type StringEnd = (typeof STRING_ENDS)[number];

export const COATINGS = ['bare', 'tinned', 'film'] as const;
export type Coating = (typeof COATINGS)[number];

/** What a packet or ball end is marked with: a colour, always said in words as well. Which string bears which belongs to its line. */
export const MARKS = ['chalk', 'straw', 'rust', 'plum', 'moss', 'teal', 'slate', 'coal'] as const;
export type Mark = (typeof MARKS)[number];

/** Strings that come from one bench of machines under one name. */
export interface StringLine {
  id: string;
  name: string;
  family: Family;
}

/** An offcut on the scale: its mass and length. */
export interface Weighing {
  massGrams: number;
  length: Metres;
}

/** One row of the strings table. */
export interface TableString extends StringSpec {
  id: string;
  lineId: string;
  end: StringEnd;
  coating: Coating;
  mark: Mark | null;
  weighed: Weighing | null;
}

/** A set, from string 1 on; named by its gauges, since 'light' means different things to different makers. */
export interface StringSet {
  id: string;
  lineId: string | null;
  name: string;
  family: Family;
  strings: readonly TableString[];
}

export const weighedDensity = ({ massGrams, length }: Weighing): KilogramsPerMetre => kilogramsPerMetre(massGrams / 1000 / length);

/** Prints a gauge the way packets do: thousandths of an inch, with a half where there is one. */
export function printGauge(gauge: Metres): string {
  const halves = Math.round(gauge / 0.0000127);
  return `.${String(Math.floor(halves / 2)).padStart(3, '0')}${halves % 2 === 1 ? '5' : ''}`;
}

const MARK_OF: Readonly<Record<Construction, string>> = { plain: '', wound: 'w', nylon: 'n', fluorocarbon: 'f', gut: 'g' };

/** As technicians list a set: `10 13 17 26w 36w 46w`. */
export const listGauges = (strings: readonly Pick<StringSpec, 'gauge' | 'construction'>[]): string =>
  strings.map(({ gauge, construction }) => `${Number(printGauge(gauge)) * 1000}${MARK_OF[construction]}`).join(' ');
