import type { Instrument } from '@gold-peg/craft/instrument';
import { cutZones, type CutZone, type WindPlan } from '@gold-peg/craft/procedure';
import { printGauge, type StringProperties } from '@gold-peg/craft/strings';
import { metres, toDegrees, toMillimetres } from '@gold-peg/craft/units';

/** One string on a cut strip: where to cut, from the axis of its post or the near face of its clamp, mm. */
export interface StripRow {
  number: number;
  note: string;
  gauge: string;
  held: 'post' | 'clamp';
  cutMm: number;
  /** Of a slotted post: where the end is bent, short of the cut; null elsewhere. */
  bendMm: number | null;
  slackMm: number;
  turns: string;
  direction: string;
  nutDeg: number | null;
  zones: readonly { kind: CutZone['kind']; fromMm: number; toMm: number }[];
}

/** A strip shows so much beyond its mark. */
const BEYOND = 1.2;
const BEYOND_MM = 8;

/** Rows for all strings that have a plan, string 1 first. */
export function stripRows(
  instrument: Instrument,
  strings: readonly (StringProperties | null)[],
  plans: readonly (WindPlan | null)[],
): StripRow[] {
  return instrument.strings.flatMap(({ note }, index) => {
    const plan = plans[index];
    const string = strings[index];
    if (plan === null || plan === undefined || string === null || string === undefined) return [];
    const end = metres(Math.max(0, plan.cut) * BEYOND + BEYOND_MM / 1000);
    const row: StripRow = {
      number: index + 1,
      note,
      gauge: `${printGauge(string.gauge)}${string.construction === 'wound' ? ' w' : ''}`,
      held: plan.kind,
      cutMm: toMillimetres(plan.cut),
      bendMm: plan.kind === 'post' && plan.bend !== null ? toMillimetres(plan.bend) : null,
      slackMm: toMillimetres(plan.slack),
      turns: plan.kind === 'post' ? Math.max(0, plan.wind.turns).toFixed(2) : 'none',
      direction: plan.kind === 'post' ? plan.direction : 'straight',
      nutDeg: plan.kind === 'post' && plan.nut !== null ? toDegrees(plan.nut.vertical) : null,
      zones: cutZones(plan, end).map(({ kind, from, to }) => ({ kind, fromMm: toMillimetres(from), toMm: toMillimetres(to) })),
    };
    return [row];
  });
}
