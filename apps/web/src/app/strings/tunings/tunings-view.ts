import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { compareOn } from '@gold-peg/craft/gauges';
import { setsFor } from '@gold-peg/craft/strings';
import { retuneSeats, strungKind, tuningsFor } from '@gold-peg/craft/tuning';
import { CONCERT_A4 } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { stringingOf } from '../../solver';
import { sorted, UNSORTED } from '../../ui/sorted';
import { NECK_CHOICES } from '../../ui/neck-choices';
import { StringTable } from '../../string-table/string-table';
import { sayVerdicts, tuningRows } from '../../tuning';

/** Tunings of a neck, each with what a set would do in it. */
@Component({
  selector: 'peg-tunings-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, MatSelectModule, MatSortModule, MatTableModule],
  template: `
    <div class="tools">
      <label id="tuning-neck" for="tuning-neck-pick">On</label>
      <mat-form-field class="field"
        ><mat-select id="tuning-neck-pick" aria-labelledby="tuning-neck" [value]="neckId()" (selectionChange)="neckId.set($event.value)">
          @for (kind of necks; track kind.id) {
            <mat-option [value]="kind.id">{{ kind.name }}, {{ kind.scaleMm }} mm</mat-option>
          }
        </mat-select></mat-form-field
      >
      <label id="tuning-set" for="tuning-set-pick">with</label>
      <mat-form-field class="field"
        ><mat-select id="tuning-set-pick" aria-labelledby="tuning-set" [value]="set()?.id" (selectionChange)="setId.set($event.value)">
          @for (each of sets(); track each.id) {
            <mat-option [value]="each.id">{{ each.name }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <span class="soft">A = 440 Hz; other references, capo and a tuning of your own at the Workbench</span>
    </div>
    <div class="list">
      <table mat-table matSort aria-label="Tunings" [dataSource]="$any(rows())" (matSortChange)="sort.set($event)">
        <ng-container matColumnDef="name">
          <th *matHeaderCellDef mat-header-cell mat-sort-header>tuning</th>
          <td *matCellDef="let row" mat-cell>{{ row.tuning.name }}</td>
        </ng-container>
        <ng-container matColumnDef="notes">
          <th *matHeaderCellDef mat-header-cell>notes, string 1 first</th>
          <td *matCellDef="let row" mat-cell>{{ row.tuning.notes.join(' ') }}</td>
        </ng-container>
        <ng-container matColumnDef="together">
          <th *matHeaderCellDef mat-header-cell mat-sort-header class="n">together</th>
          <td *matCellDef="let row" mat-cell class="n">{{ row.total }}</td>
        </ng-container>
        <ng-container matColumnDef="says">
          <th *matHeaderCellDef mat-header-cell>what the strings say</th>
          <td *matCellDef="let row" mat-cell [class.grave]="row.said?.grave">
            {{ row.said?.grave ? '▲ ' : '' }}{{ row.said?.says ?? 'all hold' }}
          </td>
        </ng-container>
        <tr *matHeaderRowDef="COLUMNS" mat-header-row></tr>
        <tr *matRowDef="let row; columns: COLUMNS" mat-row></tr>
        <tr *matNoDataRow>
          <td colspan="4" class="soft">No tuning for this neck is in the table yet. Make one at the Workbench.</td>
        </tr>
      </table>
    </div>
  `,
  styleUrl: './tunings-view.scss',
})
export class TuningsView {
  private readonly table = inject(StringTable);
  private readonly measures = inject(Measures);
  protected readonly necks = NECK_CHOICES;
  protected readonly COLUMNS = ['name', 'notes', 'together', 'says'];
  protected readonly sort = signal<Sort>(UNSORTED);
  protected readonly neckId = signal('electric-in-line');
  protected readonly setId = signal<string | null>(null);

  private readonly strung = computed(() => strungKind(this.neckId()));
  protected readonly sets = computed(() => setsFor(this.strung().family, this.strung().seats.length, this.table.sets()));
  protected readonly set = computed(() => this.sets().find(({ id }) => id === this.setId()) ?? this.sets()[0] ?? null);

  protected readonly rows = computed(() => {
    const strung = this.strung();
    const set = this.set();
    const rows = tuningsFor(strung.family, strung.seats.length, this.table.tunings()).map((tuning) => {
      const tuned = { a4: CONCERT_A4, notes: tuning.notes.map((note) => ({ note, frequency: null })) };
      const stringing = set === null ? null : stringingOf(retuneSeats(strung, tuned), set.strings);
      const pull = stringing === null ? null : compareOn(stringing, null).total;
      return {
        tuning,
        pull,
        total: pull === null ? '–' : say(this.measures.pull(pull)),
        said: stringing === null ? null : sayVerdicts(tuningRows(strung, tuned, stringing.strings, 0)),
      };
    });
    return sorted(rows, this.sort(), { name: ({ tuning }) => tuning.name, together: ({ pull }) => pull ?? 0 });
  });
}
