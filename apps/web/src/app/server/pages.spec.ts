import { describe, expect, it } from 'vitest';
import { Pages, sayCount } from './pages';

const ALL = Array.from({ length: 7 }, (_, index) => index + 1);

/** A far end that answers when it is told to, three at a time. */
class FarEnd {
  private readonly waiting: (() => void)[] = [];
  readonly page = (search: string, after = 0) =>
    new Promise<{ items: number[]; next: number | null; count: number }>((resolve) => {
      const found = ALL.filter((each) => search === '' || String(each) === search);
      const items = found.filter((each) => each > after).slice(0, 3);
      this.waiting.push(() => resolve({ items, next: items.length < 3 ? null : (items.at(-1) ?? null), count: found.length }));
    });
  async answer(nth = 0): Promise<void> {
    this.waiting.splice(nth, 1)[0]?.();
    await new Promise((resolve) => setTimeout(resolve));
  }
}

describe('a list in pages', () => {
  it('is read on as far as somebody looks, each item once, and no further than its end', async () => {
    const far = new FarEnd();
    const pages = new Pages(far.page);
    void pages.find('');
    await far.answer();
    expect(pages.items()).toEqual([1, 2, 3]);
    expect(pages.count()).toBe(7);
    for (let times = 0; times < 4; times++) {
      void pages.more();
      void pages.more(); // while it is read already
      await far.answer();
    }
    expect(pages.items()).toEqual(ALL);
  });

  it('shows what was searched for last, whichever answer comes first', async () => {
    const far = new FarEnd();
    const pages = new Pages(far.page);
    void pages.find('2');
    void pages.find('5');
    await far.answer(1);
    await far.answer(0);
    expect(pages.items()).toEqual([5]);
  });

  it('says what was counted, as far as it was', () => {
    expect(sayCount(999, 1000)).toBe('999');
    expect(sayCount(1000, 1000)).toBe('1,000 or more');
  });
});
