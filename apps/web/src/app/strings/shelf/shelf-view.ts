import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { StockKind } from '@gold-peg/contract/stock';
import { printGauge } from '@gold-peg/craft/strings';
import { filter, interval } from 'rxjs';
import { Api } from '../../server/api';
import { NewThing } from '../../server/new-thing';
import { sayProblem } from '../../server/server-problem';
import { Shelf } from '../../shelf/shelf';
import { StringTable } from '../../string-table/string-table';
import { Trouble } from '../../ui/trouble';
import { linesToOrder, sayMove, sayOrder, shelfRow, type Named, type ShelfRow } from './shelf-rows';

/** While an order is on its way the shelf is looked at this often. */
const LOOK_MS = 10_000;
const MOVES_SHOWN = 12;

/** Sets and singles that lie here: counts, what is promised to jobs, what runs low, orders, and why a number is what it is. */
@Component({
  selector: 'peg-shelf-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatButtonModule, MatCheckboxModule, MatInputModule, MatSelectModule, Trouble],
  templateUrl: './shelf-view.html',
  styleUrl: './shelf-view.scss',
})
export class ShelfView {
  private readonly api = inject(Api);
  private readonly table = inject(StringTable);
  protected readonly shelf = inject(Shelf);

  private readonly newOrder = new NewThing();
  protected readonly ordering = this.newOrder.busy;
  protected readonly search = signal('');
  protected readonly onlyLow = signal(false);
  protected readonly fault = signal<string | null>(null);

  protected readonly key = signal<string | null>(null);
  protected readonly counted = signal<number | null>(null);
  protected readonly reorderAt = signal<number | null>(2);
  protected readonly reorderTo = signal<number | null>(6);
  protected readonly where = signal('');
  protected readonly countFault = signal<string | null>(null);
  protected readonly said = signal('');

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
  protected readonly rows = computed(() => {
    const wanted = this.search().toLowerCase();
    return this.items()
      .map((item) => shelfRow(item, this.names()))
      .filter(({ low }) => low || !this.onlyLow())
      .filter(({ name, line, item }) => `${name} ${line} ${item.shelf}`.toLowerCase().includes(wanted));
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
      at: new Intl.DateTimeFormat('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit' }).format(new Date(move.at)),
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
        await this.api.call('placeOrder', { body: { id, lines: this.toOrder() } });
        await this.shelf.load(); // what is on its way is not ordered again
      });
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }

  protected take({ key }: ShelfRow): void {
    this.pick(key);
  }

  protected pick(key: string): void {
    const [kind, id = ''] = key.split(' ');
    const item = this.shelf.item(kind as StockKind, id);
    this.key.set(key);
    this.said.set('');
    this.countFault.set(null);
    this.counted.set(item?.onHand ?? null);
    this.reorderAt.set(item?.reorderAt ?? 2);
    this.reorderTo.set(item?.reorderTo ?? 6);
    this.where.set(item?.shelf ?? '');
  }

  protected async count(): Promise<void> {
    const [kind, id = ''] = (this.key() ?? '').split(' ');
    this.said.set('');
    this.countFault.set(null);
    try {
      const body = {
        kind: kind as StockKind,
        id,
        counted: this.counted() ?? Number.NaN,
        reorderAt: this.reorderAt() ?? Number.NaN,
        reorderTo: this.reorderTo() ?? Number.NaN,
        shelf: this.where(),
      };
      await this.api.call('countStock', { body });
      await this.shelf.load();
      this.said.set('Taken down.');
    } catch (error) {
      this.countFault.set(sayProblem(error));
    }
  }
}
