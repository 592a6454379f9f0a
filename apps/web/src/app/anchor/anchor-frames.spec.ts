import { describe, expect, it } from 'vitest';
import { BenchPage } from '../testing/bench-page';
import { AnchorFrames } from './anchor-frames';
import { anchorScenes } from './anchor-scenes';

const { fit, fault } = anchorScenes('pins', {
  count: 6,
  index: 2,
  soft: false,
  wound: true,
  twoHoles: false,
  last: false,
  cover: false,
  tie: { twice: false, tucks: [1, 2] },
  tailUp: true,
});
const open = (more: Record<string, unknown> = {}) =>
  BenchPage.open(AnchorFrames, { frames: fit, fault, count: 6, index: 2, gaugeMm: 0.6, texture: 'wound', ...more });
const widthOf = (page: { element: HTMLElement }) =>
  Number.parseFloat(page.element.querySelector<SVGElement>('.wound')?.style.strokeWidth ?? '0');

describe('frames of an anchor', () => {
  it('stand side by side, numbered, the usual fault last and said to be one', async () => {
    const page = await open();
    const heads = [...page.element.querySelectorAll('h2')].map(({ textContent }) => textContent.replace(/\s+/g, ' ').trim());
    expect(heads).toEqual([
      '1 Bend above the ball',
      '2 Ball down, slot to the saddle',
      '3 Pull up until it catches',
      '✗The usual fault: The pin creeps out',
    ]);
    expect(page.element.querySelectorAll('li.fault')).toHaveLength(1);
    expect(page.element.querySelectorAll('svg[role=img]')[0]?.getAttribute('aria-label')).toBe('Bend above the ball: string 3 of 6');
  });

  it('draw a thick string thicker than a thin one, in its own texture, with the mark of its packet', async () => {
    const [thin, thick] = [await open({ gaugeMm: 0.25 }), await open({ gaugeMm: 1.3, ballColour: 'rgb(43, 127, 131)' })];
    expect(widthOf(thick)).toBeGreaterThan(widthOf(thin));
    expect(widthOf(thin)).toBeGreaterThan(0.25);
    expect(thick.element.querySelector<SVGElement>('.ball')?.style.fill).toBe('rgb(43, 127, 131)');
    expect(thin.element.querySelector('.plain')).toBeNull();
  });

  it('leave the fault out where there is none, and the dots where there is one string', async () => {
    const page = await open({ fault: null, count: 1, index: 0 });
    expect(page.element.querySelector('.fault')).toBeNull();
    expect(page.element.querySelector('.which')).toBeNull();
  });
});
