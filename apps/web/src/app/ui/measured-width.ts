import { DestroyRef, Directive, ElementRef, inject, output } from '@angular/core';

/** Tells the width of its element, px, at first and whenever it changes. */
@Directive({ selector: '[pegWidth]' })
export class MeasuredWidth {
  readonly pegWidth = output<number>();

  constructor() {
    const element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const observer = new ResizeObserver(([entry]) => {
      if (entry !== undefined) this.pegWidth.emit(Math.round(entry.contentRect.width));
    });
    observer.observe(element);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }
}
