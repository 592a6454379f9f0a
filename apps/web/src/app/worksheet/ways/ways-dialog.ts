import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { MatSelectModule } from '@angular/material/select';
import { MatInputModule } from '@angular/material/input';
import { invalidInput } from '@gold-peg/contract/problems';
import { methodChoices } from '@gold-peg/contract/methods';
import { houseSchema, passportSchema, type House, type Passport } from '@gold-peg/contract/register';
import { METHOD_LAYERS, stringClass, type MethodLayer } from '@gold-peg/craft/methods';
import { Api } from '../../server/api';
import { Keeper } from '../../server/keeper';
import { BothVersions } from '../../ui/both-versions';
import { Session } from '../../session/session';
import type { WorksheetDesk } from '../desk';
import { choiceRows, LAYER_NAMES, numberRows, offsetRows, stringRows, turnRows, wayIn, withWay, type ChoiceKey } from '../../ways';

const AT_THE_POST: readonly ChoiceKey[] = ['plainFixing', 'woundFixing', 'softFixing', 'cutTime'];
const OF_THE_RUN: readonly ChoiceKey[] = ['stripping', 'stringOrder', 'anchoring', 'stretching'];

type Way = number | string | null;
/** A way that somebody asked for, by the key of its row. */
interface Asked {
  layer: MethodLayer;
  key: string;
  value: Way;
}

/** The ways in force at this instrument, who chose them, and changing them in place. */
@Component({
  selector: 'peg-ways-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BothVersions, FormsModule, MatButtonModule, MatDialogModule, MatInputModule, MatSelectModule],
  templateUrl: './ways-dialog.html',
  styleUrl: './ways-dialog.scss',
})
export class WaysDialog {
  protected readonly desk = inject<WorksheetDesk>(MAT_DIALOG_DATA);
  private readonly api = inject(Api);
  private readonly session = inject(Session);
  protected readonly layers = METHOD_LAYERS;
  protected readonly layerNames = LAYER_NAMES;
  private readonly refused = signal<string | null>(null);

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
      {
        head: 'tuning',
        rows: [...numberRows(['toleranceCents', 'heldSeconds', 'driftCents', 'holdHours'], all), ...offsetRows(this.desk.lane() + 1, all)],
      },
    ];
  });

  /** Ways of the house are the owner's to change; at the counter nobody winds. */
  protected readonly mayChange = computed<Readonly<Record<MethodLayer, boolean>>>(() => {
    const role = this.session.person()?.role;
    return { instrument: role !== 'counter', technician: true, house: role === 'owner' };
  });

  /** Keepers of what this dialog may change, and the change that somebody else was quicker at. */
  private readonly ofInstrument = new Keeper<Passport>((current) => passportSchema.parse(current));
  private readonly ofHouse = new Keeper<House>((current) => houseSchema.parse(current));
  private readonly asked = signal<Asked | null>(null);
  protected readonly busy = computed(() => this.ofInstrument.busy() || this.ofHouse.busy());
  protected readonly trouble = computed(() => this.refused() ?? this.ofInstrument.fault() ?? this.ofHouse.fault());
  protected readonly clashes = computed(() => {
    const [asked, now] = [this.asked(), this.ofInstrument.now() ?? this.ofHouse.now()];
    if (asked === null || now === null) return [];
    const row = this.sections()
      .flatMap(({ rows }) => rows)
      .find(({ key }) => key === asked.key);
    const say = (value: string | null) => row?.choices?.find((choice) => choice.value === value)?.words ?? value ?? '–';
    return [
      {
        what: `${row?.label ?? asked.key}, ${LAYER_NAMES[asked.layer]}`,
        now: say(wayIn(now.methods, asked.key)),
        typed: say(asked.value === null ? null : String(asked.value)),
      },
    ];
  });

  protected setNumber(layer: MethodLayer, key: string, typed: string): void {
    void this.keep({ layer, key, value: typed.trim() === '' ? null : Number(typed.replace(',', '.')) });
  }

  protected setChoice(layer: MethodLayer, key: string, value: string): void {
    void this.keep({ layer, key, value: value === '' ? null : value });
  }

  protected async keepOnTop(): Promise<void> {
    const asked = this.asked();
    if (asked !== null) await this.keep(asked);
  }

  protected async takeAsItStands(): Promise<void> {
    this.ofInstrument.forget();
    this.ofHouse.forget();
    await this.desk.readAgain();
  }

  private async keep(asked: Asked): Promise<void> {
    const { layer, key, value } = asked;
    const read = methodChoices.safeParse(withWay(this.desk.choices()[layer] ?? {}, key, value));
    this.refused.set(read.success ? null : invalidInput(read.error).detail);
    if (!read.success) return;
    this.asked.set(asked);
    if (layer === 'technician') return this.session.prefer(({ methods }) => ({ methods: withWay(methods, key, value) }));
    const kept = await (layer === 'instrument' ? this.keepAtInstrument(key, value) : this.keepAtHouse(key, value));
    if (kept !== null) await this.desk.readAgain();
  }

  private async keepAtInstrument(key: string, value: Way): Promise<Passport | null> {
    const read = this.desk.file()?.passport;
    if (read === undefined) return null;
    return this.ofInstrument.keep({
      read,
      untouched: (now, before) => wayIn(now.methods, key) === wayIn(before.methods, key),
      send: ({ id, version, methods }) =>
        this.api.call('changeMethods', { params: { id }, body: { version, methods: withWay(methods, key, value) } }),
    });
  }

  private async keepAtHouse(key: string, value: Way): Promise<House | null> {
    const file = this.desk.file();
    if (file === null) return null;
    return this.ofHouse.keep({
      read: { version: file.houseVersion, methods: file.house },
      untouched: (now, before) => wayIn(now.methods, key) === wayIn(before.methods, key),
      send: ({ version, methods }) => this.api.call('changeHouse', { body: { version, methods: withWay(methods, key, value) } }),
    });
  }
}
