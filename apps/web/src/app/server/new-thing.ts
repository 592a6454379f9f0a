import { signal } from '@angular/core';
import { v7 as uuidV7 } from 'uuid';

/**
 * Asks for something new once, however often the button is pressed: while it is asked for, another press does nothing, and a try after a fault bears the same id, so
 * that a server which had heard the first makes no second.
 */
export class NewThing {
  readonly busy = signal(false);
  private id = uuidV7();

  /** Null where it is being asked for already. Throws what `ask` throws. */
  async make<T>(ask: (id: string) => Promise<T>): Promise<T | null> {
    if (this.busy()) return null;
    this.busy.set(true);
    try {
      const made = await ask(this.id);
      this.id = uuidV7();
      return made;
    } finally {
      this.busy.set(false);
    }
  }
}
