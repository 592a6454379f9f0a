import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { confusables } from '@gold-peg/craft/gauges';
import { nameSet, printGauge, type StringSet } from '@gold-peg/craft/strings';
import { FAMILIES, type Family } from '@gold-peg/craft/string-kinds';
import { Api } from '../../server/api';
import { Session } from '../../session/session';
import { sayRefusal } from '../../form';
import { Shelf } from '../../shelf/shelf';
import { StringTable } from '../../string-table/string-table';
import { sorted, UNSORTED } from '../../ui/sorted';
import { MarkSwatch } from '../../ui/mark-swatch';
import { textureOf } from '../../ui/string-face';
import { readGauges } from './gauge-list';

/** Sets by family: gauges, marks, what is easily confused, what is on the shelf; and a bench to make one. */
@Component({
  selector: 'peg-sets-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MarkSwatch, MatButtonModule, MatInputModule, MatSelectModule, MatSortModule, MatTableModule, ReactiveFormsModule],
  templateUrl: './sets-view.html',
  styleUrl: './sets-view.scss',
})
export class SetsView {
  private readonly api = inject(Api);
  protected readonly mayWork = inject(Session).mayWork;
  private readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);

  protected readonly families = FAMILIES;
  protected readonly family = signal<Family>('electric');
  protected readonly COLUMNS = ['name', 'gauges', 'free'];
  protected readonly sort = signal<Sort>(UNSORTED);
  protected readonly rows = computed(() => {
    const rows = this.table
      .sets()
      .filter(({ family }) => family === this.family())
      .map((set) => this.rowOf(set));
    return sorted(rows, this.sort(), {
      name: ({ set }) => set.name,
      gauges: ({ set }) => set.strings[0]?.gauge ?? 0,
      free: ({ standing }) => standing?.free ?? -1,
    });
  });

  protected readonly lines = computed(() => (this.table.file()?.lines ?? []).filter(({ family }) => family === this.family()));
  private lineWith = (wound: boolean) =>
    this.lines().find(({ id }) =>
      this.table.strings().some((string) => string.lineId === id && (string.construction === 'wound') === wound),
    )?.id ?? '';
  protected readonly form = inject(NonNullableFormBuilder).group({ smooth: '', wound: '', gauges: '' });
  protected readonly fault = signal('');
  protected readonly said = signal('');

  constructor() {
    effect(() => {
      this.form.patchValue({ smooth: this.lineWith(false), wound: this.lineWith(true) });
    });
  }

  private rowOf(set: StringSet) {
    return {
      set,
      line: this.table.lineNames().get(set.lineId ?? '') ?? 'strings of several lines',
      strings: set.strings.map(({ gauge, construction, mark }) => ({ gauge: printGauge(gauge), texture: textureOf(construction), mark })),
      standing: this.shelf.standing('set', set.id),
      alike: confusables(set.strings)
        .slice(0, 2)
        .map(({ first, second, apart }) => `${first + 1} and ${second + 1} differ by ${printGauge(apart)}`)
        .join(', '),
    };
  }

  protected async add(): Promise<void> {
    this.said.set('');
    this.fault.set('');
    const { smooth, wound, gauges } = this.form.getRawValue();
    const read = readGauges(gauges, smooth, wound, this.table.strings());
    if (!read.ok) {
      this.form.controls.gauges.setErrors({ says: read.says });
      return this.form.markAllAsTouched();
    }
    const stringIds = read.strings.map(({ id }) => id);
    const lineId = read.strings.at(-1)?.lineId ?? null;
    const name = nameSet(read.strings);
    const ids = gauges
      .trim()
      .replace(/[\s,]+/g, '-')
      .replaceAll('.', '_');
    const id = `house-${lineId ?? ''}-${ids}`.toLowerCase();
    try {
      await this.api.call('addSet', { body: { id, lineId, name, family: this.family(), stringIds } });
      await this.table.load();
      this.form.controls.gauges.reset();
      this.said.set(`${name} is in the table.`);
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
  }
}
