import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { ScrollingModule } from '@angular/cdk/scrolling';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { MatTooltipModule } from '@angular/material/tooltip';
import { printGauge } from '@gold-peg/craft/strings';
import { filter, interval } from 'rxjs';
import { Api } from '../../server/api';
import { NewThing } from '../../server/new-thing';
import { sayProblem } from '../../server/server-problem';
import { Shelf } from '../../shelf/shelf';
import { linesToOrder } from '../../shelf/to-order';
import { StringTable } from '../../string-table/string-table';
import { sorted, UNSORTED, type SortKeys } from '../../ui/sorted';
import { Trouble } from '../../ui/trouble';
import { WayBack } from '../../ui/way-back';
import { UnderWay } from '../../ui/under-way';
import { CountForm } from './count-form';
import { sayMove, sayOrder, shelfRow, type Named, type ShelfRow } from './shelf-rows';
import { houseTime } from '../../server/house-zone';

/** While an order is on its way the shelf is looked at this often. */
const LOOK_MS = 10_000;
const MOVES_SHOWN = 12;
/** Two lines of words, and a rule. */
const ROW_PX = 53;
/** By what each column is sorted. */
const KEYS: SortKeys<ShelfRow> = {
  what: ({ name }) => name,
  onHand: ({ item }) => item.onHand,
  reserved: ({ item }) => item.reserved,
  free: ({ free }) => free,
  onOrder: ({ item }) => item.onOrder,
  shelf: ({ item }) => item.shelf,
};

/** Sets and singles that lie here: counts, what is promised to jobs, what runs low, orders, and why a number is what it is. */
@Component({
  selector: 'peg-shelf-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CountForm,
    MatButtonModule,
    MatCheckboxModule,
    MatInputModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    ScrollingModule,
    Trouble,
    UnderWay,
  ],
  templateUrl: './shelf-view.html',
  styleUrl: './shelf-view.scss',
})
export class ShelfView {
  private readonly api = inject(Api);
  private readonly table = inject(StringTable);
  protected readonly shelf = inject(Shelf);

  private readonly wayBack = inject(WayBack);

  private readonly newOrder = new NewThing();
  protected readonly ordering = this.newOrder.busy;
  protected readonly search = signal('');
  protected readonly onlyLow = signal(false);
  protected readonly fault = signal<string | null>(null);

  protected readonly key = signal<string | null>(null);

  private readonly names = computed(() => {
    const lineOf = (id: string | null) => this.table.lineNames().get(id ?? '') ?? '';
    const sets = this.table.sets().map(({ id, name, lineId }): [string, Named] => [`set ${id}`, { name, line: lineOf(lineId) }]);
    const strings = this.table
      .strings()
      .map(({ id, gauge, lineId }): [string, Named] => [`string ${id}`, { name: `${printGauge(gauge)} single`, line: lineOf(lineId) }]);
    return new Map([...sets, ...strings]);
  });
  protected readonly countable = computed(() => [...this.names()].map(([key, named]) => ({ key, ...named })));

  private readonly items = computed(() => this.shelf.list()?.items ?? []);
  protected readonly columns = ['what', 'onHand', 'reserved', 'free', 'onOrder', 'limits', 'shelf', 'count'];
  protected readonly ROW_PX = ROW_PX;
  protected readonly sort = signal<Sort>(UNSORTED);
  protected readonly byKey = (_: number, { key }: ShelfRow) => key;
  protected readonly rows = computed(() => {
    const wanted = this.search().toLowerCase();
    const there = this.items()
      .map((item) => shelfRow(item, this.names()))
      .filter(({ low }) => low || !this.onlyLow())
      .filter(({ name, line, item }) => `${name} ${line} ${item.shelf}`.toLowerCase().includes(wanted));
    return sorted(there, this.sort(), KEYS);
  });
  protected readonly toOrder = computed(() => linesToOrder(this.items()));
  protected readonly orders = computed(() =>
    (this.shelf.list()?.orders ?? []).map((order) => ({
      ...order,
      pieces: order.lines.reduce((sum, { amount }) => sum + amount, 0),
      state: sayOrder(order, Date.now()),
    })),
  );
  protected readonly moves = computed(() =>
    (this.shelf.list()?.moves ?? []).slice(0, MOVES_SHOWN).map((move) => ({
      says: sayMove(move),
      name: this.names().get(`${move.kind} ${move.id}`)?.name ?? move.id,
      instrument: move.instrument,
      at: houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(move.at)),
    })),
  );

  constructor() {
    interval(LOOK_MS)
      .pipe(
        filter(() => this.shelf.list()?.orders.some(({ deliveredAt }) => deliveredAt === null) === true),
        takeUntilDestroyed(),
      )
      .subscribe(() => void this.shelf.load());
  }

  protected async orderLow(): Promise<void> {
    this.fault.set(null);
    try {
      await this.newOrder.make(async (id) => {
        const { supplier, lines } = await this.api.call('placeOrder', { body: { id, lines: this.toOrder() } });
        await this.shelf.load(); // what is on its way is not ordered again
        this.wayBack.tell(`Ordered from ${supplier}: ${lines.reduce((sum, { amount }) => sum + amount, 0)} pieces`);
      });
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
