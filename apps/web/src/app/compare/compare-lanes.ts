import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Comparison } from '@gold-peg/craft/gauges';
import { CONCERT_A4, type Hertz } from '@gold-peg/craft/units';
import { Measures } from '../preferences/measures';
import { LaneBadge } from '../ui/lane-badge';
import { LaneButton } from '../ui/lane-button';
import { axisOf, compareRows, MOST_SEMITONES } from './compare-rows';

/** One set against another, string by string, each in its lane: pull, feel, slot, and what is left to the safe note. */
@Component({
  selector: 'peg-compare-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LaneBadge, LaneButton, MatButtonModule],
  templateUrl: './compare-lanes.html',
  styleUrl: './compare-lanes.scss',
})
export class CompareLanes {
  readonly comparison = input.required<Comparison>();
  readonly a4 = input<Hertz>(CONCERT_A4);
  readonly inHand = input(-1);
  readonly beforeLabel = input('on it');
  readonly afterLabel = input('going on');
  /** Where other things want room below. */
  readonly compact = input(false);
  /** Lanes as they lie on the bench: string 1 nearest. */
  readonly nearestFirst = input(false);
  /** Whether each string is part of the job; the others stay on. */
  readonly inJob = input<readonly boolean[]>([]);
  readonly picked = output<number>();

  private readonly measures = inject(Measures);
  private readonly saying = {
    pull: this.measures.pull.bind(this.measures),
    pullNumber: this.measures.pullNumber.bind(this.measures),
    length: this.measures.length.bind(this.measures),
  };
  protected readonly semitoneTicks = Array.from({ length: MOST_SEMITONES + 1 }, (_, index) => (100 * index) / MOST_SEMITONES);

  protected readonly ticks = computed(() => {
    const { ticks, percent } = axisOf(this.comparison(), this.saying);
    return ticks.map((value) => ({ value, left: percent(value) }));
  });
  protected readonly pullUnit = computed(() => this.measures.units().pull);
  /** Nobody measured a slot of this nut. */
  protected readonly typical = computed(() =>
    this.comparison().strings.every(({ seat, fit }) => fit !== null && seat.slotMeasured !== true),
  );
  protected readonly rows = computed(() => {
    const rows = compareRows(this.comparison(), this.a4(), this.saying);
    return this.nearestFirst() ? rows.reverse() : rows;
  });
}
