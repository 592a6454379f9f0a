import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { confusables } from '@gold-peg/craft/gauges';
import { FAMILIES, nameSet, printGauge, type Family, type StringSet } from '@gold-peg/craft/strings';
import { Api } from '../../server/api';
import { Session } from '../../session/session';
import { sayProblem } from '../../server/server-problem';
import { Shelf } from '../../shelf/shelf';
import { StringTable } from '../../string-table/string-table';
import { MarkSwatch } from '../../ui/mark-swatch';
import { textureOf } from '../../ui/string-face';
import { readGauges } from './gauge-list';

/** Sets by family: gauges, marks, what is easily confused, what is on the shelf; and a bench to make one. */
@Component({
  selector: 'peg-sets-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MarkSwatch, MatButtonModule, MatInputModule, MatSelectModule],
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
  protected readonly rows = computed(() =>
    this.table
      .sets()
      .filter(({ family }) => family === this.family())
      .map((set) => this.rowOf(set)),
  );

  protected readonly lines = computed(() => (this.table.file()?.lines ?? []).filter(({ family }) => family === this.family()));
  private lineWith = (wound: boolean) =>
    this.lines().find(({ id }) =>
      this.table.strings().some((string) => string.lineId === id && (string.construction === 'wound') === wound),
    )?.id ?? '';
  protected readonly smoothLine = linkedSignal(() => this.lineWith(false));
  protected readonly woundLine = linkedSignal(() => this.lineWith(true));
  protected readonly gauges = signal('');
  protected readonly fault = signal<string | null>(null);
  protected readonly said = signal('');

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
    const read = readGauges(this.gauges(), this.smoothLine(), this.woundLine(), this.table.strings());
    this.fault.set(read.ok ? null : read.says);
    if (!read.ok) return;
    const stringIds = read.strings.map(({ id }) => id);
    const name = nameSet(read.strings);
    const lineIds = new Set(read.strings.map(({ lineId }) => lineId));
    const id = `house-${[...lineIds].at(-1) ?? ''}-${this.gauges()
      .trim()
      .replace(/[\s,]+/g, '-')
      .replaceAll('.', '_')}`.toLowerCase();
    try {
      await this.api.call('addSet', { body: { id, lineId: read.strings.at(-1)?.lineId ?? null, name, family: this.family(), stringIds } });
      await this.table.load();
      this.gauges.set('');
      this.said.set(`${name} is in the table.`);
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
