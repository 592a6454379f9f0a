import { scaleLinear } from 'd3';
import { slotFit, type SlotFit } from '@gold-peg/craft/nut';
import type { Instrument } from '@gold-peg/craft/instrument';
import type { StringProperties } from '@gold-peg/craft/strings';
import {
  compareSets,
  loadString,
  reliefChange,
  totalPull,
  type Estimate,
  type LoadedString,
  type SetComparison,
} from '@gold-peg/craft/tension';
import { frequencyOf, noteAtOrBelow, type Newtons } from '@gold-peg/craft/units';
import type { Lane } from '../desk/lane';

export interface ChooseRow {
  lane: Lane;
  old: StringProperties | null;
  oldPull: Newtons | null;
  load: LoadedString;
  percent: number | null;
  fit: SlotFit;
  safeNote: string;
}

export interface Choice {
  rows: ChooseRow[];
  total: Newtons;
  comparison: SetComparison | null;
  relief: Estimate | null;
  /** The row whose string is nearest to breaking. */
  tightest: ChooseRow | null;
  bandPercent: number;
}

/** Old against new, string by string; null while some string of the candidate cannot be computed. */
export function compareChoice(
  instrument: Instrument,
  lanes: readonly Lane[],
  oldStrings: readonly (StringProperties | null)[] | null,
): Choice | null {
  const rows = lanes.flatMap((lane) => rowOf(instrument, lane, oldStrings?.[lane.index] ?? null) ?? []);
  if (rows.length === 0 || rows.length !== lanes.length) return null;
  const pulls = rows.map(({ load }) => load.pull);
  const oldPulls = rows.flatMap(({ oldPull }) => (oldPull === null ? [] : [oldPull]));
  const comparison = oldPulls.length === rows.length ? compareSets(oldPulls, pulls) : null;
  return {
    rows: rows.map((row, index) => ({ ...row, percent: comparison?.strings[index]?.percent ?? null })),
    total: totalPull(pulls),
    comparison,
    relief: comparison === null ? null : reliefChange((comparison.total.after - comparison.total.before) as Newtons),
    tightest: rows.reduce((tight, row) => (row.load.semitonesToSafe < tight.load.semitonesToSafe ? row : tight)),
    bandPercent: Math.max(...rows.map(({ lane }) => lane.string?.bandPercent ?? 0)),
  };
}

function rowOf(instrument: Instrument, lane: Lane, old: StringProperties | null): ChooseRow | null {
  if (lane.string === null) return null;
  const pitch = frequencyOf(lane.place.note, instrument.a4);
  const load = loadString(lane.string, lane.place.scaleLength, pitch);
  return {
    lane,
    old,
    oldPull: old === null ? null : loadString(old, lane.place.scaleLength, pitch).pull,
    load,
    percent: null,
    fit: slotFit(lane.place.slotWidth, lane.string.gauge),
    safeNote: noteAtOrBelow(load.safePitch, instrument.a4),
  };
}

/** Axis of pull for bars, in per cent of the width: from nothing to a round number past the strongest string. */
export function pullAxis(pulls: readonly number[]) {
  const scale = scaleLinear()
    .domain([0, Math.max(...pulls) * 1.16])
    .nice(6)
    .range([0, 100]);
  return { ticks: scale.ticks(6), percent: (pull: number) => scale(pull) };
}
