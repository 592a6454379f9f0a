import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { MatInputModule } from '@angular/material/input';
import { handMeasures } from '@gold-peg/contract/methods';
import { invalidInput } from '@gold-peg/contract/problems';
import { SLACK_SCHOOLS, TYPICAL_HAND, type SlackSchool } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { SCHOOLS, slackWords } from '../../preferences/slack-words';
import { Session } from '../../session/session';
import type { WorksheetDesk } from '../desk';
import { sayFor } from '../wind-words';
import { readHand, type Readings } from './hand-readings';
import { NumberField } from '../../ui/number-field';

const PARTS = [
  { key: 'fistMm', name: 'fist', how: 'Make a fist on the bench as you would under a string. Measure its height with the steel rule.' },
  { key: 'fingerMm', name: 'first finger', how: 'Press your first finger flat beside the rule. Read its breadth at the first joint.' },
  {
    key: 'spacerMm',
    name: 'spacer',
    how: 'Thumb and first finger against a post, as you hold a string off it. Measure from nail to nail.',
  },
] as const;

/** Two minutes with a steel rule: a person's own hand, three readings of each measure, and what every school says of the string in hand. */
@Component({
  selector: 'peg-hand-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatInputModule, NumberField],
  templateUrl: './hand-dialog.html',
  styleUrl: './hand-dialog.scss',
})
export class HandDialog {
  private readonly desk = inject<WorksheetDesk>(MAT_DIALOG_DATA);
  private readonly session = inject(Session);
  private readonly measures = inject(Measures);

  protected readonly readings = signal<Readings>({
    fistMm: [null, null, null],
    fingerMm: [null, null, null],
    spacerMm: [null, null, null],
  });
  protected readonly parts = computed(() => {
    const kept = this.session.preferences().hand;
    return PARTS.map((part) => ({
      ...part,
      readings: this.readings()[part.key],
      result: readHand(this.readings()[part.key]),
      kept: kept === null ? null : `${kept[part.key].toFixed(0)} mm`,
      typical: `${toMillimetres(TYPICAL_HAND[({ fistMm: 'fist', fingerMm: 'finger', spacerMm: 'spacer' } as const)[part.key]]).toFixed(0)} mm`,
    }));
  });
  protected readonly fault = signal<string | null>(null);
  protected readonly complete = computed(() => this.parts().some(({ result }) => result.kind === 'read'));

  protected readonly number = computed(() => this.desk.lane() + 1);
  protected readonly schools = computed(() => {
    const lane = this.desk.lanes()[this.desk.lane()];
    const plan = this.desk.planInHand();
    return SLACK_SCHOOLS.map((id) => ({
      id,
      ...SCHOOLS[id],
      inForce: id === this.session.preferences().slackMeasure,
      says:
        lane === undefined || plan?.kind !== 'post'
          ? '–'
          : slackWords(sayFor(lane, plan, this.measures, this.desk.leaves().value, id), this.measures),
    }));
  });
  protected readonly slack = computed(() => {
    const plan = this.desk.planInHand();
    return plan === null ? '' : say(this.measures.length(plan.slack));
  });

  protected type(key: keyof Readings, index: number, value: number | null): void {
    this.readings.update((all) => ({ ...all, [key]: all[key].map((old, at) => (at === index ? value : old)) }));
  }

  protected follow(slackMeasure: SlackSchool): void {
    void this.session.prefer({ slackMeasure });
  }

  /** Keeps what was read; what was not keeps its old value, or the typical one. */
  protected keep(): void {
    const old = this.session.preferences().hand;
    const hand = Object.fromEntries(
      this.parts().map(({ key, result, typical }) => [
        key,
        result.kind === 'read' ? result.mm : (old?.[key] ?? Number.parseFloat(typical)),
      ]),
    );
    const read = handMeasures.safeParse(hand);
    if (!read.success) return this.fault.set(invalidInput(read.error).detail);
    this.fault.set(null);
    void this.session.prefer({ hand: read.data });
  }
}
