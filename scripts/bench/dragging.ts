import type { Page } from '@playwright/test';
import type { OpeningTime } from './opening-time.js';

const FRAMES = 180;

/** Drags the cut mark to and fro, once a frame, inside the page: how far apart its frames lie. 16.7 ms holds 60 a second. */
export async function dragging(page: Page, worksheet: string): Promise<OpeningTime[]> {
  await page.goto(worksheet);
  await page.getByRole('slider', { name: /Cut mark/ }).waitFor();
  const intervals = await page.evaluate(async (frames) => {
    const rule = document.querySelector('peg-cut-rule svg');
    if (rule === null) throw new Error('no rule');
    const box = rule.getBoundingClientRect();
    const times: number[] = [];
    for (let frame = -1; frame <= frames; frame++) {
      const clientX = box.left + (0.5 + 0.35 * Math.sin(frame / 12)) * box.width;
      const event = new MouseEvent(frame < 0 ? 'mousedown' : 'mousemove', {
        clientX,
        clientY: box.top + box.height / 3,
        bubbles: true,
        view: window,
      });
      (frame < 0 ? rule : window).dispatchEvent(event);
      times.push(await new Promise<number>((resolve) => requestAnimationFrame(resolve)));
    }
    window.dispatchEvent(new MouseEvent('mouseup', { bubbles: true, view: window }));
    return times.slice(1).map((time, index) => time - (times[index] ?? time));
  }, FRAMES);
  const sorted = intervals.sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
  return [
    { name: 'dragging the cut mark: from frame to frame, median', ms: at(0.5) },
    { name: 'dragging the cut mark: from frame to frame, 95th of 100', ms: at(0.95) },
  ];
}
