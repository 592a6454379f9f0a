import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { userEvent } from 'vitest/browser';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { NumberField } from './number-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField],
  template: `<input [pegNumber]="rounded()" (pegNumberChange)="kept.set($event)" />`,
})
class Page {
  readonly kept = signal<number | null>(61);
  readonly rounded = () => (this.kept() === null ? null : Math.round(Number(this.kept()) * 10) / 10);
}

let page: Page;
let input: HTMLInputElement;
beforeEach(() => {
  const fixture = TestBed.createComponent(Page);
  fixture.autoDetectChanges();
  page = fixture.componentInstance;
  input = (fixture.nativeElement as HTMLElement).querySelector('input') as HTMLInputElement;
  document.body.append(fixture.nativeElement as HTMLElement);
  TestBed.tick();
});
afterEach(() => input.remove());

it.each([
  ['.025', 0.025, '0'],
  ['-0.5', -0.5, '-0.5'],
  ['61.26', 61.26, '61.3'],
])('leaves %s as it is typed, key by key, and shows what was made of it once it is left', async (keys, number, after) => {
  expect(input.value).toBe('61');
  await userEvent.clear(input);
  expect(page.kept()).toBeNull();
  await userEvent.type(input, keys);
  expect([input.value, page.kept()]).toEqual([keys, number]);
  input.blur();
  await expect.poll(() => input.value).toBe(after);
});
