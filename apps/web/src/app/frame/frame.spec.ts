import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { expect, it } from 'vitest';
import { BenchPage } from '../testing/bench-page';
import { Frame } from './frame';

it('says that a place could not be opened, until one is', async () => {
  const gone = { path: 'gone', loadComponent: () => Promise.reject(new TypeError('Failed to fetch dynamically imported module')) };
  await TestBed.configureTestingModule({ imports: [Frame], providers: [provideRouter([gone, { path: '', children: [] }])] }).compileComponents(); // prettier-ignore
  const page = await BenchPage.open(Frame);
  const router = TestBed.inject(Router);
  await router.navigateByUrl('/gone').catch(() => null);
  await page.settle();
  expect(page.alert()).toContain('This place could not be opened');
  expect(page.element.querySelector('[role=alert] a')?.getAttribute('href')).toBe('/gone');
  await router.navigateByUrl('/');
  await page.settle();
  expect(page.alert()).toBe('');
});
