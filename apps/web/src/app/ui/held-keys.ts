import { DOCUMENT, inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { fromEvent } from 'rxjs';

/** A browser presses a button, and sends a form, once more for every repeat of a key that is held. Here a held key acts once; writing goes on as ever. */
@Injectable({ providedIn: 'root' })
export class HeldKeys {
  constructor() {
    fromEvent<KeyboardEvent>(inject(DOCUMENT), 'keydown', { capture: true })
      .pipe(takeUntilDestroyed())
      .subscribe((event) => {
        if (!event.repeat || (event.key !== 'Enter' && event.key !== ' ')) return;
        const element = event.target as Element | null;
        const writes = event.key === ' ' ? 'input:not([type=checkbox], [type=radio]), textarea' : 'textarea';
        if (element?.closest(`${writes}, [contenteditable]`) != null) return;
        event.preventDefault();
        event.stopPropagation();
      });
  }
}
