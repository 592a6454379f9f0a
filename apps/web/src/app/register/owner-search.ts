import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Owner } from '@gold-peg/contract/register';
import { catchError, debounceTime, distinctUntilChanged, from, of, Subject, switchMap } from 'rxjs';
import { Api } from '../server/api';

/** Typing settles before the server is asked. */
export const TYPING_MS = 150;
const SHOWN = 20;

/** Owners whose name holds what is being typed. */
@Injectable()
export class OwnerSearch {
  private readonly api = inject(Api);
  private readonly typed = new Subject<string>();
  readonly found = signal<readonly Owner[]>([]);

  constructor() {
    this.typed
      .pipe(
        debounceTime(TYPING_MS),
        distinctUntilChanged(),
        switchMap((search) => from(this.look(search)).pipe(catchError(() => of([])))), // away: what is typed stands as it is
        takeUntilDestroyed(),
      )
      .subscribe((owners) => this.found.set(owners));
    this.type('');
  }

  type(name: string): void {
    this.typed.next(name.trim());
  }

  /** The owner of just that name, whatever its capitals; undefined where there is none. */
  async named(name: string): Promise<Owner | undefined> {
    const wanted = name.trim().toLowerCase();
    return (await this.look(name.trim())).find((owner) => owner.name.toLowerCase() === wanted);
  }

  private look(search: string): Promise<Owner[]> {
    return this.api.call('listOwners', { query: { search, limit: SHOWN } }).then(({ owners }) => owners);
  }
}
