import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { handMeasures } from '@gold-peg/contract/methods';
import { invalidInput } from '@gold-peg/contract/problems';
import { SLACK_SCHOOLS, TYPICAL_HAND, type SlackSchool } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';
import { saysSlack } from '../preferences/slack-words';
import { Session } from '../session/session';

const TYPICAL = {
  fistMm: Math.round(toMillimetres(TYPICAL_HAND.fist)),
  fingerMm: Math.round(toMillimetres(TYPICAL_HAND.finger)),
  spacerMm: Math.round(toMillimetres(TYPICAL_HAND.spacer)),
};
type Part = keyof typeof TYPICAL;
const PARTS: readonly { key: Part; label: string }[] = [
  { key: 'fistMm', label: 'fist, mm' },
  { key: 'fingerMm', label: 'first finger, mm' },
  { key: 'spacerMm', label: 'thumb to finger, mm' },
];

/** By what one says slack, and how large one's hand is; measured three times over at a worksheet, or put in here. */
@Component({
  selector: 'peg-house-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatInputModule, MatSelectModule],
  template: `
    <div class="said">
      slack is said
      <mat-form-field class="field dense">
        <mat-select aria-label="Slack is said" [value]="preferences().slackMeasure" (selectionChange)="say($event.value)">
          @for (school of SLACK_SCHOOLS; track school) {
            <mat-option [value]="school">{{ saysSlack(school) }}</mat-option>
          }
        </mat-select>
      </mat-form-field>
    </div>
    @for (part of parts(); track part.key) {
      <label
        >{{ part.label }}
        <mat-form-field class="field dense number"
          ><input
            matInput
            type="number"
            step="0.5"
            [attr.aria-label]="'Your ' + part.label"
            [placeholder]="part.typical"
            [value]="part.mm ?? ''"
            (change)="measure(part.key, $any($event.target).valueAsNumber)"
        /></mat-form-field>
      </label>
    }
    @if (fault(); as says) {
      <p class="fault" role="alert">{{ says }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: var(--space-1) var(--space-4);
      padding-top: var(--space-2);
    }
    label,
    .said {
      display: flex;
      align-items: center;
      gap: var(--space-2);
    }
    .field {
      width: 210px;
    }
    .number {
      width: 84px;
    }
    .fault {
      flex-basis: 100%;
      margin: 0;
      color: var(--oxide);
    }
  `,
})
export class HouseHand {
  private readonly session = inject(Session);
  protected readonly preferences = this.session.preferences;
  protected readonly SLACK_SCHOOLS = SLACK_SCHOOLS;
  protected readonly saysSlack = saysSlack;
  protected readonly fault = signal<string | null>(null);
  protected readonly parts = computed(() =>
    PARTS.map((part) => ({ ...part, mm: this.preferences().hand?.[part.key] ?? null, typical: String(TYPICAL[part.key]) })),
  );

  protected say(slackMeasure: SlackSchool): void {
    void this.session.prefer({ slackMeasure });
  }

  /** One that was never measured is a typical hand in what is left out; an empty field is a typical one too. */
  protected measure(part: Part, mm: number): void {
    const read = handMeasures.safeParse({ ...TYPICAL, ...this.preferences().hand, [part]: Number.isNaN(mm) ? TYPICAL[part] : mm });
    this.fault.set(read.success ? null : invalidInput(read.error).detail);
    if (read.success) void this.session.prefer({ hand: read.data });
  }
}
