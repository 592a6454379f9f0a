import { computed, inject, Injectable } from '@angular/core';
import { checkString, zeroError } from '@gold-peg/craft/gauges';
import { printGauge } from '@gold-peg/craft/strings';
import { fromMillimetres, metres, toMillimetres } from '@gold-peg/craft/units';
import type { GaugeRead } from '@gold-peg/craft/worksheet';
import { Measures, say } from '../../preferences/measures';
import { WorksheetDesk } from '../desk';

/** What a reading says of a string: on one line for its lane, and whole. */
export interface Verdict {
  wrong: boolean;
  short: string;
  long: string;
}

/** What was read on the strings of this job, held against what they are to be. */
@Injectable()
export class Readings {
  private readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  private readonly strings = computed(() => this.desk.strings().filter((string) => string !== null));

  /** A reading is of the string that was planned when it was taken: another set that is chosen since has to be measured itself. */
  private readonly isOf = ({ plannedMm }: GaugeRead, index: number): boolean =>
    Math.abs(plannedMm - toMillimetres(this.desk.strings()[index]?.gauge ?? metres(0))) < 1e-6;

  readonly verdicts = computed<readonly (Verdict | null)[]>(() =>
    this.desk.sheet().gauges.map((event, index) => {
      const strings = this.strings();
      if (event === null || strings.length !== this.desk.lanes().length || !this.isOf(event.payload, index)) return null;
      return sayCheck(checkString(fromMillimetres(event.payload.readMm), strings, index), event.payload.readMm, index);
    }),
  );

  /** Set where all strings are off alike: the caliper was not zeroed. */
  readonly zeroSays = computed(() => {
    const readings = this.desk.sheet().gauges.flatMap((event, index) => {
      const string = this.desk.strings()[index] ?? null;
      return event === null || string === null || !this.isOf(event.payload, index)
        ? []
        : [{ read: fromMillimetres(event.payload.readMm), string }];
    });
    const off = zeroError(readings);
    if (off === null) return null;
    const much = say(this.measures.length(metres(Math.abs(off)), this.measures.units().length === 'in' ? 1 : 2));
    return `All ${readings.length} strings read ${much} too ${off > 0 ? 'much' : 'little'}: close the jaws, zero the caliper, measure again.`;
  });
}

function sayCheck(check: ReturnType<typeof checkString>, readMm: number, index: number): Verdict {
  const read = `${readMm.toFixed(2)} mm, ${printGauge(fromMillimetres(readMm))} in`;
  const rival =
    check.rival === null
      ? ''
      : ` Chance that it is string ${check.rival.index + 1}: ${percent(check.rival.probability)}; of another packet: ${percent(check.none)}.`;
  switch (check.verdict) {
    case 'as-planned':
      return { wrong: false, short: `✓ reads ${read}`, long: `✓ String ${index + 1} reads ${read}: as planned.${rival}` };
    case 'another':
      return {
        wrong: true,
        short: `✗ reads like string ${(check.rival?.index ?? 0) + 1}`,
        long: `✗ Reads ${read}: that is string ${(check.rival?.index ?? 0) + 1} (${percent(check.rival?.probability ?? 0)}), not string ${index + 1}. Look at mark and label.`,
      };
    case 'none-of-them':
      return {
        wrong: true,
        short: `✗ reads ${read}`,
        long: `✗ Reads ${read}: no string of this set. Look at label and packet, and measure again.`,
      };
    case 'doubtful':
      return {
        wrong: true,
        short: `? reads ${read}`,
        long: `? Reads ${read}: it may be string ${index + 1} (${percent(check.planned)}).${rival} Measure again.`,
      };
  }
}

const percent = (chance: number) => (chance > 0.995 ? 'over 99 %' : chance < 0.005 ? 'under 1 %' : `${(100 * chance).toFixed(0)} %`);
