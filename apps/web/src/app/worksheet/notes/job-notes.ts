import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { WorksheetDesk } from '../desk';

/** Notes of this job, and a line for another. */
@Component({
  selector: 'peg-job-notes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, ReactiveFormsModule],
  template: `<h2>Notes of this job</h2>
    @for (text of notes(); track $index) {
      <p class="noted">{{ text }}</p>
    } @empty {
      <p class="soft">Nothing noted yet.</p>
    }
    <form [formGroup]="form" (ngSubmit)="add()">
      <label class="visually-hidden" for="job-note">Note</label>
      <mat-form-field class="field dense"
        ><input
          matInput
          id="job-note"
          data-edit
          maxlength="2000"
          placeholder="Note what you see"
          formControlName="text"
          [readonly]="desk.closed()"
      /></mat-form-field>
      <button matButton type="submit" class="quiet" [disabled]="desk.closed()">keep</button>
    </form>`,
  styles: `
    p {
      margin: 4px 0;
    }
    .noted {
      padding-left: var(--space-3);
      border-left: 3px solid var(--brass-line);
    }
    form {
      display: flex;
      gap: 8px;
    }
    .field {
      flex: 1;
      min-width: 0;
    }
  `,
})
export class JobNotes {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly form = new FormGroup({ text: new FormControl('', { nonNullable: true }) });
  protected readonly notes = computed(() => this.desk.sheet().notes.map(({ payload }) => payload.text));

  protected async add(): Promise<void> {
    const text = this.form.getRawValue().text.trim();
    if (text === '') return;
    await this.desk.happens({ kind: 'noted', payload: { text } });
    this.form.reset();
  }
}
