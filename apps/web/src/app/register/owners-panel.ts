import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Owner } from '@gold-peg/contract/register';
import { Api } from '../server/api';
import { sayProblem, ServerProblem } from '../server/server-problem';

/** Owners beside the instruments: pick one to see theirs, or change name and contact. */
@Component({
  selector: 'peg-owners-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule],
  templateUrl: './owners-panel.html',
  styleUrl: './owners-panel.scss',
})
export class OwnersPanel {
  readonly owners = input.required<readonly Owner[]>();
  readonly picked = output<string>();
  readonly changed = output();

  private readonly api = inject(Api);
  /** The owner being changed, as it was read, and what is typed. */
  protected readonly editing = signal<Owner | null>(null);
  protected readonly name = signal('');
  protected readonly contact = signal('');
  protected readonly fault = signal<string | null>(null);

  protected edit(owner: Owner): void {
    this.fault.set(null);
    this.editing.set(owner);
    this.name.set(owner.name);
    this.contact.set(owner.contact);
  }

  protected async save(): Promise<void> {
    const owner = this.editing();
    if (owner === null) return;
    try {
      await this.api.call('changeOwner', {
        params: { id: owner.id },
        body: { version: owner.version, name: this.name().trim(), contact: this.contact().trim() },
      });
      this.editing.set(null);
      this.changed.emit();
    } catch (error) {
      this.fault.set(sayProblem(error));
      // what was typed stays; saving again replaces what somebody else wrote meanwhile, now that it was shown
      if (error instanceof ServerProblem && error.kind === 'stale') this.editing.set(error.problem.current as Owner);
    }
  }
}
