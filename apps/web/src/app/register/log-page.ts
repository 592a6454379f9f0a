import { ChangeDetectionStrategy, Component, computed, inject, signal, resource } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { EVENT_KINDS, type LogLine, type LogQuery } from '@gold-peg/contract/bench-log';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { debounceTime } from 'rxjs';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { TYPING_MS } from './owner-search';
import { houseTime } from '../server/house-zone';

const PAGE = 100;
const WHEN = houseTime({ day: 'numeric', month: 'short', year: '2-digit', hour: '2-digit', minute: '2-digit' });
const KINDS = [...EVENT_KINDS].sort();
const named = (kind: string): string => kind.replaceAll('-', ' ');

/** The whole log, by instrument, kind and day; and the same as a file. */
@Component({
  selector: 'peg-log-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, MatSelectModule, PlaceHeader, RouterLink, Trouble, UnderWay],
  templateUrl: './log-page.html',
  styleUrl: './log-page.scss',
})
export class LogPage {
  private readonly api = inject(Api);
  protected readonly KINDS = KINDS;
  protected readonly named = named;
  protected readonly passport = signal('');
  protected readonly kind = signal('');
  protected readonly person = signal('');
  private readonly names = resource({ loader: () => this.api.call('listNames', {}) });
  protected readonly people = computed(() => (this.names.hasValue() ? this.names.value() : []));
  protected readonly from = signal('');
  protected readonly to = signal('');
  protected readonly lines = signal<readonly LogLine[] | null>(null);
  protected readonly next = signal<number | null>(null);
  protected readonly trouble = signal<string | null>(null);

  /** Days as they begin and end here; what is not a number of a passport asks for none. */
  private readonly filter = computed<LogQuery>(() => {
    const [from, to] = [dayOf(this.from()), dayOf(this.to())];
    to?.setDate(to.getDate() + 1);
    return {
      ...(/^\d+$/.test(this.passport().trim()) && { passport: Number(this.passport()) }),
      ...(this.kind() !== '' && { kind: this.kind() }),
      ...(this.person() !== '' && { person: this.person() }),
      ...(from !== null && { from: from.toISOString() }),
      ...(to !== null && { to: to.toISOString() }),
    };
  });
  private readonly query = computed(() => new URLSearchParams(Object.entries(this.filter()).map(([name, value]) => [name, String(value)])));
  protected readonly csv = computed(() => `${ENDPOINTS.logCsv.path}?${this.query()}`);
  protected readonly json = computed(() => `${ENDPOINTS.logJson.path}?${this.query()}`);
  protected readonly rows = computed(() =>
    (this.lines() ?? []).map((line) => ({
      ...line,
      when: WHEN.format(new Date(line.storedAt)),
      number: String(line.passport).padStart(4, '0'),
      what: `${named(line.kind)}${line.string === null ? '' : `, string ${line.string}`}`,
      says: sayPayload(line.payload),
    })),
  );

  constructor() {
    toObservable(this.filter)
      .pipe(debounceTime(TYPING_MS), takeUntilDestroyed())
      .subscribe(() => void this.read());
  }

  protected async read(before?: number): Promise<void> {
    const filter = this.filter();
    this.trouble.set(null);
    try {
      const page = await this.api.call('readLog', { query: { ...filter, limit: PAGE, ...(before === undefined ? {} : { before }) } });
      // somebody asked for others meanwhile
      if (filter !== this.filter()) return;
      this.lines.set(before === undefined ? page.lines : [...(this.lines() ?? []), ...page.lines]);
      this.next.set(page.next);
    } catch (error) {
      this.trouble.set(sayProblem(error));
    }
  }
}

const dayOf = (text: string): Date | null => (text === '' ? null : new Date(`${text}T00:00:00`));

/** The plain values of what was taken down. */
function sayPayload(payload: LogLine['payload']): string {
  return Object.entries(payload)
    .flatMap(([name, value]) => (typeof value === 'object' || value === '' ? [] : [`${name} ${String(value)}`]))
    .join(', ');
}
