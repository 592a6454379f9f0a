import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { compareOn } from '@gold-peg/craft/gauges';
import { setsFor } from '@gold-peg/craft/strings';
import { retuneSeats, strungKind, tuningsFor } from '@gold-peg/craft/tuning';
import { CONCERT_A4 } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { stringingOf } from '../../solver/wish-form';
import { NECK_CHOICES } from '../../ui/neck-choices';
import { StringTable } from '../../string-table/string-table';
import { sayVerdicts, tuningRows } from '../../tuning/tuning-rows';

/** Tunings of a neck, each with what a set would do in it. */
@Component({
  selector: 'peg-tunings-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatInputModule, MatSelectModule],
  template: `
    <div class="tools">
      <label id="tuning-neck" for="tuning-neck-pick">On</label>
      <mat-form-field class="field"
        ><mat-select id="tuning-neck-pick" aria-labelledby="tuning-neck" [ngModel]="neckId()" (ngModelChange)="neckId.set($event)">
          @for (kind of necks; track kind.id) {
            <mat-option [value]="kind.id">{{ kind.name }}, {{ kind.scaleMm }} mm</mat-option>
          }
        </mat-select></mat-form-field
      >
      <label id="tuning-set" for="tuning-set-pick">with</label>
      <mat-form-field class="field"
        ><mat-select id="tuning-set-pick" aria-labelledby="tuning-set" [ngModel]="set()?.id" (ngModelChange)="setId.set($event)">
          @for (each of sets(); track each.id) {
            <mat-option [value]="each.id">{{ each.name }}</mat-option>
          }
        </mat-select></mat-form-field
      >
      <span class="soft">A = 440 Hz; other references, capo and a tuning of your own at the Workbench</span>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">tuning</th>
          <th scope="col">notes, string 1 first</th>
          <th scope="col" class="n">together</th>
          <th scope="col">what the strings say</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.tuning.id) {
          <tr>
            <th scope="row">{{ row.tuning.name }}</th>
            <td>{{ row.tuning.notes.join(' ') }}</td>
            <td class="n">{{ row.total }}</td>
            <td [class.grave]="row.said?.grave">{{ row.said?.grave ? '▲ ' : '' }}{{ row.said?.says ?? 'all hold' }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="4" class="soft">No tuning for this neck is in the table yet. Make one at the Workbench.</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: calc(100% - 2 * var(--space-4));
      margin: 0 var(--space-4);
      border-collapse: collapse;
    }
    th,
    td {
      padding: 9px 8px;
      border-bottom: 1px solid var(--line);
      text-align: left;
    }
    thead th {
      padding: 6px 8px;
      color: var(--ink-soft);
      font-weight: 400;
      font-size: 14px;
    }
    tbody th {
      font-size: 18px;
      white-space: nowrap;
    }
    .n {
      text-align: right;
      white-space: nowrap;
    }
    .grave {
      color: var(--oxide);
      font-weight: 600;
    }
  `,
})
export class TuningsView {
  private readonly table = inject(StringTable);
  private readonly measures = inject(Measures);
  protected readonly necks = NECK_CHOICES;
  protected readonly neckId = signal('electric-in-line');
  protected readonly setId = signal<string | null>(null);

  private readonly strung = computed(() => strungKind(this.neckId()));
  protected readonly sets = computed(() => setsFor(this.strung().family, this.strung().seats.length, this.table.sets()));
  protected readonly set = computed(() => this.sets().find(({ id }) => id === this.setId()) ?? this.sets()[0] ?? null);

  protected readonly rows = computed(() => {
    const strung = this.strung();
    const set = this.set();
    return tuningsFor(strung.family, strung.seats.length, this.table.tunings()).map((tuning) => {
      const tuned = { a4: CONCERT_A4, notes: tuning.notes.map((note) => ({ note, frequency: null })) };
      const stringing = set === null ? null : stringingOf(retuneSeats(strung, tuned), set.strings);
      return {
        tuning,
        total: stringing === null ? '–' : say(this.measures.pull(compareOn(stringing, null).total)),
        said: stringing === null ? null : sayVerdicts(tuningRows(strung, tuned, stringing.strings, 0)),
      };
    });
  });
}
