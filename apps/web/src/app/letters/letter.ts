import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatInputModule } from '@angular/material/input';
import { messageDraft, type Message, type MessageWay } from '@gold-peg/contract/outbox';
import { faultOf } from '../form';
import { Api } from '../server/api';
import { NewThing } from '../server/new-thing';
import { sayProblem } from '../server/server-problem';
import { OneOf, type Choice } from '../ui/one-of';

const WAYS: readonly Choice<MessageWay>[] = [
  { value: 'mail', label: 'mail' },
  { value: 'text', label: 'text message' },
];

/** A word to the owner: written from what is known, changed by hand, and laid into the outbox. */
@Component({
  selector: 'peg-letter',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatInputModule, OneOf],
  template: `<p class="to">
      to <b>{{ to() }}</b>
    </p>
    <peg-one-of about="How it goes out" [choices]="WAYS" [value]="way()" (picked)="way.set($event)" />
    <form (submit)="send($event)">
      <label for="letter-text">Text</label>
      <mat-form-field class="field">
        <textarea matInput id="letter-text" rows="10" [value]="text()" (input)="text.set($any($event.target).value)"></textarea>
      </mat-form-field>
      @if (fault(); as says) {
        <p class="fault" role="alert">{{ says }}</p>
      }
      <button matButton="filled" class="act" type="submit" [disabled]="message.busy()">Into the outbox</button>
      <button matButton type="button" class="quiet" (click)="left.emit()">not now</button>
    </form>`,
  styles: `
    .to {
      margin: 0 0 4px;
    }
    form {
      display: grid;
      gap: 4px;
      margin-top: 8px;
    }
    label {
      font-weight: 600;
    }
    textarea {
      font-size: 15px;
      line-height: 1.35;
    }
    .fault {
      margin: 0;
      color: var(--oxide);
    }
  `,
})
export class Letter {
  readonly instrumentId = input.required<string>();
  /** Whom it goes to, by name. */
  readonly to = input.required<string | null>();
  /** What is proposed to be said, as mail and as a text message. */
  readonly proposes = input.required<(way: MessageWay) => string>();
  readonly sent = output<Message>();
  readonly left = output();

  private readonly api = inject(Api);
  /** The same message however often it is sent. */
  protected readonly message = new NewThing();
  protected readonly WAYS = WAYS;
  protected readonly way = signal<MessageWay>('mail');
  protected readonly text = linkedSignal(() => this.proposes()(this.way()));
  protected readonly fault = signal<string | null>(null);

  protected async send(submitted: Event): Promise<void> {
    submitted.preventDefault();
    this.fault.set(null);
    try {
      const sent = await this.message.make((id) => {
        const draft = messageDraft.safeParse({ id, instrumentId: this.instrumentId(), way: this.way(), text: this.text() });
        if (draft.success) return this.api.call('sendMessage', { body: draft.data });
        this.fault.set(`Text ${faultOf(draft.error)}.`);
        return Promise.resolve(null);
      });
      if (sent !== null) this.sent.emit(sent);
    } catch (error) {
      this.fault.set(sayProblem(error));
    }
  }
}
