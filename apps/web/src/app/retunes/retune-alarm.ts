import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { Session } from '../session/session';
import { HouseVisits } from './house-visits';
import { RetuneTimes, type Retune } from './retune-times';
import { ring } from './ring';

/** So long it is put off at one press. */
const LATER_MIN = 10;
/** More have no room on the fingerboard. */
const MOST = 3;

/** Says wherever one is that an instrument is to be tuned again, and as a notification of the device where that is allowed. */
@Component({
  selector: 'peg-retune-alarm',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatTooltipModule, RouterLink],
  template: `
    @if (times.due().length > 0) {
      <p class="visually-hidden" role="alert">
        @for (each of times.due(); track each.jobId) {
          {{ titleOf(each) }} {{ each.name }}, {{ stringsOf(each) }}.
        }
      </p>
    }
    @for (each of shown(); track each.jobId) {
      <div>
        <a [routerLink]="['/worksheet', each.jobId, 'settle']" [matTooltip]="each.name + ', ' + stringsOf(each)" matTooltipPosition="right">
          <b>{{ each.number }}</b> tune again</a
        >
        <button
          matButton
          type="button"
          class="quiet"
          [attr.aria-label]="'Put off passport ' + each.number"
          (click)="times.putOff(each.jobId, LATER_MIN)"
        >
          in {{ LATER_MIN }} min
        </button>
      </div>
    }
  `,
  styles: `
    :host {
      position: fixed;
      bottom: 76px;
      left: 0;
      z-index: 11;
      display: grid;
      gap: 2px;
      width: 74px;
    }
    div {
      border-left: 6px solid var(--brass-line);
      background: var(--paper-bright);
      text-align: center;
    }
    a {
      display: block;
      min-height: 44px;
      padding-top: 4px;
      box-sizing: border-box;
      color: var(--ink);
      font-size: 14px;
      line-height: 1.2;
      text-decoration: none;
    }
    b {
      display: block;
      font-size: 17px;
    }
    button {
      width: 100%;
    }
  `,
})
export class RetuneAlarm {
  protected readonly LATER_MIN = LATER_MIN;
  protected readonly times = inject(RetuneTimes);
  protected readonly shown = computed(() =>
    this.times
      .due()
      .slice(0, MOST)
      .map((each) => ({ ...each, number: passportOf(each) })),
  );
  protected readonly titleOf = titleOf;
  protected readonly stringsOf = stringsOf;

  private readonly session = inject(Session);

  constructor() {
    inject(HouseVisits).watch();
    const told = new Set<string>();
    effect(() => {
      for (const each of this.times.due()) {
        const key = `${each.jobId} ${each.at} ${each.later}`;
        if (!told.has(key)) {
          notify(each);
          if (this.session.preferences().alarmSound) ring();
        }
        told.add(key);
      }
    });
  }
}

const passportOf = ({ passport }: Retune) => String(passport).padStart(4, '0');
const titleOf = (retune: Retune) => `Tune passport ${passportOf(retune)} again:`;
const stringsOf = ({ strings }: Retune) =>
  strings.length === 0 ? 'the strings that move' : `${strings.length === 1 ? 'string' : 'strings'} ${strings.join(', ')}`;

function notify(retune: Retune): void {
  if ('Notification' in globalThis && Notification.permission === 'granted')
    new Notification(titleOf(retune), { body: `${retune.name}, ${stringsOf(retune)}`, tag: retune.jobId });
}
