import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { Clipboard } from '@angular/cdk/clipboard';
import { MatButtonModule } from '@angular/material/button';
import type { CalendarKind } from '@gold-peg/contract/calendars';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';

/** The secret address under which a calendar reads what is due: made, copied, withdrawn. */
@Component({
  selector: 'peg-subscribe',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `@if (address.isLoading()) {
      <p class="soft" role="status">Looking whether a calendar may subscribe …</p>
    } @else if (path(); as at) {
      <p>A calendar that subscribes to this address is told {{ tells() }}. Whoever has it can read it, without signing in.</p>
      <p>
        <code>{{ origin + at }}</code>
      </p>
      <button matButton type="button" class="quiet" (click)="copy(origin + at)">{{ copied() ? 'copied' : 'copy' }}</button>
      <button matButton type="button" class="quiet" (click)="ask('makeCalendarAddress')">make another, this one ends</button>
      <button matButton type="button" class="quiet" (click)="ask('withdrawCalendarAddress')">withdraw it</button>
    } @else {
      <p>No calendar can subscribe yet: an address is secret, and made when somebody wants it.</p>
      <button matButton type="button" class="quiet" (click)="ask('makeCalendarAddress')">make an address</button>
    }
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }`,
  styles: `
    :host {
      display: block;
      padding: var(--space-2) var(--space-5);
      border-bottom: 1px solid var(--line);
    }
    p {
      margin: 4px 0;
    }
    code {
      overflow-wrap: anywhere;
    }
    .fault {
      color: var(--oxide);
    }
  `,
})
export class Subscribe {
  readonly which = input<CalendarKind>('due');
  /** What a calendar is told, in words. */
  readonly tells = input('what is due within half a year');

  private readonly api = inject(Api);
  private readonly clipboard = inject(Clipboard);
  protected readonly origin = location.origin;
  protected readonly fault = signal<string | null>(null);
  protected readonly copied = signal(false);
  protected readonly address = resource({
    params: () => ({ which: this.which() }),
    loader: ({ params }) => this.api.call('calendarAddress', { params }),
  });
  protected readonly path = computed(() => (this.address.hasValue() ? this.address.value().path : null));

  protected copy(address: string): void {
    this.copied.set(this.clipboard.copy(address));
  }

  protected async ask(what: 'makeCalendarAddress' | 'withdrawCalendarAddress'): Promise<void> {
    this.fault.set(null);
    this.copied.set(false);
    try {
      const params = { which: this.which() };
      this.address.set(
        await (what === 'makeCalendarAddress' ? this.api.call(what, { params, body: {} }) : this.api.call(what, { params })),
      );
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
