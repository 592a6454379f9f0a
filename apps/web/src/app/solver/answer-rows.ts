import type { GaugeAnswer, GaugeProblem } from '@gold-peg/craft/gauges';
import { nameSet, nameWinding, printGauge, type TableString } from '@gold-peg/craft/strings';
import type { Seat } from '@gold-peg/craft/tuning';
import { signed } from '../compare';
import type { Standing } from '../shelf/shelf';
import { textureOf, type Texture } from '../ui/string-face';

export interface AnswerRow {
  answer: GaugeAnswer;
  name: string;
  misses: string;
  source: string;
  standing: Standing | null;
  /** `made` says what a wound string is wound with, where they are not all alike. */
  cells: { number: number; gauge: string; made: string; texture: Texture; miss: string; left: number; width: number; single: boolean }[];
}

/** Bars of what a string misses reach this far, per cent. */
const FULL_BAR_PERCENT = 10;

export function answerRow(answer: GaugeAnswer, standing: Standing | null): AnswerRow {
  const mixed = new Set(answer.strings.filter(({ construction }) => construction === 'wound').map(nameWinding)).size > 1;
  return {
    answer,
    name: nameSet(answer.strings),
    misses: `${answer.missesPercent.toFixed(1)} %`,
    source: sourceOf(answer),
    standing,
    cells: answer.strings.map((string, index) => {
      const percent = answer.missPercent[index] ?? null;
      const bar = Math.max(-1, Math.min(1, (percent ?? 0) / FULL_BAR_PERCENT));
      return {
        number: index + 1,
        gauge: printGauge(string.gauge),
        made: mixed && string.construction === 'wound' ? nameWinding(string) : '',
        texture: textureOf(string.construction),
        miss: percent === null ? 'free' : signed(percent, 1, ' %'),
        left: 50 + Math.min(0, bar) * 50,
        width: Math.abs(bar) * 50,
        single: isSingle(answer, string, index),
      };
    }),
  };
}

const isSingle = ({ set }: GaugeAnswer, { id }: TableString, index: number) => set?.strings[index]?.id !== id;

function sourceOf(answer: GaugeAnswer): string {
  const { set, strings } = answer;
  const singles = strings.flatMap((string, index) => (isSingle(answer, string, index) ? [index + 1] : []));
  if (set === null) return 'all singles';
  if (singles.length === 0) return `the set ${set.name}`;
  return singles.length === 1
    ? `the set ${set.name}, and string ${singles.join()} as a single`
    : `the set ${set.name}, and strings ${singles.join(', ')} as singles`;
}

/** Why there is no answer, and what to change. */
export function sayNoAnswer(problem: GaugeProblem, seats: readonly Seat[]): string {
  switch (problem.kind) {
    case 'no-string':
      return `No string of the table holds safely at ${seats[problem.seat]?.note ?? '?'} in lane ${problem.seat + 1}${problem.listed === 0 ? ': none is listed for this kind of instrument' : ' with what is asked of it: allow plain and wound, or tune it otherwise'}.`;
    case 'no-set':
      return 'No set of the table can stand on this neck with so few singles: allow one more, or any strings.';
    case 'nothing-in-stock':
      return 'The shelf does not hold enough strings for this: look at the whole table, and order what is missing.';
  }
}
