import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule, type FormControl } from '@angular/forms';
import { MatChipsModule } from '@angular/material/chips';
import { MatDatepickerModule, type MatDatepickerInputEvent } from '@angular/material/datepicker';
import { MatInputModule } from '@angular/material/input';
import { DateTime } from 'luxon';
import { LUXON_DATES } from '../ui/luxon-dates';

/** Days one by one: a chip for each, and a field in which another is picked or typed. */
@Component({
  selector: 'peg-day-chips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatChipsModule, MatDatepickerModule, MatInputModule, ReactiveFormsModule],
  providers: [LUXON_DATES],
  template: `<mat-form-field>
      <input
        matInput
        #field
        [attr.aria-label]="about()"
        placeholder="add a day"
        [matDatepicker]="picker"
        (dateChange)="add($event); field.value = ''"
      />
      <mat-datepicker-toggle matIconSuffix [for]="picker" />
      <mat-datepicker #picker />
    </mat-form-field>
    <mat-chip-set [attr.aria-label]="about()">
      @for (day of days().value; track day) {
        <mat-chip (removed)="remove(day)"
          >{{ say(day) }}<button matChipRemove type="button" [attr.aria-label]="'Take away ' + say(day)">×</button></mat-chip
        >
      }
    </mat-chip-set>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 190px minmax(0, 1fr);
      align-items: center;
      gap: var(--space-3);
    }
  `,
})
export class DayChips {
  /** Days such as 2026-12-25, in the order of time. */
  readonly days = input.required<FormControl<string[]>>();
  readonly about = input.required<string>();

  protected add({ value }: MatDatepickerInputEvent<DateTime>): void {
    const day = value?.toISODate() ?? null;
    if (day === null) return;
    const days = this.days();
    days.setValue([...new Set([...days.value, day])].sort());
    days.markAsDirty();
  }

  protected remove(day: string): void {
    const days = this.days();
    days.setValue(days.value.filter((each) => each !== day));
    days.markAsDirty();
  }

  protected say = (day: string): string => DateTime.fromISO(day).toFormat('ccc d LLL yyyy');
}
