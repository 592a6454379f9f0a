import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';

/** Where the code on a card or a case leads: to the passport of that number. */
@Component({
  selector: 'peg-by-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlaceHeader, Trouble, UnderWay],
  template: `<peg-place-header heading="Passport" />
    @if (trouble(); as says) {
      <peg-trouble [says]="says" (again)="open(number())" />
    } @else {
      <peg-under-way says="Opening the passport …" />
    }`,
})
export class ByNumber {
  readonly number = input.required<string>();
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly trouble = signal<string | null>(null);

  constructor() {
    effect(() => void this.open(this.number()));
  }

  protected async open(number: string): Promise<void> {
    this.trouble.set(null);
    const passport = /^\d{1,9}$/.test(number) ? Number(number) : null;
    try {
      // the one after the passport before it
      const query = { after: Math.max(0, (passport ?? 1) - 1), limit: 1 };
      const [found] = passport === null ? [] : (await this.api.call('listInstruments', { query })).instruments;
      if (found === undefined || found.passport !== passport) return this.trouble.set(`There is no passport ${number} in this register.`);
      await this.router.navigate(['/register', found.id], { replaceUrl: true });
    } catch (error) {
      this.trouble.set(sayProblem(error));
    }
  }
}
