import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Geometry } from '@gold-peg/contract/register';
import { courseSizes, MOST_STRINGS, withCourses } from '@gold-peg/craft/reshape';
import { FAMILIES, type Family } from '@gold-peg/craft/strings';
import { NumberField } from '../ui/number-field';
import { GeometryDraft } from './draft';

/** Strings: how many, in which courses, to which note, at which scale, and where the nut has its slots. */
@Component({
  selector: 'peg-strings-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, NumberField],
  templateUrl: './strings-part.html',
  styleUrl: './part.scss',
})
export class StringsPart {
  /** Work was done on it: its log speaks of so many strings. */
  readonly fixed = input(false);

  protected readonly families = FAMILIES;
  protected readonly draft = inject(GeometryDraft);
  private readonly sizes = computed(() => courseSizes({ strings: this.draft.sound()?.strings ?? [] }));
  private readonly count = computed(() => this.sizes().reduce((sum, size) => sum + size, 0));
  protected readonly mayGrow = computed(() => this.count() < MOST_STRINGS);
  protected readonly mayShrink = computed(() => this.sizes().length > 1);
  protected readonly rows = computed(() =>
    (this.draft.geometry()?.strings ?? []).map(({ note, course, scaleMm, slotSidewaysMm, slotWidthMm }, index, all) => ({
      index,
      number: index + 1,
      course,
      note,
      begins: all[index - 1]?.course !== course,
      double: all.filter((each) => each.course === course).length > 1,
      scaleMm: hundredth(scaleMm),
      slotSidewaysMm: tenth(slotSidewaysMm),
      slotWidthMm: hundredth(slotWidthMm),
    })),
  );

  protected courses(by: 1 | -1): void {
    const sizes = this.sizes();
    this.resize(by === 1 ? [...sizes, 1] : sizes.slice(0, -1));
  }

  protected double(course: number, isDouble: boolean): void {
    this.resize(this.sizes().with(course - 1, isDouble ? 2 : 1));
  }

  protected join(family: Family): void {
    this.draft.edit((geometry) => ({ ...geometry, family }));
  }

  protected retune(index: number, typed: string): void {
    this.draft.editString(index, () => ({
      note: typed
        .trim()
        .replace('#', '♯')
        .replace(/(?<=^[A-G])b/, '♭'),
      frequencyHz: null,
    }));
  }

  protected change(index: number, key: 'scaleMm' | 'slotSidewaysMm' | 'slotWidthMm', mm: number | null): void {
    this.draft.editString(index, () => ({ [key]: mm ?? Number.NaN }), MEASURE_OF[key]);
  }

  /** One scale for all: strings of other lengths keep their proportion to the longest. */
  protected rescale(mm: number | null): void {
    if (mm === null) return;
    const longest = this.longest() ?? mm;
    this.draft.edit(
      (geometry) => ({ ...geometry, strings: geometry.strings.map((string) => ({ ...string, scaleMm: (string.scaleMm * mm) / longest })) }),
      'scale',
    );
  }

  protected readonly longest = computed(() => {
    const strings: Geometry['strings'] = this.draft.geometry()?.strings ?? [];
    return strings.length === 0 ? null : hundredth(Math.max(...strings.map(({ scaleMm }) => scaleMm)));
  });

  private resize(sizes: readonly number[]): void {
    if (sizes.reduce((sum, size) => sum + size, 0) > MOST_STRINGS) return;
    this.draft.reshape((instrument) => withCourses(instrument, sizes), ['nut', 'slots', 'posts']);
  }
}

const MEASURE_OF = { scaleMm: 'scale', slotSidewaysMm: 'nut', slotWidthMm: 'slots' } as const;
const tenth = (mm: number) => Math.round(mm * 10) / 10;
const hundredth = (mm: number) => Math.round(mm * 100) / 100;
