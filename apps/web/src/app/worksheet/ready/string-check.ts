import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { gaugeRead } from '@gold-peg/contract/bench-log';
import { printGauge } from '@gold-peg/craft/strings';
import { fromInches, fromMillimetres, toMillimetres } from '@gold-peg/craft/units';
import { faultOf } from '../../form';
import { Caliper } from '../../devices';
import { Measures, say } from '../../preferences/measures';
import { Drafts, WorksheetDesk } from '../desk';
import { Readings } from './readings';
import { NumberForm } from '../../ui/number-form';

/** Measures the string in hand, by the caliper or by what somebody types, and says whether it is the one that it should be. */
@Component({
  selector: 'peg-string-check',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, NumberForm],
  templateUrl: './string-check.html',
  styleUrl: './string-check.scss',
})
export class StringCheckPanel {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly caliper = inject(Caliper);
  private readonly readings = inject(Readings);
  private readonly measures = inject(Measures);

  protected readonly closedSays = computed(() => say(this.measures.length(fromMillimetres(this.caliper.closed() ?? 0), this.digits())));
  protected readonly unit = computed(() => this.measures.units().length);
  /** Hundredths of a millimetre, or thousandths of an inch. */
  private readonly digits = computed(() => (this.unit() === 'in' ? 1 : 2));
  protected readonly draft = inject(Drafts).draft<{ typed: number | null; fault: string | null }>(
    () => `caliper, ${this.desk.lane()}`,
    () => ({ typed: null, fault: null }),
  );
  protected readonly lane = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly planned = computed(() => {
    const lane = this.lane();
    return lane?.string == null ? null : toMillimetres(lane.gauge);
  });
  /** What packet and ball end should say. */
  protected readonly packet = computed(() => {
    const lane = this.lane();
    if (lane?.string == null) return '';
    const mark = this.desk.marks()[lane.index] ?? null;
    const label = `${printGauge(lane.gauge)} ${lane.string.construction}`;
    return [this.desk.lineName(), label, mark === null ? 'no colour mark' : `mark ${mark}`].filter((part) => part !== '').join(', ');
  });
  protected readonly verdict = computed(() => this.readings.verdicts()[this.desk.lane()] ?? null);
  protected readonly zeroSays = this.readings.zeroSays;

  constructor() {
    this.caliper.readings.pipe(takeUntilDestroyed()).subscribe((mm) => void this.keep(mm, 'caliper'));
  }

  /** The stand-in has the string that is in hand between its jaws. */
  protected measure(): void {
    const planned = this.planned();
    if (planned !== null) this.caliper.press(planned);
  }

  protected readonly take = async (): Promise<boolean> => {
    const { typed } = this.draft.value();
    if (typed !== null) return this.keep(this.unit() === 'in' ? toMillimetres(fromInches(typed)) : typed, 'typed');
    this.draft.type({ typed, fault: `Type what the string measures, ${this.unit()}.` });
    return false;
  };

  /** Returns whether it was kept: what no string can read is said, not logged. */
  private async keep(mm: number, by: 'caliper' | 'typed'): Promise<boolean> {
    const [planned, { typed }] = [this.planned(), this.draft.value()];
    if (planned === null || this.desk.closed()) return false;
    const read = gaugeRead.safeParse({ readMm: mm, plannedMm: planned, by });
    const said = by === 'typed' ? `${typed ?? mm} ${this.unit()}` : `${mm} mm`;
    if (!read.success) {
      this.draft.type({ typed, fault: `The reading, ${said}, ${faultOf(read.error)}.` });
      return false;
    }
    const forget = this.draft.forgetter();
    await this.desk.happens({ kind: 'gauge-read', string: this.desk.lane() + 1, payload: read.data });
    forget();
    return true;
  }
}
