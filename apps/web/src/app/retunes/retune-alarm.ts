import { ChangeDetectionStrategy, Component, effect, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { RetuneTimes, type Retune } from './retune-times';

/** So long it is put off at one press. */
const LATER_MIN = 10;

/** Says wherever one is that an instrument is to be tuned again, and as a notification of the device where that is allowed. */
@Component({
  selector: 'peg-retune-alarm',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RouterLink],
  template: `
    <div role="alert">
      @for (each of times.due(); track each.jobId) {
        <p>
          <b>{{ titleOf(each) }}</b> {{ each.name }}, {{ stringsOf(each) }}.
          <a matButton class="quiet" [routerLink]="['/worksheet', each.jobId, 'settle']">to it</a>
          <button matButton type="button" class="quiet" (click)="times.putOff(each.jobId, LATER_MIN)">in {{ LATER_MIN }} min</button>
        </p>
      }
    </div>
  `,
  styles: `
    div {
      position: fixed;
      top: var(--space-2);
      right: 50%;
      z-index: 11;
      display: grid;
      gap: var(--space-1);
      transform: translateX(50%);
    }
    p {
      margin: 0;
      padding: 2px var(--space-3);
      border: 1px solid var(--brass-line);
      border-left: 6px solid var(--brass-line);
      background: var(--paper-bright);
      color: var(--ink);
      white-space: nowrap;
    }
  `,
})
export class RetuneAlarm {
  protected readonly LATER_MIN = LATER_MIN;
  protected readonly times = inject(RetuneTimes);
  protected readonly titleOf = titleOf;
  protected readonly stringsOf = stringsOf;

  constructor() {
    const told = new Set<string>();
    effect(() => {
      for (const each of this.times.due()) {
        const key = `${each.jobId} ${each.at} ${each.later}`;
        if (!told.has(key)) notify(each);
        told.add(key);
      }
    });
  }
}

const titleOf = ({ passport }: Retune) => `Tune passport ${String(passport).padStart(4, '0')} again:`;
const stringsOf = ({ strings }: Retune) => `${strings.length === 1 ? 'string' : 'strings'} ${strings.join(', ')}`;

function notify(retune: Retune): void {
  if ('Notification' in globalThis && Notification.permission === 'granted')
    new Notification(titleOf(retune), { body: `${retune.name}, ${stringsOf(retune)}`, tag: retune.jobId });
}
