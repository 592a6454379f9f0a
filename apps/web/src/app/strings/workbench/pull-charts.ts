import { line, range, scaleLinear } from 'd3';
import type { Comparison } from '@gold-peg/craft/gauges';
import { loadString } from '@gold-peg/craft/tension';
import { hertz, nearestNote, semitonesBetween, type Hertz, type Newtons } from '@gold-peg/craft/units';

const WIDTH = 420;
const HEIGHT = 190;
const EDGE = { left: 40, right: 12, top: 12, bottom: 26 };
const inside = { x: [EDGE.left, WIDTH - EDGE.right] as const, y: [HEIGHT - EDGE.bottom, EDGE.top] as const };
export const CHART_BOX = `0 0 ${WIDTH} ${HEIGHT}`;

interface Tick {
  at: number;
  label: string;
}

/** Pull across the strings, one line for each set. */
export interface AcrossChart {
  lines: { name: string; path: string; points: { x: number; y: number; value: string }[] }[];
  strings: Tick[];
  pulls: Tick[];
}

export function acrossChart(sets: readonly { name: string; pulls: readonly Newtons[] }[], number: (pull: Newtons) => number): AcrossChart {
  const count = Math.max(2, ...sets.map(({ pulls }) => pulls.length));
  const values = sets.flatMap(({ pulls }) => pulls.map(number));
  const x = scaleLinear([1, count], [...inside.x]);
  const y = scaleLinear([Math.min(...values) * 0.9, Math.max(...values) * 1.05], [...inside.y]).nice(4);
  return {
    lines: sets.map(({ name, pulls }) => ({
      name,
      path: line()(pulls.map((pull, index) => [x(index + 1), y(number(pull))])) ?? '',
      points: pulls.map((pull, index) => ({ x: x(index + 1), y: y(number(pull)), value: number(pull).toFixed(0) })),
    })),
    strings: range(1, count + 1).map((string) => ({ at: x(string), label: String(string) })),
    pulls: y.ticks(4).map((tick) => ({ at: y(tick), label: String(tick) })),
  };
}

/** Pull of one string against its pitch, from an octave below up to breaking. */
export interface PitchChart {
  path: string;
  now: { x: number; y: number };
  safe: number;
  breaks: number;
  notes: Tick[];
  pulls: Tick[];
  /** The same in words, every few semitones. */
  rows: { note: string; pull: string; share: string }[];
}

const STEPS = 60;
const NOTE_EVERY = 3;

export function pitchChart(
  { seat, after }: Comparison['strings'][number],
  a4: Hertz,
  number: (pull: Newtons) => number,
  unit: string,
): PitchChart {
  const { string, load } = after;
  const at = (semitones: number) => hertz(seat.pitch * 2 ** (semitones / 12));
  const pullAt = (semitones: number) => loadString(string, seat.speakingLength, at(semitones));
  const toBreak = semitonesBetween(seat.pitch, load.breakingPitch);
  const from = Math.min(-12, toBreak - 6);
  // where it breaks before it is at its pitch, that pitch still lies on the chart
  const x = scaleLinear([from, Math.max(toBreak, 1)], [...inside.x]);
  const y = scaleLinear([0, number(Math.max(string.breakingLoad, load.pull) as Newtons)], [...inside.y]).nice(4);
  const ticks = range(Math.ceil(from / NOTE_EVERY) * NOTE_EVERY, toBreak, NOTE_EVERY);
  return {
    path:
      line()(
        range(STEPS + 1).map((step) => {
          const semitones = from + ((toBreak - from) * step) / STEPS;
          return [x(semitones), y(number(pullAt(semitones).pull))];
        }),
      ) ?? '',
    now: { x: x(0), y: y(number(load.pull)) },
    safe: x(load.semitonesToSafe),
    breaks: x(toBreak),
    notes: ticks.map((tick) => ({ at: x(tick), label: nearestNote(at(tick), a4) })),
    pulls: y.ticks(4).map((tick) => ({ at: y(tick), label: String(tick) })),
    rows: ticks.map((tick) => {
      const there = pullAt(tick);
      return {
        note: nearestNote(at(tick), a4),
        pull: `${number(there.pull).toFixed(0)} ${unit}`,
        share: `${(100 * (1 - there.reserve)).toFixed(0)} %`,
      };
    }),
  };
}
