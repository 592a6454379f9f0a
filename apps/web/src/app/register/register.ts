import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, resource, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { InstrumentSummary } from '@gold-peg/contract/register';
import { debounceTime, distinctUntilChanged } from 'rxjs';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { OwnersPanel } from './owners-panel';

/** Typing settles before the server is asked. */
const TYPING_MS = 150;

/** Owners and their instruments, found by name, owner, kind or passport number. */
@Component({
  selector: 'peg-register',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, RouterLink, Fact, OwnersPanel, PlaceHeader, Trouble],
  templateUrl: './register.html',
  styleUrl: './register.scss',
})
export class Register {
  private readonly api = inject(Api);
  protected readonly search = signal('');
  private readonly asked = toSignal(toObservable(this.search).pipe(debounceTime(TYPING_MS), distinctUntilChanged()), { initialValue: '' });

  protected readonly found = resource({
    params: () => ({ search: this.asked() }),
    loader: ({ params }) => this.api.call('listInstruments', { query: params }),
  });
  /** The list stays while another search is under way. */
  protected readonly shown = linkedSignal<InstrumentSummary[] | undefined, InstrumentSummary[] | undefined>({
    source: () => (this.found.hasValue() ? this.found.value() : undefined),
    computation: (found, before) => found ?? before?.value,
  });
  protected readonly owners = resource({ loader: () => this.api.call('listOwners', {}) });
  protected readonly trouble = computed(() => {
    const error = this.found.error() ?? this.owners.error();
    return error === undefined ? null : sayProblem(error.cause ?? error);
  });
  protected readonly rows = computed(() =>
    (this.shown() ?? []).map((instrument) => ({
      ...instrument,
      number: String(instrument.passport).padStart(4, '0'),
      age: instrument.fittedAt === null ? '' : monthsSince(instrument.fittedAt),
    })),
  );

  protected again(): void {
    this.found.reload();
    this.owners.reload();
  }
}

function monthsSince(at: string): string {
  const days = Math.floor((Date.now() - Date.parse(at)) / 86_400_000);
  if (days < 1) return 'today';
  return days < 60 ? `${days} days ago` : `${Math.round(days / 30.4)} months ago`;
}
