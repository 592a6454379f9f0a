import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule, type FormArray, type FormControl } from '@angular/forms';
import { MatInputModule } from '@angular/material/input';
import { scaleLinear } from 'd3';
import { map, startWith } from 'rxjs';
import { readStretches } from './stretches';

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
/** Hours of the day that are drawn. */
const [FROM, UNTIL] = [6 * 60, 22 * 60];
const WIDE_PX = 320;

/** Hours of a week, a line for each day as people write it, and drawn beside it. */
@Component({
  selector: 'peg-week-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, ReactiveFormsModule],
  template: `@for (day of week().controls; track day; let nth = $index) {
    <label [for]="prefix() + nth">{{ WEEKDAYS[nth] }}</label>
    <mat-form-field>
      <input matInput [id]="prefix() + nth" placeholder="closed" [formControl]="day" />
      <mat-error>{{ WEEKDAYS[nth] }} {{ day.getError('says') }}</mat-error>
    </mat-form-field>
    <svg [attr.viewBox]="'0 0 ' + WIDE_PX + ' 34'" aria-hidden="true">
      @for (tick of ticks; track tick.x) {
        <line [attr.x1]="tick.x" [attr.x2]="tick.x" y1="0" y2="34" />
        @if (nth === 0) {
          <text [attr.x]="tick.x + 3" y="11">{{ tick.label }}</text>
        }
      }
      @for (bar of drawn()[nth]; track bar.x) {
        <rect [attr.x]="bar.x" y="13" [attr.width]="bar.width" height="14" rx="2" />
      }
    </svg>
  }`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 92px minmax(210px, 1fr) minmax(0, 1fr);
      align-items: center;
      gap: 2px var(--space-3);
    }
    label {
      font-weight: 600;
    }
    svg {
      width: 100%;
      height: 34px;
    }
    rect {
      fill: var(--brass);
    }
    line {
      stroke: var(--line);
    }
    text {
      fill: var(--ink-soft);
      font-size: 12px;
    }
  `,
})
export class WeekFields {
  readonly week = input.required<FormArray<FormControl<string>>>();
  /** Of the ids of its fields. */
  readonly prefix = input.required<string>();

  protected readonly WEEKDAYS = WEEKDAYS;
  protected readonly WIDE_PX = WIDE_PX;
  private readonly x = scaleLinear([FROM, UNTIL], [0, WIDE_PX]).clamp(true);
  protected readonly ticks = [6, 9, 12, 15, 18, 21].map((hour) => ({ x: this.x(hour * 60), label: String(hour) }));
  private readonly typed = rxResource({
    params: () => this.week(),
    stream: ({ params }) =>
      params.valueChanges.pipe(
        startWith(null),
        map(() => params.getRawValue()),
      ),
  });
  protected readonly drawn = computed(() =>
    (this.typed.hasValue() ? this.typed.value() : []).map((text) =>
      (readStretches(text) ?? []).map(([from, until]) => ({ x: this.x(from), width: Math.max(0, this.x(until) - this.x(from)) })),
    ),
  );
}
