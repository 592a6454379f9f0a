import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { invalidInput } from '@gold-peg/contract/problems';
import { methodChoices } from '@gold-peg/contract/methods';
import { METHOD_LAYERS, stringClass, type MethodChoices, type MethodLayer } from '@gold-peg/craft/methods';
import { Api } from '../../server/api';
import { sayProblem } from '../../server/server-problem';
import { Session } from '../../session/session';
import type { WorksheetDesk } from '../desk/worksheet-desk';
import { choiceRows, LAYER_NAMES, numberRows, stringRows, turnRows, withChoice, withNumber, type ChoiceKey } from './ways-form';

const AT_THE_POST: readonly ChoiceKey[] = ['plainFixing', 'woundFixing', 'softFixing', 'cutTime'];
const OF_THE_RUN: readonly ChoiceKey[] = ['stripping', 'stringOrder', 'anchoring', 'stretching'];

/** The ways in force at this instrument, who chose them, and changing them in place. */
@Component({
  selector: 'peg-ways-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, MatDialogModule],
  templateUrl: './ways-dialog.html',
  styleUrl: './ways-dialog.scss',
})
export class WaysDialog {
  protected readonly desk = inject<WorksheetDesk>(MAT_DIALOG_DATA);
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  protected readonly layers = METHOD_LAYERS;
  protected readonly layerNames = LAYER_NAMES;
  protected readonly trouble = signal<string | null>(null);
  protected readonly busy = signal(false);

  private readonly classes = computed(() => {
    const family = this.desk.instrument()?.family;
    const found = this.desk.strings().flatMap((string) => (string === null || family === undefined ? [] : [stringClass(family, string)]));
    return [...new Set(found)];
  });
  protected readonly sections = computed(() => {
    const all = this.desk.choices();
    const tied = this.desk.instrument()?.bridge.anchor === 'tie-block';
    return [
      { head: 'turns wanted', rows: [...turnRows(this.classes(), all), ...stringRows(this.desk.lane() + 1, all)] },
      { head: 'at the post', rows: [...choiceRows(AT_THE_POST, all), ...numberRows(['stubMm', 'nutDeg'], all)] },
      ...(tied
        ? [{ head: 'at the tie block', rows: [...choiceRows(['tieSmooth'], all), ...numberRows(['tucksSmooth', 'tucksWound'], all)] }]
        : []),
      { head: 'the run', rows: choiceRows(OF_THE_RUN, all) },
    ];
  });

  /** Ways of the house are the owner's to change; at the counter nobody winds. */
  protected readonly mayChange = computed<Readonly<Record<MethodLayer, boolean>>>(() => {
    const role = this.session.person()?.role;
    return { instrument: role !== 'counter', technician: true, house: role === 'owner' };
  });

  protected setNumber(layer: MethodLayer, key: string, typed: string): void {
    const value = typed.trim() === '' ? null : Number(typed.replace(',', '.'));
    void this.keep(layer, withNumber(this.desk.choices()[layer] ?? {}, key, value));
  }

  protected setChoice(layer: MethodLayer, key: string, value: string): void {
    void this.keep(layer, withChoice(this.desk.choices()[layer] ?? {}, key as ChoiceKey, value === '' ? null : value));
  }

  private async keep(layer: MethodLayer, methods: MethodChoices): Promise<void> {
    const read = methodChoices.safeParse(methods);
    if (!read.success) return this.trouble.set(invalidInput(read.error).detail);
    this.trouble.set(null);
    this.busy.set(true);
    try {
      await this.send(layer, read.data);
    } catch (error) {
      this.trouble.set(sayProblem(error));
    } finally {
      this.busy.set(false);
    }
  }

  private async send(layer: MethodLayer, methods: MethodChoices): Promise<void> {
    const passport = this.desk.file()?.passport;
    if (passport === undefined) return;
    if (layer === 'technician') return this.session.prefer({ methods });
    if (layer === 'instrument')
      await this.api.call('changeMethods', { params: { id: passport.id }, body: { version: passport.version, methods } });
    else await this.api.call('changeHouse', { body: { version: (await this.api.call('house', {})).version, methods } });
    await this.desk.readAgain();
  }
}
