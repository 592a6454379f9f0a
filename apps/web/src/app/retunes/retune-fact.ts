import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { dueAt, RetuneTimes } from './retune-times';
import { houseTime } from '../server/house-zone';

const TIME = houseTime({ hour: '2-digit', minute: '2-digit' });
const AN_HOUR = 60;

/** The retune that comes next, of whichever instrument, for the head of a place. */
@Component({
  selector: 'peg-retune-fact',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `@if (next(); as fact) {
    <a [attr.aria-label]="'Next retune: passport ' + fact.passport + ', ' + fact.at" [routerLink]="['/worksheet', fact.jobId, 'settle']">
      <small>retune {{ fact.passport }}</small>
      <b>{{ fact.at }}</b>
    </a>
  }`,
  styles: `
    a {
      display: block;
      padding-left: var(--space-3);
      border-left: 4px solid var(--brass-line);
      color: inherit;
      text-decoration: none;
      white-space: nowrap;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 14px;
    }
    b {
      font-weight: 600;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class RetuneFact {
  private readonly times = inject(RetuneTimes);
  protected readonly next = computed(() => {
    const [next, minutes] = [this.times.next(), this.times.minutesToNext()];
    if (next === null || minutes === null) return null;
    const away = minutes <= 0 ? 'now' : minutes < AN_HOUR ? `${minutes} min` : `${(minutes / AN_HOUR).toFixed(1)} h`;
    return { jobId: next.jobId, passport: String(next.passport).padStart(4, '0'), at: `${TIME.format(new Date(dueAt(next)))} · ${away}` };
  });
}
