import { scaleLinear } from 'd3';
import type { Comparison, ComparedString } from '@gold-peg/craft/gauges';
import { printGauge } from '@gold-peg/craft/strings';
import { metres, noteAtOrBelow, semitonesBetween, type Hertz, type Metres, type Newtons } from '@gold-peg/craft/units';
import type { Shown } from '../preferences/measures';
import { splitNote, textureOf, type Texture } from '../ui/string-face';

/** Semitones above the note that the small scale of what is left shows. */
export const MOST_SEMITONES = 12;
/** From here on a change of pull is worth a second look, per cent. */
const BIG_PERCENT = 10;
/** Fewer semitones than this to the safe note are few. */
const FEW_SEMITONES = 2;

/** Edges of the core: how the person at the bench wants numbers. */
export interface Saying {
  pull: (pull: Newtons) => Shown;
  pullNumber: (pull: Newtons) => number;
  length: (length: Metres, digits?: number) => Shown;
}

/** One string of the comparison, ready to be drawn. */
export interface CompareRow {
  number: number;
  letter: string;
  octave: string;
  oldGauge: string;
  gauge: string;
  construction: string;
  texture: Texture;
  oldWidth: number;
  width: number;
  pull: Shown;
  change: string;
  big: boolean;
  /** Null where it is out of reach; basses on floss are told by their pull alone. */
  bend: { force: string; travel: string; slope: string } | null;
  unbent: string;
  slot: { room: string; word: string; binds: boolean; typical: boolean } | null;
  /** Along the scale of semitones, per cent of its length. */
  safeWidth: number;
  breakLeft: number | null;
  verdict: 'safe' | 'few' | 'past-safe' | 'breaks';
  safeNote: string;
  breakNote: string;
}

/** Axis of pull for bars, in per cent of the width: from nothing to a round number past the strongest string. */
export function pullAxis(pulls: readonly number[]) {
  const scale = scaleLinear()
    .domain([0, Math.max(1, ...pulls) * 1.16])
    .nice(6)
    .range([0, 100]);
  return { ticks: scale.ticks(6), percent: (pull: number) => scale(pull) };
}

export function axisOf(comparison: Comparison | null, { pullNumber }: Saying) {
  const loads = (comparison?.strings ?? []).flatMap(({ before, after }) => [after.load, ...(before === null ? [] : [before.load])]);
  return pullAxis(loads.map(({ pull }) => pullNumber(pull)));
}

export function compareRows(comparison: Comparison, a4: Hertz, saying: Saying): CompareRow[] {
  const { percent } = axisOf(comparison, saying);
  return comparison.strings.map((row, index) => {
    const { seat, before, after } = row;
    const { load, string } = after;
    const left = (semitones: number) => (100 * semitones) / MOST_SEMITONES;
    const toBreak = semitonesBetween(seat.pitch, load.breakingPitch);
    return {
      number: index + 1,
      ...splitNote(seat.note),
      oldGauge: before === null ? '–' : printGauge(before.string.gauge),
      gauge: printGauge(string.gauge),
      construction: string.construction,
      texture: textureOf(string.construction),
      oldWidth: before === null ? 0 : percent(saying.pullNumber(before.load.pull)),
      width: percent(saying.pullNumber(load.pull)),
      pull: saying.pull(load.pull),
      change: row.percent === null ? '' : signed(row.percent, 0, ' %'),
      big: Math.abs(row.percent ?? 0) >= BIG_PERCENT,
      bend: isBass(row) ? null : bendOf(row, saying),
      unbent: isBass(row) ? 'by its pull' : 'out of reach',
      slot: slotOf(row, saying),
      safeWidth: Math.max(0, Math.min(100, left(load.semitonesToSafe))),
      breakLeft: toBreak >= 0 && toBreak <= MOST_SEMITONES ? left(toBreak) : null,
      verdict: toBreak <= 0 ? 'breaks' : load.semitonesToSafe < 0 ? 'past-safe' : load.semitonesToSafe < FEW_SEMITONES ? 'few' : 'safe',
      safeNote: noteAtOrBelow(load.safePitch, a4),
      breakNote: noteAtOrBelow(load.breakingPitch, a4),
    };
  });
}

/** Wound on floss: nobody bends it. */
const isBass = ({ after: { string } }: ComparedString): boolean => string.construction === 'wound' && string.creep > 0;

const HUNDREDTH_INCH_MM = 0.254;

function bendOf({ after: { bend } }: ComparedString, { length }: Saying): CompareRow['bend'] {
  if (bend === null) return null;
  const { value, unit } = length(bend.travel);
  const slope =
    unit === 'in' ? `${(bend.centsPerMillimetre * HUNDREDTH_INCH_MM).toFixed(1)} ¢/.01 in` : `${bend.centsPerMillimetre.toFixed(0)} ¢/mm`;
  return { force: `${bend.force.toFixed(1)} N`, travel: `${value} ${unit}`, slope };
}

const SLOT_WORDS = { fits: 'fits', binds: 'binds', loose: 'wide' } as const;

function slotOf({ fit, seat }: ComparedString, { length }: Saying): CompareRow['slot'] {
  if (fit === null) return null;
  const { value, unit } = length(fit.room, unitDigits(length));
  const typical = seat.slotMeasured !== true;
  const word = SLOT_WORDS[fit.kind] + (typical && fit.kind !== 'fits' ? '?' : '');
  return {
    room: `${fit.room >= 0 ? '+' : ''}${value} ${unit}`,
    word,
    binds: fit.kind === 'binds' && !typical,
    typical,
  };
}

/** Hundredths of a millimetre, or thousandths of an inch. */
const unitDigits = (length: Saying['length']): number => (length(metres(0)).unit === 'in' ? 1 : 2);

/** With its sign, and none before a nought. */
export function signed(value: number, digits: number, unit: string): string {
  const text = Math.abs(value).toFixed(digits);
  return `${Number(text) === 0 ? '' : value < 0 ? '−' : '+'}${text}${unit}`;
}
