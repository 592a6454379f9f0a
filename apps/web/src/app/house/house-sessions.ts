import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { type FormGroupDirective, NonNullableFormBuilder, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { deviceDraft, type BenchDevice, type OpenSession } from '@gold-peg/contract/people';
import { v7 as uuidV7 } from 'uuid';
import { heldTo, readForm, sayRefusal } from '../form';
import { Api } from '../server/api';
import { HouseClock } from '../server/house-clock';
import { sayProblem } from '../server/server-problem';
import { Session } from '../session/session';
import { ago } from './house-words';

/** Where people are signed in, device by device; and devices of the bench, on which they change by a code. */
@Component({
  selector: 'peg-house-sessions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `
    <h2>Signed in</h2>
    <ul class="list">
      @for (session of shown(); track session.id) {
        <li>
          <span class="grow"
            ><b>{{ session.name }}</b
            >{{ session.own ? ', here' : '' }}<small>{{ session.says }}</small></span
          >
          @if (!session.own) {
            <button
              matButton
              type="button"
              class="quiet"
              [attr.aria-label]="'End ' + session.name + ' on ' + session.device"
              (click)="end(session.id)"
            >
              end
            </button>
          }
        </li>
      }
    </ul>
    @if (othersOfMine()) {
      <button matButton type="button" class="quiet" (click)="endMine()">end all of mine but this</button>
    }
    @if (devices(); as benches) {
      <h3>Devices of the bench</h3>
      <ul class="list">
        @for (device of benches; track device.id) {
          <li>
            <span class="grow"
              ><b>{{ device.name }}</b
              >{{ device.here ? ', this one' : '' }}<small>people change here by a code</small></span
            >
            <button
              matButton
              type="button"
              class="quiet"
              [attr.aria-label]="device.name + ' is none of the bench any more'"
              (click)="withdraw(device.id)"
            >
              take away
            </button>
          </li>
        } @empty {
          <li class="soft">None yet: where one is allowed, people change by a short code.</li>
        }
      </ul>
      <form [formGroup]="form" (ngSubmit)="allow(of)" #of="ngForm" novalidate>
        <label
          >Let this device be one of the bench, called
          <mat-form-field
            ><input matInput formControlName="name" placeholder="bench 2" autocomplete="off" /><mat-error
              >It {{ form.controls.name.getError('says') }}</mat-error
            ></mat-form-field
          >
        </label>
        <button matButton type="submit" class="quiet">allow this device</button>
      </form>
    }
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }
  `,
  styleUrl: './house-panel.scss',
})
export class HouseSessions {
  private readonly api = inject(Api);
  private readonly clock = inject(HouseClock);
  private readonly me = inject(Session).person;
  readonly sessions = input.required<readonly OpenSession[]>();
  /** Null for who may not allow any. */
  readonly devices = input<readonly BenchDevice[] | null>(null);
  readonly changed = output();
  protected readonly fault = signal<string | null>(null);
  protected readonly form = inject(NonNullableFormBuilder).group({ name: ['', heldTo(deviceDraft.shape.name)] });

  protected readonly shown = computed(() =>
    this.sessions().map(({ id, person, device, byCode, since, seen, own }) => ({
      ...{ id, own, device, name: person.name },
      says: `${device}, by ${byCode ? 'code' : 'passphrase'} ${ago(since, new Date(this.clock.now()))}; used ${ago(seen, new Date(this.clock.now()))}`,
    })),
  );
  protected readonly othersOfMine = computed(() => this.sessions().some(({ own, person }) => !own && person.id === this.me()?.id));

  protected end(id: string): Promise<void> {
    return this.attempt(() => this.api.call('endSession', { params: { id } }));
  }

  protected endMine(): Promise<void> {
    return this.attempt(() => this.api.call('endSessions', { params: { id: this.me()?.id ?? '' } }));
  }

  protected withdraw(id: string): Promise<void> {
    return this.attempt(() => this.api.call('withdrawDevice', { params: { id } }));
  }

  protected async allow(of: FormGroupDirective): Promise<void> {
    this.fault.set(null);
    const draft = readForm(this.form, deviceDraft.omit({ id: true }));
    if (draft === null) return;
    try {
      await this.api.call('allowDevice', { body: { id: uuidV7(), ...draft } });
      of.resetForm();
    } catch (error) {
      this.fault.set(sayRefusal(this.form, error));
    }
    this.changed.emit();
  }

  private async attempt(act: () => Promise<unknown>): Promise<void> {
    this.fault.set(null);
    try {
      await act();
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
    this.changed.emit();
  }
}
