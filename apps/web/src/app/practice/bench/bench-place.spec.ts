import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { liftInTheMiddle } from '@gold-peg/craft/post';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import { Session } from '../../session/session';
import { BenchPage } from '../../testing/bench-page';
import { BenchPlace } from './bench-place';

const KEPT = 'gold-peg.simulated-bench';
let page: BenchPage<BenchPlace>;

const bench = () => page.instance['bench'];
async function press(key: string, more: KeyboardEventInit = {}, on: EventTarget = document.body): Promise<KeyboardEvent> {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
  on.dispatchEvent(event);
  await page.settle();
  return event;
}
async function open(kind = 'acoustic-parlour', seed = 4471): Promise<void> {
  localStorage.setItem(KEPT, JSON.stringify({ kind, seed, acts: [] }));
  page = await BenchPage.open(BenchPlace);
}
/** String in hand bare, its end fixed as it should be. */
async function anchored(): Promise<void> {
  for (const key of [' ', ' ']) await press(key);
  await page.press('ball against the plate, pin pressed in');
}
/** Lifted as the plan has it, and wound the right way until it is straight. */
async function straight(): Promise<void> {
  const { plan, scale } = bench().to();
  bench().liftMm.set(1000 * liftInTheMiddle(plan.slack, scale));
  await press(plan.direction === 'anticlockwise' ? 'a' : 's');
  for (const key of [' ', ' ']) await press(key);
}

beforeEach(() => {
  localStorage.removeItem(KEPT);
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  TestBed.inject(Session).person.set({
    ...{ id: '0190f3a0-0000-7000-8000-000000000001', name: 'Corin Vell', role: 'technician', version: 1 },
    preferences: DEFAULT_PREFERENCES,
  });
});

describe('the simulated bench', () => {
  it('goes from an old string to one that is done by Space and letters, each as its button says', async () => {
    await open();
    await press('e');
    await press('h');
    await press('3');
    expect(page.text).toContain('String 3 is old, and up.');
    await anchored();
    expect(page.text).toContain('Leave slack for 2½ turns of string 3');
    expect(page.element.querySelector('peg-lift-picture')).not.toBeNull();
    await straight();
    expect(page.text).toContain('Bring string 3 to 196 Hz, from below.');
    expect(bench().on()).toMatchObject({ at: 'wound', taut: true, otherSide: false });
    for (let turn = 0; turn < 400 && (bench().cents()[2] ?? -2000) < -8; turn++)
      await press('ArrowRight', { altKey: (bench().cents()[2] ?? -2000) > -150 });
    expect(page.text).toContain('String 3 is at its note.');
    await press('b');
    await press('j');
    await press(' ');
    expect(page.text).toContain('String 3 is done');
    expect(page.button('On to string 1')).toBeTruthy();
    expect(page.instance['wrong']().map(({ title }) => title)).toEqual(['Said to hold too early']);
    expect(page.text).toContain('Shown at Settle');
  });

  it('tells what was lifted and what was wanted once the string hangs slack, not before', async () => {
    await open();
    await press('6');
    await anchored();
    await press('ArrowUp');
    await press('ArrowUp', { shiftKey: true });
    expect(page.text).not.toContain('were wanted');
    const { plan, scale } = bench().to();
    await press(plan.direction === 'anticlockwise' ? 'a' : 's');
    await press(' ');
    expect(page.text).toContain(`Lifted 42 mm; ${(1000 * liftInTheMiddle(plan.slack, scale)).toFixed(0)} mm were wanted.`);
  });

  it('says why a string broke that was turned on to the octave above, and what was wrong with its eyes', async () => {
    await open();
    await press('1');
    await anchored();
    await straight();
    for (let turn = 0; turn < 60 && bench().now().lost.length === 0; turn++) await press('ArrowRight', { shiftKey: true });
    expect(page.text).toContain('1: Broke: on its way to the octave above');
    expect(page.text).toMatch(/It broke \d+\.\d semitones over its note/);
    expect(page.text).toContain('Eyes not covered');
    expect(page.text).toContain('What is left of string 1 is still on.');
    expect(page.element.querySelector('a[href="/practice?of=octave"]')?.textContent).toBe('practise it');
  });

  it('keeps what was done on this device: the same hands make the same again when it is opened anew', async () => {
    await open('ukulele-concert', 12);
    await press('2');
    await press(' ');
    await press('ArrowLeft');
    const before = JSON.stringify(bench().now());
    const again = await BenchPage.open(BenchPlace);
    expect(JSON.stringify(again.instance['bench'].now())).toBe(before);
    localStorage.setItem(KEPT, '{"kind": 3}');
    expect((await BenchPage.open(BenchPlace)).instance['bench'].isBegun()).toBe(false);
  });

  it('says that one came in from the cold, lets it lie by L as by its button, and keeps that', async () => {
    await open('acoustic-parlour', 4470);
    const [cold] = /\d+ °C under the room/.exec(page.text) ?? [];
    const before = bench().cents()[0] ?? 0;
    await press('l');
    expect(bench().now().waited).toBe(20 * 60);
    expect(page.text).not.toContain(cold);
    expect(bench().cents()[0]).toBeGreaterThan(before); // it rises as it warms
    for (let times = 0; times < 3; times++)
      if (page.text.includes('let it lie')) await page.press(/\d+ °C under/.exec(page.text)?.[0] ?? '');
    expect(page.text).not.toContain('let it lie');
    const { waited } = bench().now();
    await press('l'); // as warm as the room: nothing to wait for
    expect(bench().now().waited).toBe(waited);
    page = await BenchPage.open(BenchPlace);
    expect(bench().now().waited).toBe(waited);
  });

  it('sets the screw of a friction peg by T and Y as by its buttons, tells one that turns back, and turns it by the degree', async () => {
    await open('ukulele-soprano', 4471);
    expect(page.text).toContain('peg turns lightly');
    const [before = 0] = [bench().now().pegs[0] ?? 0];
    await press('t');
    await page.press('ease');
    expect((bench().now().pegs[0] ?? 0) / before).toBeCloseTo(1, 9);
    for (const key of [' ', ' ']) await press(key);
    await page.press('knot drawn tight, down in its slot');
    await straight();
    for (let turn = 0; turn < 24; turn++) await press('ArrowRight');
    expect(bench().now().lost).toEqual([]); // it turns back before anything breaks
    expect(page.text).toMatch(/1: Its peg turns back by itself Its screw holds up to \d+ N/);
    for (let eighth = 0; eighth < 2; eighth++) await press('t');
    expect(page.text).toContain('peg turns firmly');
    const { button } = (bench().on() as { state: { button: number } }).state;
    await press('ArrowRight', { altKey: true });
    expect(360 * ((bench().on() as { state: { button: number } }).state.button - button)).toBeCloseTo(1, 6);
    await open('ukulele-concert', 4471);
    expect(page.text).not.toContain('peg turns');
  });

  it('goes on turning while a button of the dial is held, and counts the press that ends it once', async () => {
    await open();
    const turned = () => (bench().on() as { state: { button: number } }).state.button;
    const eighth = page.element.querySelector('[aria-label="an eighth down"]') as HTMLButtonElement;
    eighth.click(); // takes up the slack of the gears
    const from = turned();
    eighth.click();
    expect(from - turned()).toBeCloseTo(1 / 8, 6);
    for (let finger = 0; finger < 2; finger++) eighth.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
    await vi.waitFor(() => expect(from - turned()).toBeGreaterThan(0.4), { timeout: 4000 });
    eighth.dispatchEvent(new PointerEvent('pointerup', { bubbles: true }));
    const held = turned();
    eighth.dispatchEvent(new MouseEvent('click', { detail: 1 })); // the browser's, of that very press
    expect(turned()).toBe(held);
    await new Promise((done) => setTimeout(done, 300));
    expect(turned()).toBe(held);
    eighth.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
    await vi.waitFor(() => expect(held - turned()).toBeGreaterThan(0.1), { timeout: 4000 });
    eighth.dispatchEvent(new PointerEvent('pointerleave')); // and lifted elsewhere: no press comes of it
    const left = turned();
    eighth.click(); // Enter
    expect(left - turned()).toBeCloseTo(1 / 8, 6);
  });

  it('asks before it lays aside what is begun', async () => {
    await open('ukulele-concert', 12);
    page.instance['pick']('mandolin');
    expect(bench().restring().kind).toBe('mandolin'); // nothing was done yet
    await press(' ');
    page.instance['pick']('classical');
    await page.settle();
    expect(bench().restring().kind).toBe('mandolin');
    await page.press('go on with it');
    expect(page.text).not.toContain('Lay this one aside');
    page.instance['pick']('classical');
    await page.settle();
    await page.press('lay it aside');
    expect([bench().restring().kind, bench().isBegun()]).toEqual(['classical', false]);
  });

  it('behind a nut that is shut arrows turn the fine tuner, and N opens it', async () => {
    await open('electric-double-locking', 5);
    const before = bench().cents()[0] ?? 0;
    await press('ArrowRight');
    expect(bench().cents()[0]).toBeGreaterThan(before);
    expect(page.text).toContain('fine tuner behind it');
    await press('n');
    await press('k');
    expect([bench().now().nutShut, bench().now().blocked]).toEqual([false, true]);
  });

  it('takes no numbers from the tuner by ear and by touch; by touch it gives as much as it pulls little', async () => {
    await open();
    expect(page.text).toContain('In a week: once a string was judged.');
    expect(page.text).toContain('329.6');
    bench().tells.set('ear');
    await page.settle();
    expect(page.text).not.toContain('329.6');
    expect(page.element.querySelector('.cents')?.textContent).toBe('');
    bench().tells.set('touch');
    await page.settle();
    const { plan, scale } = bench().to();
    // two sides of a flat triangle: y = F L / 4 T, a push of two newtons
    expect(page.text).toContain(`${((1000 * 2 * scale) / (4 * plan.load.pull)).toFixed(1)} mmof`);
  });

  it('leaves keys to what has the focus, and to the browser', async () => {
    await open();
    const select = page.element.querySelector('[role=combobox]') as Element;
    expect((await press('e', {}, select)).defaultPrevented).toBe(false);
    expect((await press(' ', {}, page.button('cut it'))).defaultPrevented).toBe(false);
    expect((await press('e', { ctrlKey: true })).defaultPrevented).toBe(false);
    expect((await press('q')).defaultPrevented).toBe(false);
    expect(bench().isBegun()).toBe(false);
  });
});
