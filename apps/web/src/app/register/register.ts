import { ScrollingModule } from '@angular/cdk/scrolling';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { MatTooltipModule } from '@angular/material/tooltip';
import { RouterLink } from '@angular/router';
import { MOST_COUNTED, type RegisterOrder } from '@gold-peg/contract/register';
import { debounceTime, distinctUntilChanged } from 'rxjs';
import { Api } from '../server/api';
import { Pages, sayCount } from '../server/pages';
import { Fact } from '../ui/fact';
import { PlaceHeader } from '../ui/place-header';
import { UNSORTED } from '../ui/sorted';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { TYPING_MS } from './owner-search';
import { OwnersPanel } from './owners-panel';

/** So many rows before its end a list is read on. */
const READ_AHEAD = 40;

/** Owners and their instruments, found by name, owner, kind or passport number. */
@Component({
  selector: 'peg-register',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Fact,
    MatButtonModule,
    MatCheckboxModule,
    MatInputModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    OwnersPanel,
    PlaceHeader,
    RouterLink,
    ScrollingModule,
    Trouble,
    UnderWay,
  ],
  templateUrl: './register.html',
  styleUrl: './register.scss',
})
export class Register {
  private readonly api = inject(Api);
  protected readonly search = signal('');
  /** Those that left the register are looked through. */
  protected readonly archived = signal(false);
  protected readonly ROW_PX = 64;
  protected readonly columns = ['passport', 'name', 'owner', 'strings'] satisfies RegisterOrder[];
  /** By passport where nothing else is asked for: as the drawers stand. */
  private readonly order = signal<Sort>(UNSORTED);
  protected readonly instruments = new Pages((search, after: number | undefined) => {
    const { active, direction } = this.order();
    const sorted = direction === '' ? {} : { order: active as RegisterOrder, way: direction };
    const away = this.archived() ? { archived: 'true' } : {};
    return this.api
      .call('listInstruments', { query: { search, ...sorted, ...away, ...(after === undefined ? {} : { after }) } })
      .then(({ instruments: items, ...page }) => ({ items, ...page }));
  });
  protected readonly owners = new Pages((_search, after: string | undefined) =>
    this.api.call('listOwners', { query: after === undefined ? {} : { after } }).then(({ owners: items, ...page }) => ({ items, ...page })),
  );
  protected readonly trouble = computed(() => this.instruments.trouble() ?? this.owners.trouble());
  protected readonly counts = computed(() => ({
    instruments: sayCount(this.instruments.count(), MOST_COUNTED),
    owners: this.owners.items() === undefined ? '…' : sayCount(this.owners.count(), MOST_COUNTED),
  }));
  protected readonly rows = computed(() =>
    (this.instruments.items() ?? []).map((instrument) => ({
      ...instrument,
      number: String(instrument.passport).padStart(4, '0'),
      age: instrument.fittedAt === null ? '' : monthsSince(instrument.fittedAt),
    })),
  );

  constructor() {
    toObservable(this.search)
      .pipe(debounceTime(TYPING_MS), distinctUntilChanged(), takeUntilDestroyed())
      .subscribe((search) => void this.instruments.find(search));
    void this.owners.find('');
  }

  protected readonly byId = (_index: number, { id }: { id: string }) => id;

  /** Reads on before the end of what was read comes into view. */
  protected nearEnd(firstShown: number): void {
    if (firstShown > this.rows().length - READ_AHEAD) void this.instruments.more();
  }

  protected sort(order: Sort): void {
    this.order.set(order);
    void this.instruments.find();
  }

  protected show(archived: boolean): void {
    this.archived.set(archived);
    void this.instruments.find();
  }

  protected again(): void {
    void this.instruments.find();
    void this.owners.find();
  }
}

function monthsSince(at: string): string {
  const days = Math.floor((Date.now() - Date.parse(at)) / 86_400_000);
  if (days < 1) return 'today';
  return days < 60 ? `${days} days ago` : `${Math.round(days / 30.4)} months ago`;
}
