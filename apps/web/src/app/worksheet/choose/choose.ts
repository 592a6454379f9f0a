import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatSelectModule } from '@angular/material/select';
import { newtons, toKilogramsForce } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { WorksheetDesk } from '../desk/worksheet-desk';
import { compareChoice, pullAxis } from './choose-rows';
import { consequencesOf } from './consequences';

/** Semitones drawn on the small scale of what is left to the safe pitch. */
const MOST_SEMITONES = 7;

@Component({
  selector: 'peg-choose',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatSelectModule, Caution, LaneBadge],
  templateUrl: './choose.html',
  styleUrl: './choose.scss',
})
export class Choose {
  readonly taken = output();
  readonly why = output();

  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  protected readonly semitoneTicks = Array.from({ length: MOST_SEMITONES + 1 }, (_, index) => (100 * index) / MOST_SEMITONES);

  private readonly choice = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null ? null : compareChoice(instrument, this.desk.lanes(), this.desk.oldStrings());
  });
  protected readonly oldName = computed(() => this.desk.file()?.passport.current?.setName ?? null);
  protected readonly isTaken = computed(() => this.desk.sheet().chosen?.payload.name === this.desk.candidate()?.name);

  private readonly axis = computed(() => {
    const rows = this.choice()?.rows ?? [];
    return pullAxis(rows.flatMap(({ load, oldPull }) => [load.pull, oldPull ?? 0]).map((pull) => this.measures.pullNumber(newtons(pull))));
  });
  protected readonly ticks = computed(() => {
    const { ticks, percent } = this.axis();
    return ticks.map((value) => ({ value, left: percent(value) }));
  });
  protected readonly pullUnit = computed(() => this.measures.units().pull);

  protected readonly rows = computed(() => {
    const { percent } = this.axis();
    const wide = (pull: number) => percent(this.measures.pullNumber(newtons(pull)));
    return (this.choice()?.rows ?? []).map(({ lane, old, oldPull, load, percent: change, safeNote, fit }) => ({
      lane,
      oldGauge: old === null ? '–' : this.measures.gauge(old.gauge * 1000),
      gauge: this.measures.gauge(lane.gauge * 1000),
      construction: lane.string?.construction ?? '',
      oldWidth: oldPull === null ? 0 : wide(oldPull),
      width: wide(load.pull),
      pull: this.measures.pull(load.pull),
      change: change === null ? '' : `${change < -0.5 ? '−' : change > 0.5 ? '+' : ''}${Math.abs(change).toFixed(0)} %`,
      big: Math.abs(change ?? 0) >= 10,
      safeNote,
      spare: Math.max(0, Math.min(100, (100 * load.semitonesToSafe) / MOST_SEMITONES)),
      unsafe: load.semitonesToSafe < 0,
      low: load.semitonesToSafe < 2,
      binds: fit.kind === 'binds',
    }));
  });

  protected readonly totals = computed(() => {
    const choice = this.choice();
    if (choice === null) return null;
    const { comparison, total, bandPercent } = choice;
    const percent = comparison?.total.percent ?? null;
    return {
      before: comparison === null ? null : this.measures.pull(comparison.total.before),
      after: this.measures.pull(total),
      change: percent === null ? '' : `${percent < 0 ? '−' : '+'}${Math.abs(percent).toFixed(1)} %`,
      kgf: `${toKilogramsForce(total).toFixed(1)} kgf`,
      band: bandPercent,
      unsure: choice.rows.some(({ lane }) => lane.texture === 'wound')
        ? 'cores of wound strings are not published'
        : 'how far a string stretches differs from line to line',
      count: choice.rows.length,
    };
  });

  protected readonly follows = computed(() => {
    const choice = this.choice();
    const instrument = this.desk.instrument();
    if (choice === null || instrument === null) return [];
    return consequencesOf(instrument, choice, (length, digits) => say(this.measures.length(length, digits)));
  });
  protected readonly anyUnsafe = computed(() => this.rows().some(({ unsafe }) => unsafe));
  protected readonly tuning = computed(() => {
    const lanes = this.desk.lanes();
    const a4 = this.desk.instrument()?.a4 ?? 440;
    return `${lanes
      .map(({ letter }) => letter)
      .reverse()
      .join(' ')}, A = ${a4}`;
  });
}
