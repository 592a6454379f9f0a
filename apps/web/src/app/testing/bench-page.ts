import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { vi } from 'vitest';

/** A component as somebody at the bench meets it: buttons by what they say, fields by their label. */
export class BenchPage<T> {
  private constructor(
    private readonly fixture: ComponentFixture<T>,
    private readonly rest: () => Promise<void>,
  ) {}

  /** `rest`: what has to come to rest before one looks again. */
  static async open<T>(component: Type<T>, inputs: Record<string, unknown> = {}, rest = () => Promise.resolve()): Promise<BenchPage<T>> {
    const fixture = TestBed.createComponent(component);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    const page = new BenchPage(fixture, rest);
    await page.settle();
    return page;
  }

  get instance(): T {
    return this.fixture.componentInstance;
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  /** What can be read, on one line. */
  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ');
  }

  alert(): string {
    return (this.element.querySelector('[role=alert]')?.textContent ?? '').trim();
  }

  async settle(): Promise<void> {
    await this.rest();
    await this.fixture.whenStable();
    this.fixture.detectChanges();
    await this.fixture.whenStable();
    if (this.element.querySelector('cdk-virtual-scroll-viewport') === null) return;
    await new Promise(requestAnimationFrame); // long tables are drawn a frame later
    await new Promise(requestAnimationFrame);
    this.fixture.detectChanges();
  }

  button(says: string): HTMLButtonElement {
    const found = [...this.element.querySelectorAll('button')].find(({ textContent, ariaLabel }) =>
      (ariaLabel ?? textContent).trim().startsWith(says),
    );
    if (found === undefined) throw new Error(`no button says ${says}`);
    return found;
  }

  async press(says: string): Promise<void> {
    this.button(says).click();
    await this.settle();
  }

  field(label: string): HTMLInputElement {
    const labelled = [...this.element.querySelectorAll('label')].find(({ textContent }) => textContent.trim() === label);
    const found =
      this.element.querySelector<HTMLInputElement>(`input[aria-label="${label}"]`) ??
      (labelled === undefined ? null : this.element.querySelector<HTMLInputElement>(`#${labelled.htmlFor}`));
    if (found === null) throw new Error(`no field ${label}`);
    return found;
  }

  async type(label: string, text: string): Promise<void> {
    const input = this.field(label);
    input.value = text;
    for (const event of ['input', 'change']) input.dispatchEvent(new Event(event));
    await this.settle();
  }

  /** Picks from a list by the words that stand in it. */
  async choose(id: string, words: string): Promise<void> {
    this.element.querySelector<HTMLElement>(`#${id}`)?.click();
    await this.settle();
    const option = [...document.querySelectorAll<HTMLElement>('mat-option')].find(({ textContent }) => textContent.trim() === words);
    if (option === undefined) throw new Error(`no ${words} in ${id}`);
    option.click();
    await this.settle();
  }

  /** Looks again and again until `seen` finds nothing missing: what goes through IndexedDB takes its time on a busy machine. */
  async until(seen: () => void): Promise<void> {
    await vi.waitFor(
      async () => {
        await this.settle();
        seen();
      },
      { timeout: 8000 },
    );
  }

  async submit(): Promise<void> {
    this.element.querySelector('form')?.dispatchEvent(new Event('submit'));
    await this.settle();
  }
}
