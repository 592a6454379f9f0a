import type { Page } from '@playwright/test';

/** More stops than any screen has. */
const MOST_TABS = 250;

/** Goes on with Tab until what is focused is called so. Past the last stop nothing has the focus, and the page as a whole, whose text holds every name, is not what was looked for. */
export async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let tabs = 0; tabs < MOST_TABS; tabs++) {
    await page.keyboard.press('Tab');
    const called = await page.evaluate(() => {
      const element = document.activeElement as HTMLInputElement | null;
      if (element === null || element === document.body) return '';
      return (element.getAttribute('aria-label') ?? element.labels?.[0]?.textContent ?? element.textContent).replace(/\s+/g, ' ').trim();
    });
    if (name.test(called)) return;
  }
  throw new Error(`nothing called ${name.source} has the focus`);
}
