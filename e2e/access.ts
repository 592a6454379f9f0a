import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type Axe from 'axe-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/**
 * What axe finds serious or worse on a page, and where. `rules`: those that can differ from what was looked at before; all where none are named. Each page that is loaded
 * is given axe once: its own package for Playwright does it at each look, which takes as long as many looks.
 */
export async function seriousFaults(page: Page, rules: readonly string[] = []): Promise<string[]> {
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(AXE);
  // a message at the foot is read out 150 ms after it is shown: so long Material hides it, with its button, from who is read to
  await page.waitForFunction(() => document.querySelector('mat-snack-bar-container [aria-hidden="true"] button') === null);
  const violations = await page.evaluate(async (values) => {
    const { axe } = window as unknown as { axe: typeof Axe };
    const only = values.length === 0 ? {} : { runOnly: { type: 'rule' as const, values: [...values] } };
    return (await axe.run(document, { resultTypes: ['violations'], ...only })).violations; // what is in order is not gathered
  }, rules);
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}
