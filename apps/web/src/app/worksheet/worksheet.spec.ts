import { TestBed } from '@angular/core/testing';
import { provideRouter, Router, withComponentInputBinding } from '@angular/router';
import { RouterTestingHarness } from '@angular/router/testing';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { routes } from '../app.routes';
import { Session } from '../session/session';
import { jobId, person, setOf, setupWith, WorksheetBench } from '../testing/worksheet-bench';
import { WorksheetPlace } from './worksheet';

const SET = 'electric-nickel-10-13-17-26w-36w-46w';
let bench: WorksheetBench;
let harness: RouterTestingHarness;

const press = (key: string, repeat = false) => document.dispatchEvent(new KeyboardEvent('keydown', { key, repeat, bubbles: true }));
const opened = (stage: string) =>
  vi.waitFor(
    () => {
      harness.detectChanges();
      expect(TestBed.inject(Router).url).toBe(`/worksheet/${jobId}/${stage}`);
      expect(harness.routeNativeElement?.textContent).toContain('A six');
    },
    { timeout: 8000 },
  );

beforeEach(async () => {
  TestBed.configureTestingModule({ providers: [provideRouter(routes, withComponentInputBinding())] });
  bench = await WorksheetBench.open({ current: setupWith(setOf(SET)) });
  harness = await RouterTestingHarness.create();
});
afterEach(() => bench.close());

describe('the address of a worksheet', () => {
  it('without a stage leads to the one the work has come to, and the worksheet that opened stays', async () => {
    const place = await harness.navigateByUrl(`/worksheet/${jobId}`, WorksheetPlace);
    await opened('choose');
    expect(harness.routeDebugElement?.componentInstance).toBe(place);
    await harness.navigateByUrl(`/worksheet/${jobId}/strip`);
    await opened('strip');
    expect(harness.routeDebugElement?.componentInstance).toBe(place);
  });

  it('with a stage that there is not leads there as well', async () => {
    await harness.navigateByUrl(`/worksheet/${jobId}/polish`);
    await opened('choose');
  });
});

describe('a key', () => {
  it('does nothing before the strings are laid out, and its work from then on', async () => {
    await harness.navigateByUrl(`/worksheet/${jobId}/choose`);
    press(' ');
    await opened('choose');
    expect(bench.logged).toEqual([]);
    press(' ');
    await opened('ready');
    expect(bench.logged.map(({ kind }) => kind)).toEqual(['set-chosen']);
  });

  it('acts on the stage that the one before led to, however fast they come', async () => {
    await harness.navigateByUrl(`/worksheet/${jobId}/choose`);
    await opened('choose');
    for (let presses = 0; presses < 4; presses++) press('ArrowRight');
    await opened('anchor');
    press('ArrowLeft');
    await opened('look-over');
  });

  it('that is held acts once, and a step is never taken twice', async () => {
    await harness.navigateByUrl(`/worksheet/${jobId}/choose`);
    await opened('choose');
    press(' ');
    for (let repeats = 0; repeats < 30; repeats++) press(' ', true);
    await opened('ready');
    for (let presses = 0; presses < 3; presses++) press(' '); // faster than the device writes down
    await vi.waitFor(() => expect(bench.logged).toHaveLength(4), { timeout: 8000 });
    const [chosen, ...laid] = bench.logged;
    expect(chosen?.kind).toBe('set-chosen');
    expect(new Set(laid.map((event) => `${event.kind} ${'string' in event ? event.string : ''}`)).size).toBe(3);
  });

  it('of somebody at the counter ticks nothing and takes nothing back: who only looks is offered no step', async () => {
    await harness.navigateByUrl(`/worksheet/${jobId}/choose`);
    await opened('choose');
    press(' ');
    await opened('ready');
    TestBed.inject(Session).person.set({ ...person, role: 'counter' });
    for (const key of [' ', 'Backspace', 'x']) press(key);
    press('ArrowRight'); // comes after them, and may look
    await opened('strip');
    expect(bench.logged.map(({ kind }) => kind)).toEqual(['set-chosen']);
    expect(harness.routeNativeElement?.textContent).toContain('You are looking');
  });
});
