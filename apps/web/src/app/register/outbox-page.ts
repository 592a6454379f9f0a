import { ChangeDetectionStrategy, Component, computed, inject, resource } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Api } from '../server/api';
import { troubleOf } from '../server/server-problem';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { houseTime } from '../server/house-zone';

const WHEN = houseTime({ day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

/** What owners would have received: each message is a file on this machine, and none leaves it. */
@Component({
  selector: 'peg-outbox-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlaceHeader, RouterLink, Trouble, UnderWay],
  template: `<peg-place-header heading="Outbox" [sub]="sub()" />
    @if (trouble(); as says) {
      <peg-trouble [says]="says" (again)="outbox.reload()" />
    } @else if (outbox.isLoading()) {
      <peg-under-way says="Opening the outbox …" />
    } @else {
      <ol>
        @for (message of messages(); track message.id) {
          <li>
            <span
              ><b>{{ message.recipient }}</b
              ><small>{{ message.way }} to {{ message.address }}</small></span
            >
            <span
              ><a [routerLink]="['/register', message.instrumentId]">{{ message.instrument }}</a
              ><small>{{ message.when }}, {{ message.sentBy }}</small></span
            >
            <p>{{ message.text }}</p>
          </li>
        } @empty {
          <li class="soft">Nothing was said to anybody yet. A passport has a reminder for its owner.</li>
        }
      </ol>
    }`,
  styles: `
    :host {
      display: block;
      flex: 1;
    }
    ol {
      margin: 0 var(--space-4);
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 240px 260px minmax(0, 1fr);
      gap: 14px;
      padding: 10px 0;
      border-bottom: 1px solid var(--line);
    }
    li.soft {
      display: block;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: 14px;
      overflow-wrap: anywhere;
    }
    p {
      margin: 0;
      line-height: 1.35;
      white-space: pre-line;
    }
  `,
})
export class OutboxPage {
  private readonly api = inject(Api);
  protected readonly outbox = resource({ loader: () => this.api.call('outbox', {}) });
  protected readonly trouble = computed(() => troubleOf(this.outbox));
  protected readonly sub = computed(() =>
    this.outbox.hasValue() ? `What owners would receive: files in ${this.outbox.value().folder}; nothing leaves this machine.` : '',
  );
  protected readonly messages = computed(() =>
    this.outbox.hasValue()
      ? this.outbox.value().messages.map((message) => ({ ...message, when: WHEN.format(new Date(message.sentAt)) }))
      : [],
  );
}
