import { DOCUMENT, effect, inject, Injectable } from '@angular/core';
import { Session } from '../session/session';

/** Puts the person's theme on the page. */
@Injectable({ providedIn: 'root' })
export class Theme {
  constructor() {
    const page = inject(DOCUMENT).documentElement;
    const { preferences } = inject(Session);
    effect(() => page.setAttribute('data-theme', preferences().theme));
  }
}
