import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatInputModule } from '@angular/material/input';
import { MatTimepickerModule } from '@angular/material/timepicker';
import { Router } from '@angular/router';
import { jobDraft } from '@gold-peg/contract/jobs';
import type { Passport } from '@gold-peg/contract/register';
import { DateTime } from 'luxon';
import { heldTo, sayRefusal } from '../form';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { ServerProblem } from '../server/server-problem';
import { HonestPromise } from '../day';
import { LUXON_DATES } from '../ui/luxon-dates';
import { houseZone } from '../server/house-zone';

/** A day that is picked without a time means its end, as people say it. */
const END_OF_DAY = { hour: 17, minute: 30 };

/** Takes an instrument in: why, and for when it is promised. */
@Component({
  selector: 'peg-take-in',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HonestPromise, MatButtonModule, MatDatepickerModule, MatInputModule, MatTimepickerModule, ReactiveFormsModule],
  providers: [LUXON_DATES],
  template: `
    <form [formGroup]="form" (ngSubmit)="take()">
      <label for="reason">Why now?</label>
      <mat-form-field>
        <input matInput id="reason" placeholder="dull, broken string, a gig …" formControlName="reason" />
        <mat-error>Why now {{ form.controls.reason.getError('says') }}</mat-error>
      </mat-form-field>
      <label for="promised">Promised for</label>
      <div class="when">
        <mat-form-field>
          <input matInput id="promised" placeholder="no hurry" [matDatepicker]="day" formControlName="promised" />
          <mat-datepicker-toggle matIconSuffix [for]="day" />
          <mat-datepicker #day />
        </mat-form-field>
        <mat-form-field>
          <input matInput aria-label="at" placeholder="at" [matTimepicker]="time" formControlName="promised" />
          <mat-timepicker-toggle matIconSuffix [for]="time" />
          <mat-timepicker #time interval="30m" />
        </mat-form-field>
      </div>
      @if (form.controls.promised.hasError('matDatepickerParse')) {
        <p class="fault" role="alert">Promised for must be a day such as 28/11/2026.</p>
      } @else if (form.controls.promised.hasError('matTimepickerParse')) {
        <p class="fault" role="alert">The time must be such as 17:30.</p>
      }
      <peg-honest-promise [instrumentId]="passport().id" [wanted]="wanted()" (offered)="offer($event)" />
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button matButton="filled" class="act" type="submit" [disabled]="busy()">Take it in</button>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 6px;
      margin-top: 8px;
    }

    label {
      margin-top: 6px;
      font-weight: 600;
    }

    .when {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: var(--space-2);
    }

    .act {
      margin-top: 10px;
    }

    .fault {
      margin: 6px 0 0;
      color: var(--oxide);
    }
  `,
})
export class TakeIn {
  readonly passport = input.required<Passport>();
  /** It is in the workshop already: somebody else took it in. */
  readonly wasTaken = output();

  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly newJob = new NewThing();
  protected readonly busy = this.newJob.busy;
  protected readonly fault = signal('');
  protected readonly form = new FormGroup({
    reason: new FormControl('', { nonNullable: true, validators: heldTo(jobDraft.shape.reason) }),
    promised: new FormControl<DateTime | null>(null),
  });
  private readonly honest = viewChild(HonestPromise);
  private readonly promised = toSignal(this.form.controls.promised.valueChanges, { initialValue: null });

  protected readonly wanted = computed(() => {
    const promised = this.promised();
    return promised?.isValid === true ? promised.toJSDate().toISOString() : null;
  });

  constructor() {
    const { promised } = this.form.controls;
    let time = END_OF_DAY;
    promised.valueChanges.pipe(takeUntilDestroyed()).subscribe((at) => {
      if (at?.isValid !== true) return;
      // a day that is picked comes with its midnight, where nobody fetches anything: another day keeps the time of before
      if (at.hour === 0 && at.minute === 0) promised.setValue(at.set(time));
      else time = { hour: at.hour, minute: at.minute };
    });
  }

  protected offer(at: Date): void {
    this.form.controls.promised.setValue(DateTime.fromJSDate(at, { zone: houseZone() }));
  }

  protected async take(): Promise<void> {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    this.fault.set('');
    const { reason, promised } = this.form.getRawValue();
    const body = {
      instrumentId: this.passport().id,
      reason: [reason.trim(), this.honest()?.way()?.does ?? ''].filter((part) => part !== '').join('; '),
      promisedAt: promised?.toJSDate().toISOString() ?? null,
      promisedChance: promised === null ? null : (this.honest()?.stated() ?? null),
      plannedChance: promised === null ? null : (this.honest()?.planned() ?? null),
    };
    try {
      const job = await this.newJob.make((id) => this.api.call('takeIn', { body: { id, ...body } }));
      if (job !== null) await this.router.navigate(['/worksheet', job.id]);
    } catch (error) {
      if (error instanceof ServerProblem && error.kind === 'taken') this.wasTaken.emit(); // it shows the worksheet that is open
      this.fault.set(sayRefusal(this.form, error));
    }
  }
}
