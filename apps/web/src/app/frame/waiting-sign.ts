import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { BenchLog } from '../bench-log/bench-log';
import { Connection } from '../server/connection';
import { NewerPage } from './newer-page';
import { Session } from '../session/session';
import { houseTime } from '../server/house-zone';

/** Says quietly what waits on this device, since when and for whom, and loudly only what could not be kept. */
@Component({
  selector: 'peg-waiting-sign',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, RouterLink],
  template: `
    <div role="status">
      @if (says(); as words) {
        <span class="sign" data-testid="waiting">{{ words }}</span>
      }
      @for (other of ofOthers(); track other) {
        <span class="sign">{{ other }}</span>
      }
      @if (log.refused().length; as count) {
        <span class="sign refused">
          {{ count }} {{ count === 1 ? 'step' : 'steps' }} could not be kept ·
          <a matButton class="quiet" routerLink="/set-aside">see to {{ count === 1 ? 'it' : 'them' }}</a>
        </span>
      }
      @if (newer.isReady()) {
        <span class="sign">
          A newer page is ready; nothing under way is lost.
          <button matButton type="button" class="quiet" (click)="newer.take()">take it</button>
        </span>
      }
    </div>
  `,
  styles: `
    div {
      position: fixed;
      right: var(--space-3);
      bottom: var(--space-2);
      display: grid;
      gap: var(--space-1);
      justify-items: end;
      z-index: 10;
    }
    .sign {
      max-width: 70ch;
      padding: var(--space-1) var(--space-3);
      border: 1px solid var(--line-strong);
      border-left: 5px solid var(--watch);
      background: var(--paper);
      color: var(--ink);
      font-size: 15px;
    }
    .refused {
      border-left-color: var(--oxide);
    }
  `,
})
export class WaitingSign {
  protected readonly log = inject(BenchLog);
  protected readonly newer = inject(NewerPage);
  private readonly away = inject(Connection).away;
  private readonly session = inject(Session);

  /** What waits of who is signed in, and whether the server answers; null where there is nothing to say. */
  protected readonly says = computed(() => {
    const own = this.log.waiting().filter(({ personId }) => personId === this.session.person()?.id);
    const server = this.away() ? 'the server does not answer, work goes on' : 'the server answers, they are being sent';
    if (own.length > 0) return `${steps(own.length)} on this device since ${TIME.format(new Date(own[0]?.event.at ?? 0))} · ${server}`;
    return this.away() ? 'The server does not answer; work goes on.' : null;
  });
  /** What waits for somebody else to sign in here. */
  protected readonly ofOthers = computed(() => {
    const others = this.log.waiting().filter(({ personId }) => personId !== this.session.person()?.id);
    const names = [...new Set(others.map(({ personName }) => personName ?? 'somebody else'))];
    return names.map((name) => {
      const count = others.filter(({ personName }) => (personName ?? 'somebody else') === name).length;
      return `${steps(count)} until ${name} signs in on this device`;
    });
  });
}

const steps = (count: number) => `${count} ${count === 1 ? 'step waits' : 'steps wait'}`;
const TIME = houseTime({ hour: '2-digit', minute: '2-digit' });
