import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatRadioModule } from '@angular/material/radio';
import { MatSelectModule } from '@angular/material/select';
import { CALIPER } from '@gold-peg/craft/constants';
import { confusables, identifySets, type Reading } from '@gold-peg/craft/gauges';
import { listGauges, printGauge } from '@gold-peg/craft/strings';
import { fromInches, fromMillimetres, metres, toMillimetres, type Metres } from '@gold-peg/craft/units';
import { NECK_CHOICES } from '../../ui/neck-choices';
import { StringTable } from '../../string-table/string-table';
import { OneOf } from '../../ui/one-of';
import { NumberField } from '../../ui/number-field';

const LOOKS = (['either', 'plain', 'wound'] as const).map((value) => ({ value, label: value }));
type Look = (typeof LOOKS)[number]['value'];

interface Line {
  reads: number | null;
  looks: Look;
}

/** Strings of these instruments lie in this range, mm. */
const RANGE = { least: 0.12, most: 4.6 };

/** Which set is on an instrument, from what a caliper reads. */
@Component({
  selector: 'peg-identify-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatRadioModule, MatSelectModule, NumberField, OneOf],
  templateUrl: './identify-view.html',
  styleUrl: './identify-view.scss',
})
export class IdentifyView {
  private readonly table = inject(StringTable);
  protected readonly LOOKS = LOOKS;
  protected readonly necks = NECK_CHOICES;
  protected readonly error = CALIPER.reading.value;
  protected readonly neckId = signal('electric-in-line');
  protected readonly unit = signal<'mm' | 'in'>('mm');
  protected readonly zero = signal<number | null>(0);
  protected readonly readings = signal<readonly Line[]>(blank(6));

  private readonly neck = computed(() => NECK_CHOICES.find(({ id }) => id === this.neckId()));
  private readonly diameters = computed(() =>
    this.readings().map(({ reads }) => (reads === null ? null : this.lengthOf(reads - (this.zero() ?? 0)))),
  );
  protected readonly fault = computed(() => {
    const bad = this.diameters().findIndex(
      (diameter) => diameter !== null && (toMillimetres(diameter) < RANGE.least || toMillimetres(diameter) > RANGE.most),
    );
    return bad < 0
      ? null
      : `String ${bad + 1} must read between ${RANGE.least} and ${RANGE.most} mm: no string is thinner or thicker. Is the unit right?`;
  });
  protected readonly corrected = computed(() =>
    this.diameters().map((diameter) => (diameter === null ? '' : `${printGauge(diameter)} · ${toMillimetres(diameter).toFixed(3)} mm`)),
  );
  protected readonly taken = computed(() => this.diameters().filter((diameter) => diameter !== null).length);

  private readonly identified = computed(() => {
    const readings = this.readings().map(({ looks }, index): Reading | null => {
      const diameter = this.diameters()[index] ?? null;
      return diameter === null || this.fault() !== null ? null : { diameter, wound: looks === 'either' ? null : looks === 'wound' };
    });
    return identifySets(
      readings,
      this.table.sets().filter(({ family }) => family === this.neck()?.family),
    );
  });
  protected readonly likely = computed(() =>
    this.identified().sets.map(({ set, probability, farthest }) => ({
      set,
      line: this.table.lineNames().get(set.lineId ?? '') ?? '',
      gauges: listGauges(set.strings),
      percent: 100 * probability,
      chance: chance(probability),
      farthest: `${toMillimetres(farthest).toFixed(3)} mm`,
    })),
  );
  /** What a caliper cannot settle, said of the likeliest set. */
  protected readonly warnings = computed(() => {
    const [first, second] = this.identified().sets;
    if (first === undefined) return [];
    const tied = second !== undefined && Math.abs(first.probability - second.probability) < 1e-6;
    const pairs = confusables(first.set.strings)
      .slice(0, 3)
      .map(
        ({ first: one, second: other, apart, mistaken }) =>
          `${one + 1} and ${other + 1} differ by ${printGauge(apart)} in, and are mistaken in ${chance(mistaken)} of readings`,
      );
    return [
      ...(tied ? ['Sets of the same gauges read alike: look at the colour of the wrap and at the marks.'] : []),
      ...(pairs.length === 0 ? [] : [`Easily confused in the likeliest set: ${pairs.join('; ')}.`]),
    ];
  });
  protected readonly none = computed(() => ({ percent: 100 * this.identified().none, chance: chance(this.identified().none) }));

  private lengthOf(reads: number): Metres {
    return this.unit() === 'mm' ? fromMillimetres(reads) : metres(fromInches(reads / 1000));
  }

  protected pick(id: string): void {
    this.neckId.set(id);
    this.readings.set(blank(this.neck()?.strings ?? 6));
  }

  protected read(index: number, reads: number | null): void {
    this.readings.update((lines) => lines.map((line, at) => (at === index ? { ...line, reads } : line)));
  }

  protected looks(index: number, looks: Look): void {
    this.readings.update((lines) => lines.map((line, at) => (at === index ? { ...line, looks } : line)));
  }
}

const blank = (count: number): Line[] => Array.from({ length: count }, () => ({ reads: null, looks: 'either' as const }));

/** As a share of a hundred, without pretending to certainty. */
const chance = (probability: number) =>
  probability > 0.995 ? 'over 99 %' : probability < 0.01 ? 'under 1 %' : `${(100 * probability).toFixed(0)} %`;
