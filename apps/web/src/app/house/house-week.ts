import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Day } from '@gold-peg/contract/day';
import { weekOf } from './week';

/** The next seven days on a rule: a bar for each person at the bench. */
@Component({
  selector: 'peg-house-week',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <a class="week" routerLink="/today/hours" [attr.aria-label]="'Hours of the house: ' + says()">
      @for (each of week(); track each.name) {
        <span class="day" [class.closed]="!each.open">
          <span class="name"
            ><b>{{ each.name }}</b
            >{{ each.hours }}</span
          >
          <span class="bars">
            @for (person of each.people; track $index) {
              <span class="bar">
                @for (stretch of person; track stretch.left) {
                  <i [style.left.%]="stretch.left" [style.width.%]="stretch.width"></i>
                }
              </span>
            }
            @if (each.now !== null) {
              <span class="now" [style.left.%]="each.now"></span>
            }
          </span>
        </span>
      }
    </a>
  `,
  styles: `
    .week {
      display: grid;
      grid-template-columns: repeat(7, minmax(0, 1fr));
      border-bottom: 1px solid var(--line-strong);
      background: var(--steel-rule-dark);
      color: var(--ink);
      text-decoration: none;
    }
    .day {
      display: block;
      min-height: 62px;
      padding: 4px 6px 8px;
      border-left: 1px solid var(--line-strong);
    }
    .closed {
      background: var(--paper-deep);
      color: var(--ink-soft);
    }
    .name {
      display: flex;
      flex-wrap: wrap;
      justify-content: space-between;
      gap: 0 6px;
      font-size: 14px;
    }
    .bars {
      position: relative;
      display: block;
    }
    .bar {
      position: relative;
      display: block;
      height: 9px;
      margin-top: 4px;
    }
    .bar i {
      position: absolute;
      height: 9px;
      background: var(--felt);
    }
    .now {
      position: absolute;
      top: 0;
      bottom: -4px;
      width: 3px;
      background: var(--brass);
    }
  `,
})
export class HouseWeek {
  readonly day = input.required<Day>();
  protected readonly week = computed(() => weekOf(this.day()));
  protected readonly says = computed(() =>
    this.week()
      .map(({ name, hours }) => `${name} ${hours}`)
      .join('; '),
  );
}
