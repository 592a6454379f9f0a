import { TestBed } from '@angular/core/testing';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { HeldKeys } from './held-keys';

let box: HTMLElement;
beforeEach(() => {
  TestBed.inject(HeldKeys);
  box = document.createElement('div');
  box.innerHTML = '<button>Order</button><input type="text"><textarea></textarea>';
  document.body.append(box);
});
afterEach(() => box.remove());

/** Whether the browser would act on it. */
function acts(selector: string, key: string, repeat: boolean): boolean {
  const event = new KeyboardEvent('keydown', { key, repeat, bubbles: true, cancelable: true });
  box.querySelector(selector)?.dispatchEvent(event);
  return !event.defaultPrevented;
}

describe('a key that is held', () => {
  it('presses a button and sends a form once', () => {
    for (const selector of ['button', 'input']) {
      expect(acts(selector, 'Enter', false)).toBe(true);
      expect(acts(selector, 'Enter', true)).toBe(false);
    }
  });

  it('goes on writing where one writes', () => {
    expect(acts('input', ' ', true)).toBe(true);
    expect(acts('input', 'Backspace', true)).toBe(true);
    expect(acts('textarea', 'Enter', true)).toBe(true);
  });
});
