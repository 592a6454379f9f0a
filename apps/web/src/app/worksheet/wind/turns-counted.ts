import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { countedTurns } from '@gold-peg/contract/bench-log';
import { metres, toMillimetres } from '@gold-peg/craft/units';
import { faultOf } from '../../form';
import { NumberForm } from '../../ui/number-form';
import { Drafts, WorksheetDesk } from '../desk';

/** Takes down the turns really obtained, and says what all counts together tell about posts and hand. */
@Component({
  selector: 'peg-turns-counted',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, NumberForm],
  template: `<peg-number-form
      field="counted"
      label="turns really on it"
      does="count"
      [step]="0.25"
      [disabled]="desk.closed()"
      [value]="draft.value()"
      [fault]="fault()"
      [keep]="keep"
      (valueChange)="draft.type($event)"
    />
    <p class="soft">
      {{ learned() }}
      @if (desk.winding.evidence().length > 0) {
        <button matButton type="button" class="quiet" (click)="evidence.emit()">evidence …</button>
      }
    </p>`,
  styles: `
    peg-number-form {
      font-size: 15px;
    }
    p {
      margin: 0;
      font-size: 14px;
      line-height: 1.25;
    }
  `,
})
export class TurnsCounted {
  readonly evidence = output();
  protected readonly desk = inject(WorksheetDesk);
  protected readonly counted = computed(() => this.desk.sheet().counted[this.desk.lane()]?.payload.turns ?? null);
  protected readonly draft = inject(Drafts).draft<number | null>(
    () => `turns counted, ${this.desk.lane()}`,
    () => this.counted(),
  );
  protected readonly fault = computed(() => {
    const turns = this.draft.value();
    const read = countedTurns.shape.turns.safeParse(turns);
    return turns === null || read.success ? null : `Turns counted ${faultOf(read.error)}.`;
  });
  protected readonly learned = computed(() => {
    const post = this.desk.winding.postThicker();
    const hand = this.desk.leaves();
    if (post.count + hand.count === 0) return 'Counting tells how thick the posts really are, and how your hand leaves slack.';
    const thicker = toMillimetres(metres(post.value));
    const percent = 100 * (hand.value - 1);
    return `posts ${signed(thicker, 2)} mm ± ${toMillimetres(metres(post.spread)).toFixed(2)}, your slack ${signed(percent, 0)} % ± ${(100 * hand.spread).toFixed(0)}`;
  });

  protected readonly keep = async (): Promise<boolean> => {
    const turns = this.draft.value();
    if (turns === null || this.fault() !== null) return false;
    const forget = this.draft.forgetter();
    if (turns !== this.counted()) await this.desk.count(turns);
    forget();
    return true;
  };
}

const signed = (value: number, digits: number) => {
  const text = Math.abs(value).toFixed(digits);
  return Number(text) === 0 ? `±0` : `${value < 0 ? '−' : '+'}${text}`;
};
