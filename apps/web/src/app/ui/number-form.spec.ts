import { TestBed } from '@angular/core/testing';
import { expect, it } from 'vitest';
import { userEvent } from 'vitest/browser';
import { NumberForm } from './number-form';

it('keeps what was typed and gives the keys back; what is refused stays in the field, with the reason', async () => {
  const form = TestBed.createComponent(NumberForm);
  const typed: (number | null)[] = [];
  const set = (inputs: Record<string, unknown>) =>
    Object.entries(inputs).forEach(([name, value]) => form.componentRef.setInput(name, value));
  set({ field: 'turns', label: 'turns', does: 'count', value: null, keep: () => Promise.resolve(false) });
  form.componentInstance.valueChange.subscribe((value) => {
    typed.push(value);
    set({ value });
  });
  await form.whenStable();
  const element = form.nativeElement as HTMLElement;
  document.body.append(element);
  const field = element.querySelector<HTMLInputElement>('input');
  if (field === null) throw new Error('no field');
  field.focus();
  await userEvent.keyboard('2.5{Enter}');
  set({ fault: 'Too many.' });
  await form.whenStable();
  expect([document.activeElement, field.value, typed.at(-1)]).toEqual([field, '2.5', 2.5]);
  const says = element.querySelector('[role=alert]');
  expect(says?.textContent).toContain('Too many.');
  expect([field.getAttribute('aria-invalid'), field.getAttribute('aria-describedby')]).toEqual(['true', says?.id]);
  set({ fault: null, keep: () => Promise.resolve(true) });
  await userEvent.keyboard('{Enter}');
  await form.whenStable();
  expect(document.activeElement).not.toBe(field);
  expect([field.getAttribute('aria-invalid'), element.querySelector('[role=alert]')]).toEqual(['false', null]);
  set({ disabled: true });
  await form.whenStable();
  expect(field.disabled).toBe(true);
  element.remove();
});
