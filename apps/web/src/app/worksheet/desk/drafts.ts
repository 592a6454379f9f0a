import { computed, effect, inject, Injectable, signal, untracked, type Signal } from '@angular/core';
import { WorksheetFiles } from './worksheet-files';

const KEPT = 'gold-peg.typed';

/** What is typed into one field and not kept yet, for whatever the field speaks of now. */
export interface Draft<T> {
  /** As typed; as it stands where nothing was. */
  readonly value: Signal<T>;
  readonly isTyped: Signal<boolean>;
  type(value: T): void;
  /** Call before anything is awaited: what it hands back forgets what was typed for what the field spoke of then. */
  forgetter(): () => void;
}

/**
 * What is typed at a worksheet and not kept yet. A number typed for one string is shown, and can be kept, with that string in hand only; it waits there while
 * others are worked on, and while the page is loaded anew.
 */
@Injectable()
export class Drafts {
  private readonly files = inject(WorksheetFiles);
  private readonly typed = signal<ReadonlyMap<string, unknown>>(
    new Map(JSON.parse(sessionStorage.getItem(KEPT) ?? '[]') as [string, unknown][]),
  );

  constructor() {
    effect(() => sessionStorage.setItem(KEPT, JSON.stringify([...this.typed()])));
  }

  /** `of`: the field, with the string that it speaks of. `stands`: what the log says. */
  draft<T>(of: () => string, stands: () => T): Draft<T> {
    const key = computed(() => `${this.files.file()?.job.id ?? ''} ${of()}`);
    const isTyped = computed(() => this.typed().has(key()));
    return {
      isTyped,
      value: computed(() => (isTyped() ? (this.typed().get(key()) as T) : stands())),
      type: (value) => this.typed.update((typed) => new Map(typed).set(untracked(key), value)),
      forgetter: () => {
        const then = untracked(key);
        return () => this.typed.update((typed) => new Map([...typed].filter(([each]) => each !== then)));
      },
    };
  }
}
