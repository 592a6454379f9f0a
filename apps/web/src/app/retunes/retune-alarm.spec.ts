import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { RetuneAlarm, RetuneTimes } from '.';

beforeEach(() => localStorage.clear());
afterEach(() => {
  localStorage.clear();
  vi.unstubAllGlobals();
});

it('says which instrument and strings are due, tells the device once, and is put off', async () => {
  const told = vi.fn();
  vi.stubGlobal('Notification', class {
    static permission = 'granted';
    constructor(...said: unknown[]) {
      told(...said);
    }
  }); // prettier-ignore
  TestBed.configureTestingModule({ providers: [provideRouter([])] });
  const times = TestBed.inject(RetuneTimes);
  const page = TestBed.createComponent(RetuneAlarm);
  times.set('job', { passport: 98, name: 'A classical', strings: [1, 2], at: Date.now() - 1000 });
  await page.whenStable();
  const text = () => (page.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');
  expect(text()).toContain('Tune passport 0098 again: A classical, strings 1, 2.');
  expect(told).toHaveBeenCalledExactlyOnceWith('Tune passport 0098 again:', { body: 'A classical, strings 1, 2', tag: 'job' });
  [...(page.nativeElement as HTMLElement).querySelectorAll('button')].find(({ textContent }) => textContent.includes('10 min'))?.click();
  await page.whenStable();
  expect(text().trim()).toBe('');
});
