import { computed, signal } from '@angular/core';
import { sayProblem } from './server-problem';

interface Page<Item, Place> {
  items: readonly Item[];
  /** Where it goes on; null at the end. */
  next: Place | null;
  /** How many there are in all. */
  count: number;
}

/** A list that is read page by page, as far as somebody looks at it. The list stays while another search is under way, and the latest search wins. */
export class Pages<Item, Place> {
  private readonly read = signal<Page<Item, Place> | undefined>(undefined);
  private readonly busy = signal(false);
  private asked = 0;
  private search = '';

  readonly items = computed(() => this.read()?.items);
  readonly count = computed(() => this.read()?.count ?? 0);
  readonly isLoading = this.busy.asReadonly();
  readonly trouble = signal<string | null>(null);

  constructor(private readonly page: (search: string, after: Place | undefined) => Promise<Page<Item, Place>>) {}

  /** Begins anew with what a search finds. */
  async find(search = this.search): Promise<void> {
    this.search = search;
    await this.take(undefined, (page) => page);
  }

  /** Reads on, where there is more and nobody does so already. */
  async more(): Promise<void> {
    const read = this.read();
    if (read?.next == null || this.busy()) return;
    await this.take(read.next, (page) => ({ ...page, items: [...read.items, ...page.items] }));
  }

  private async take(after: Place | undefined, join: (page: Page<Item, Place>) => Page<Item, Place>): Promise<void> {
    const asked = ++this.asked;
    this.busy.set(true);
    try {
      const page = await this.page(this.search, after);
      if (asked !== this.asked) return; // somebody searched for something else meanwhile
      this.read.set(join(page));
      this.trouble.set(null);
    } catch (error) {
      if (asked === this.asked) this.trouble.set(sayProblem(error));
    } finally {
      if (asked === this.asked) this.busy.set(false);
    }
  }
}

/** A number that was counted so far and no further. */
export const sayCount = (count: number, most: number): string => (count < most ? String(count) : `${most.toLocaleString('en-GB')} or more`);
