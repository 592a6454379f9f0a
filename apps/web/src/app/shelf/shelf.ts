import { computed, inject, Injectable, signal } from '@angular/core';
import type { StockItem, StockKind, StockList } from '@gold-peg/contract/stock';
import type { OnTheShelf } from '@gold-peg/craft/gauges';
import type { StringSet, TableString } from '@gold-peg/craft/strings';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';

/** What is free of one thing, in words, and whether that is little. */
export interface Standing {
  says: string;
  free: number;
  few: boolean;
}

/** The shelf of the house, as the server last told it. */
@Injectable({ providedIn: 'root' })
export class Shelf {
  private readonly api = inject(Api);

  readonly list = signal<StockList | null>(null);
  readonly trouble = signal<string | null>(null);

  private readonly byKey = computed(() => new Map((this.list()?.items ?? []).map((item) => [`${item.kind} ${item.id}`, item])));

  /** What can be taken today: what lies there and is not promised to a job. Null while nothing is known. */
  readonly free = computed<OnTheShelf | null>(() => {
    const list = this.list();
    if (list === null) return null;
    const of = (wanted: StockKind) =>
      new Map(list.items.filter(({ kind }) => kind === wanted).map((item) => [item.id, Math.max(0, freeOf(item))]));
    return { strings: of('string'), sets: of('set') };
  });

  async load(): Promise<void> {
    this.trouble.set(null);
    try {
      this.list.set(await this.api.call('stock', {}));
    } catch (error) {
      this.trouble.set(sayProblem(error));
    }
  }

  item(kind: StockKind, id: string): StockItem | undefined {
    return this.byKey().get(`${kind} ${id}`);
  }

  /** Of a set; null while the shelf is not known. */
  standing(kind: StockKind, id: string): Standing | null {
    if (this.list() === null) return null;
    const item = this.item(kind, id);
    if (item === undefined) return { says: 'not kept on the shelf', free: 0, few: false };
    const free = freeOf(item);
    const reserved = item.reserved === 0 ? '' : `, ${item.reserved} reserved`;
    const coming = item.onOrder === 0 ? '' : `, ${item.onOrder} on order`;
    return { says: `${item.onHand} on the shelf${reserved}${coming}`, free, few: free < Math.max(1, item.reorderAt) };
  }

  /** A proposal: its set, and singles for what is not of it. Says what is missing, if anything. */
  proposal(set: StringSet | null, strings: readonly TableString[]): Standing | null {
    const singles = strings.filter(({ id }, index) => set?.strings[index]?.id !== id);
    const ofSet = set === null ? null : this.standing('set', set.id);
    if (this.list() === null) return null;
    const missing = [...new Set(singles.map(({ id }) => id))].filter(
      (id) => singles.filter((single) => single.id === id).length > (this.standing('string', id)?.free ?? 0),
    );
    const short = [
      ...(ofSet !== null && ofSet.free < 1 ? ['the set'] : []),
      ...(missing.length > 0 ? [`${missing.length} of the singles`] : []),
    ];
    const says =
      short.length > 0 ? `not on the shelf: ${short.join(' and ')}` : singles.length === 0 ? (ofSet?.says ?? '') : 'all on the shelf';
    return { says, free: short.length > 0 ? 0 : 1, few: short.length > 0 || ofSet?.few === true };
  }
}

const freeOf = ({ onHand, reserved }: StockItem) => onHand - reserved;
