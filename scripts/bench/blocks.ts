import type { Page } from '@playwright/test';

/** Watches from now on how long the page is blocked at a time. Returns what asks for the longest block over 50 ms; 0 where there was none. */
export async function watchBlocks(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const blocks: number[] = [];
    Object.assign(window, { blocks });
    new PerformanceObserver((list) => blocks.push(...list.getEntries().map(({ duration }) => duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  return async () => Math.max(0, ...(await page.evaluate(() => (window as unknown as { blocks: number[] }).blocks)));
}
