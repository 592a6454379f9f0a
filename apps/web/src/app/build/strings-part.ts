import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import type { Geometry } from '@gold-peg/contract/register';
import { courseSizes, MOST_STRINGS, withCourses } from '@gold-peg/craft/reshape';
import { FAMILIES } from '@gold-peg/craft/string-kinds';
import { GeometryDraft } from './draft';
import { DraftChoice } from './draft-choice';
import { DraftFieldInput } from './draft-field';
import { HUNDREDTHS, NOTE, TENTHS } from './draft-ways';

/** What is told of each string, beside its note. */
const COLUMNS = [
  { key: 'scaleMm', head: 'scale, mm', label: 'Scale of string N, mm', step: 0.5, way: HUNDREDTHS, measure: 'scale' },
  {
    key: 'slotSidewaysMm',
    head: 'slot from the centre, mm',
    label: 'Slot of string N from the centre, mm',
    step: 0.1,
    way: TENTHS,
    measure: 'nut',
  },
  { key: 'slotWidthMm', head: 'slot wide, mm', label: 'Slot of string N, width, mm', step: 0.01, way: HUNDREDTHS, measure: 'slots' },
] as const;

/** Strings: how many, in which courses, to which note, at which scale, and where the nut has its slots. */
@Component({
  selector: 'peg-strings-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DraftChoice, DraftFieldInput, MatButtonModule, MatInputModule],
  templateUrl: './strings-part.html',
  styleUrl: './part.scss',
})
export class StringsPart {
  /** Work was done on it: its log speaks of so many strings. */
  readonly fixed = input(false);

  protected readonly families = FAMILIES.map((value) => ({ value, name: value }));
  protected readonly columns = COLUMNS;
  protected readonly NOTE = NOTE;
  protected readonly draft = inject(GeometryDraft);
  private readonly sizes = computed(() => courseSizes({ strings: this.draft.sound()?.strings ?? [] }));
  private readonly count = computed(() => this.sizes().reduce((sum, size) => sum + size, 0));
  protected readonly mayGrow = computed(() => this.count() < MOST_STRINGS);
  protected readonly mayShrink = computed(() => this.sizes().length > 1);
  protected readonly rows = computed(() =>
    (this.draft.geometry()?.strings ?? []).map(({ course }, index, all) => ({
      index,
      number: index + 1,
      course,
      begins: all[index - 1]?.course !== course,
      double: all.filter((each) => each.course === course).length > 1,
      retune: (note: unknown) => this.retune(index, String(note)),
    })),
  );

  protected courses(by: 1 | -1): void {
    const sizes = this.sizes();
    this.resize(by === 1 ? [...sizes, 1] : sizes.slice(0, -1));
  }

  protected double(course: number, isDouble: boolean): void {
    this.resize(this.sizes().with(course - 1, isDouble ? 2 : 1));
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

  private retune(index: number, note: string): void {
    this.draft.editString(index, () => ({ note, frequencyHz: null }));
  }

  private resize(sizes: readonly number[]): void {
    if (sizes.reduce((sum, size) => sum + size, 0) > MOST_STRINGS) return;
    this.draft.reshape((instrument) => withCourses(instrument, sizes), ['nut', 'slots', 'posts']);
  }
}

const hundredth = (mm: number) => Math.round(mm * 100) / 100;
