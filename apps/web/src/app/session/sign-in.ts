import type { ElementRef } from '@angular/core';
import { afterNextRender, ChangeDetectionStrategy, Component, inject, Injector, signal, viewChild } from '@angular/core';
import { NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { signIn } from '@gold-peg/contract/people';
import { sayProblem } from '../server/server-problem';
import { heldTo, readForm, sayRefusal } from '../form';
import { Session } from './session';

@Component({
  selector: 'peg-sign-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `
    <main>
      <svg viewBox="0 0 40 50" width="72" height="90" aria-hidden="true">
        <ellipse cx="20" cy="14" rx="14" ry="11" />
        <path d="M14 23h12l-1.6 6h-8.8z" />
        <rect x="17" y="30" width="6" height="17" rx="1" />
      </svg>
      <h1>Gold Peg</h1>
      <p class="soft">Strings by the numbers, packet to passport.</p>
      @if (session.bench(); as bench) {
        <section class="bench" aria-labelledby="bench-heading">
          <h2 id="bench-heading">{{ bench.name }}</h2>
          @for (person of bench.people; track person.id) {
            <button
              matButton
              type="button"
              class="person"
              [attr.aria-pressed]="chosen() === person.id"
              [class.chosen]="chosen() === person.id"
              (click)="choose(person.id)"
            >
              {{ person.name }}
            </button>
          } @empty {
            <p class="soft">Nobody has a code yet: everybody chooses their own at House.</p>
          }
          @if (chosen() !== null) {
            <form [formGroup]="code" (ngSubmit)="enterByCode()" novalidate>
              <label for="code">Code</label>
              <mat-form-field>
                <input #codeField matInput id="code" type="password" inputmode="numeric" autocomplete="off" formControlName="code" />
              </mat-form-field>
              @if (codeFault(); as says) {
                <p class="fault" role="alert">{{ says }}</p>
              }
              <button matButton="filled" class="act" type="submit" [disabled]="busy()">To the bench</button>
            </form>
          }
          <p class="soft">Or with the passphrase, for the office:</p>
        </section>
      }
      <form [formGroup]="form" (ngSubmit)="enter()" novalidate>
        <label for="name">Name</label>
        <mat-form-field>
          <input matInput id="name" autocomplete="username" formControlName="name" />
          <mat-error>Name {{ form.controls.name.getError('says') }}</mat-error>
        </mat-form-field>
        <label for="passphrase">Passphrase</label>
        <mat-form-field>
          <input matInput id="passphrase" type="password" autocomplete="current-password" formControlName="passphrase" />
          <mat-error>Passphrase {{ form.controls.passphrase.getError('says') }}</mat-error>
        </mat-form-field>
        @if (fault(); as says) {
          <p class="fault" role="alert">{{ says }}</p>
        }
        <button matButton="filled" class="act" type="submit" [disabled]="busy()">Open the workshop</button>
        @if (session.demoSignIn(); as demo) {
          <button matButton class="quiet" type="button" (click)="useDemo()">Demo: enter as {{ demo.name }}</button>
        }
      </form>
    </main>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 76px 1fr;
      min-height: 100vh;
      background: linear-gradient(90deg, var(--fingerboard) 73px, var(--fret) 73px 76px, var(--paper) 76px);
    }

    main {
      grid-column: 2;
      width: 340px;
      margin: 9vh auto;
    }

    svg {
      fill: var(--brass-line);
    }

    h1 {
      margin-top: var(--space-3);
      font-size: 40px;
    }

    form {
      display: grid;
      gap: var(--space-1);
      margin-top: var(--space-5);
    }

    label {
      margin-top: var(--space-2);
      font-weight: 600;
    }

    .act {
      margin-top: var(--space-4);
    }

    .bench {
      margin-top: var(--space-5);
    }

    .person {
      display: block;
      width: 100%;
      min-height: 52px;
      border: 1px solid var(--line-strong);
      margin-bottom: 6px;
    }

    .chosen {
      border-color: var(--brass-line);
      background: var(--paper-bright);
    }

    .fault {
      margin: var(--space-2) 0 0;
      color: var(--oxide);
    }
  `,
})
export class SignIn {
  protected readonly session = inject(Session);
  private readonly injector = inject(Injector);
  protected readonly form = inject(NonNullableFormBuilder).group({
    name: ['', heldTo(signIn.shape.name)],
    passphrase: ['', heldTo(signIn.shape.passphrase)],
  });
  protected readonly fault = signal('');
  protected readonly busy = signal(false);

  protected readonly chosen = signal<string | null>(null);
  protected readonly codeFault = signal('');
  protected readonly code = inject(NonNullableFormBuilder).group({ code: '' });
  private readonly codeField = viewChild<ElementRef<HTMLInputElement>>('codeField');

  protected choose(personId: string): void {
    this.chosen.set(personId);
    this.codeFault.set('');
    this.code.reset();
    afterNextRender(() => this.codeField()?.nativeElement.focus(), { injector: this.injector });
  }

  protected async enterByCode(): Promise<void> {
    const personId = this.chosen();
    if (personId === null || this.busy()) return;
    this.busy.set(true);
    try {
      await this.session.signInByCode(personId, this.code.getRawValue().code);
    } catch (error) {
      this.codeFault.set(sayProblem(error));
      this.code.reset();
    } finally {
      this.busy.set(false);
    }
  }

  protected useDemo(): void {
    const demo = this.session.demoSignIn();
    if (demo === null) return;
    this.form.setValue(demo);
    void this.enter();
  }

  protected async enter(): Promise<void> {
    this.fault.set('');
    const typed = readForm(this.form, signIn);
    if (typed === null || this.busy()) return;
    this.busy.set(true);
    try {
      await this.session.signIn(typed.name, typed.passphrase);
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    } finally {
      this.busy.set(false);
    }
  }
}
