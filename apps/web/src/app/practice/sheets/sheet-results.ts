import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTableModule } from '@angular/material/table';
import type { ExerciseSheet } from '@gold-peg/contract/practice';
import { GOOD_WORK } from '@gold-peg/craft/constants';
import type { SheetResult } from '@gold-peg/craft/exercises';
import { measureOf } from '@gold-peg/craft/skills';
import { SKILL_WORDS } from '../skill-words';

/** What came of a sheet, a row for each skill of each person. */
@Component({
  selector: 'peg-sheet-results',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatTableModule],
  template: `
    <table mat-table [dataSource]="rows()" [attr.aria-label]="'What came of ' + sheet().title">
      <ng-container matColumnDef="who">
        <th mat-header-cell *matHeaderCellDef>who</th>
        <td mat-cell *matCellDef="let row">{{ row.who }}</td>
      </ng-container>
      <ng-container matColumnDef="skill">
        <th mat-header-cell *matHeaderCellDef>skill</th>
        <td mat-cell *matCellDef="let row">{{ row.skill }}</td>
      </ng-container>
      <ng-container matColumnDef="tries">
        <th mat-header-cell *matHeaderCellDef>tries</th>
        <td mat-cell *matCellDef="let row">{{ row.tries }}</td>
      </ng-container>
      <ng-container matColumnDef="off">
        <th mat-header-cell *matHeaderCellDef>usually off</th>
        <td mat-cell *matCellDef="let row">{{ row.off }}</td>
      </ng-container>
      <ng-container matColumnDef="asked">
        <th mat-header-cell *matHeaderCellDef>asked</th>
        <td mat-cell *matCellDef="let row">{{ row.asked }}</td>
      </ng-container>
      <ng-container matColumnDef="state">
        <th mat-header-cell *matHeaderCellDef>so far</th>
        <td mat-cell *matCellDef="let row" [class.good]="row.reached === true" [class.short]="row.reached === false">{{ row.state }}</td>
      </ng-container>
      <tr mat-header-row *matHeaderRowDef="columns()"></tr>
      <tr mat-row *matRowDef="let row; columns: columns()"></tr>
    </table>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    tr {
      height: 38px;
    }
    td {
      font-size: 16px;
    }
    .good {
      color: var(--felt);
      font-weight: 600;
    }
    .short {
      color: var(--watch);
      font-weight: 600;
    }
  `,
})
export class SheetResults {
  readonly sheet = input.required<Pick<ExerciseSheet, 'title' | 'each' | 'within'>>();
  readonly people = input.required<readonly { name: string; results: readonly SheetResult[] }[]>();
  /** Whether people are told apart. */
  readonly named = input(false);

  protected readonly columns = computed(() => [...(this.named() ? ['who'] : []), 'skill', 'tries', 'off', 'asked', 'state']);
  protected readonly rows = computed(() => {
    const { each, within } = this.sheet();
    return this.people().flatMap(({ name, results }) =>
      results.map((result, nth) => ({
        ...{ who: nth === 0 ? name : '', skill: SKILL_WORDS[result.skill].name, tries: `${result.tries} of ${each}` },
        ...{ off: sayOff(result.skill, result.worth), asked: `${sayOff(result.skill, within)} at most` },
        ...{ reached: result.reached, state: stateOf(result) },
      })),
    );
  });
}

/** So many widths of good work, as they are said of a skill: '9 %', '3.5 ¢', '1 in 10 wrong'. */
function sayOff(skill: SheetResult['skill'], widths: number | null): string {
  if (widths === null) return '';
  const off = widths * GOOD_WORK[skill].value;
  if (measureOf(skill) === 'choice') return `${Math.round(100 * off)} % wrong`;
  const { unit } = SKILL_WORDS[skill];
  return `${off.toFixed(unit === '%' ? 0 : 1)} ${unit}`;
}

function stateOf({ reached, tries }: SheetResult): string {
  if (reached === null) return tries === 0 ? 'to do' : 'under way';
  return reached ? 'as asked' : 'not as asked';
}
