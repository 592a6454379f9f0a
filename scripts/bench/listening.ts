import type { Page } from '@playwright/test';
import { watchBlocks } from './blocks.js';
import type { OpeningTime } from './opening-time.js';

const PLUCKS = 5;

/** Plucks and turns a bass string of the simulated instrument at Bring up: how soon it is heard, and how long the page is blocked at a time. */
export async function listening(page: Page, worksheet: string): Promise<OpeningTime[]> {
  await page.goto(worksheet.replace(/wind$/, 'bring-up'));
  await page.getByText(/^Nothing sounds/).waitFor();
  await page.keyboard.press('6');
  await page.keyboard.press('a');
  await page.getByText(/: string 6/).waitFor();
  const longest = await watchBlocks(page);
  const times: number[] = [];
  for (let nth = 0; nth < PLUCKS; nth++) {
    await page.getByText(/^Nothing sounds/).waitFor();
    times.push(await pluckToMark(page));
  }
  const block = await longest();
  return [
    { name: 'a low string from its pluck to its mark at Bring up', ms: times.sort((a, b) => a - b)[PLUCKS >> 1] ?? 0 },
    { name: 'listening: longest block of the page over 50 ms, or 0', ms: block },
  ];
}

/** Measured inside the page: from the key that turns and plucks until a frame shows which string it is. */
const pluckToMark = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const began = performance.now();
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
    while (document.querySelector('peg-hearing')?.textContent.includes(': string 6') !== true) await new Promise(requestAnimationFrame);
    return performance.now() - began;
  });
