import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Message, MessageWay } from '@gold-peg/contract/outbox';
import type { Passport } from '@gold-peg/contract/register';
import type { Due } from '@gold-peg/craft/wear';
import { Letter } from '../../letters';
import { reminderText } from './remind-words';

/** A reminder to the owner, from what is known of wear. */
@Component({
  selector: 'peg-remind',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Letter],
  template: `<peg-letter
    [instrumentId]="passport().id"
    [to]="passport().ownerName"
    [proposes]="proposes()"
    (sent)="sent.emit($event)"
    (left)="left.emit()"
  />`,
})
export class Remind {
  readonly passport = input.required<Passport>();
  readonly due = input.required<Due>();
  readonly now = input.required<number>();
  readonly sent = output<Message>();
  readonly left = output();

  protected readonly proposes = computed(() => (way: MessageWay) => reminderText(this.passport(), this.due(), way, this.now()));
}
