import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { StringProperties } from '@gold-peg/craft/strings';
import { fanned, nameTuning, rescale, type Strung, type Tuned, type TunedNote, type Tuning } from '@gold-peg/craft/tuning';
import { fromMillimetres, hertz, toMillimetres, transpose, type Metres } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { Session } from '../session/session';
import { StringTable } from '../string-table/string-table';
import { A4_RANGE, readPitch, sayVerdicts, tuningRows, type TuningRow } from './tuning-rows';
import { NumberField } from '../ui/number-field';

export interface TuningData {
  title: string;
  strung: Strung;
  tuned: Tuned;
  /** Strings that are to be tuned so; null while none are chosen. */
  strings: readonly StringProperties[] | null;
  tunings: readonly Tuning[];
  /** Whether scale lengths may be changed as well: on a bench of no instrument in particular. */
  scales: boolean;
}

export interface TunedNeck {
  tuned: Tuned;
  /** One for each string. */
  scales: readonly Metres[];
}

const MOST_FRET = 9;
const SCALE_RANGE = { least: 150, most: 1300 };
/** The scale of what is left is so wide, px, and shows so many semitones. */
const SCALE = { width: 240, semitones: 20 };

/** Note by note, with what each does to its string. It takes nothing that is no pitch. */
@Component({
  selector: 'peg-tuning-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule, MatInputModule, MatSelectModule, NumberField],
  templateUrl: './tuning-editor.html',
  styleUrl: './tuning-editor.scss',
})
export class TuningEditor {
  protected readonly data = inject<TuningData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<TuningEditor, TunedNeck>>(MatDialogRef);
  private readonly measures = inject(Measures);
  private readonly api = inject(Api);
  protected readonly mayWork = inject(Session).mayWork;
  private readonly table = inject(StringTable);

  protected readonly frets = Array.from({ length: MOST_FRET + 1 }, (_, fret) => fret);
  protected readonly ticks = Array.from({ length: SCALE.semitones + 1 }, (_, tick) => tick);
  protected readonly notes = signal<readonly TunedNote[]>(this.data.tuned.notes);
  protected readonly a4 = signal<number | null>(this.data.tuned.a4);
  protected readonly capo = signal(0);
  /** What was typed and is no pitch, by string. */
  protected readonly typed = signal<Readonly<Record<number, string>>>({});
  protected readonly faults = signal<Readonly<Record<number, string>>>({});
  protected readonly kept = signal('');
  /** Millimetres, as typed. */
  protected readonly scaleMm = signal<readonly (number | null)[]>(
    this.data.strung.seats.map(({ speakingLength }) => Number(toMillimetres(speakingLength).toFixed(1))),
  );
  protected readonly scaleFault = computed(() => {
    const bad = this.scaleMm().findIndex((mm) => mm === null || mm < SCALE_RANGE.least || mm > SCALE_RANGE.most);
    return bad < 0
      ? null
      : `The scale of string ${bad + 1} must lie between ${SCALE_RANGE.least} and ${SCALE_RANGE.most} mm: from the smallest ukulele to the longest bass.`;
  });
  private readonly scales = computed(() => this.scaleMm().map((mm) => fromMillimetres(mm ?? 0)));

  protected readonly a4Fault = computed(() => {
    const a4 = this.a4();
    return a4 !== null && a4 >= A4_RANGE.least && a4 <= A4_RANGE.most
      ? null
      : `A4 must lie between ${A4_RANGE.least} and ${A4_RANGE.most} Hz: references in use lie in that range.`;
  });
  private readonly tuned = computed<Tuned>(() => ({
    notes: this.notes(),
    a4: this.a4Fault() === null ? hertz(this.a4() ?? this.data.tuned.a4) : this.data.tuned.a4,
  }));
  private readonly strung = computed(() => (this.scaleFault() === null ? rescale(this.data.strung, this.scales()) : this.data.strung));
  protected readonly rows = computed(() => tuningRows(this.strung(), this.tuned(), this.data.strings, this.capo()));
  protected readonly said = computed(() => sayVerdicts(this.rows()));
  protected readonly whole = computed(
    () => this.a4Fault() === null && this.scaleFault() === null && Object.keys(this.faults()).length === 0,
  );
  protected readonly name = computed(() =>
    nameTuning(
      this.notes().map(({ note }) => note),
      this.data.strung.seats.map(({ course }) => course),
    ),
  );
  protected readonly knownId = computed(() => {
    const notes = this.notes();
    const same = (known: Tuning) => known.notes.every((note, index) => note === notes[index]?.note && notes[index].frequency === null);
    return this.data.tunings.find(same)?.id ?? null;
  });
  protected readonly canKeep = computed(
    () => this.whole() && this.knownId() === null && this.notes().every(({ frequency }) => frequency === null),
  );

  protected take(id: string): void {
    const known = this.data.tunings.find((tuning) => tuning.id === id);
    if (known === undefined) return;
    this.notes.set(known.notes.map((note) => ({ note, frequency: null })));
    this.typed.set({});
    this.faults.set({});
  }

  protected type(index: number, text: string): void {
    const read = readPitch(text, this.tuned().a4);
    this.typed.update((typed) => ({ ...typed, [index]: text }));
    this.faults.update((faults) => without(faults, index, read.ok ? undefined : read.says));
    if (read.ok) this.set(index, read.tuned);
  }

  protected shift(index: number, semitones: number): void {
    const now = this.notes()[index];
    if (now === undefined) return;
    const moved = readPitch(transpose(now.note, semitones), this.tuned().a4);
    if (!moved.ok) return;
    this.typed.update((typed) => without(typed, index));
    this.faults.update((faults) => without(faults, index));
    this.set(index, moved.tuned);
  }

  protected shiftAll(semitones: number): void {
    this.notes().forEach((_, index) => this.shift(index, semitones));
  }

  private set(index: number, tuned: TunedNote): void {
    this.notes.update((notes) => notes.with(index, tuned));
  }

  protected changeScale(index: number, mm: number | null): void {
    this.scaleMm.update((all) => all.with(index, mm));
  }

  /** From the first string evenly to the last. */
  protected fan(): void {
    const [first, last] = [this.scales()[0], this.scales().at(-1)];
    if (first === undefined || last === undefined) return;
    this.scaleMm.set(fanned(first, last, this.scales().length).map((scale) => Number(toMillimetres(scale).toFixed(1))));
  }

  protected changeA4(value: number | null): void {
    this.a4.set(value);
  }

  protected range(notes: readonly string[]): string {
    return `${notes.at(-1) ?? ''} … ${notes[0] ?? ''}`;
  }

  protected x(semitones: number): number {
    return (SCALE.width * Math.max(0, Math.min(SCALE.semitones, semitones))) / SCALE.semitones;
  }

  protected pullOf({ pull }: TuningRow): string {
    return pull === null ? '–' : say(this.measures.pull(pull));
  }

  protected words({ verdict, safeNote, breakNote }: TuningRow): string {
    if (verdict === 'breaks') return `breaks: holds to ${breakNote} at most`;
    if (verdict === 'past-safe') return `past the safe ${safeNote}, breaks at ${breakNote}`;
    return `${verdict === 'too-slack' ? 'slack; ' : ''}safe to ${safeNote}, breaks at ${breakNote}`;
  }

  protected async keep(): Promise<void> {
    const notes = this.notes().map(({ note }) => note);
    const id = `house-${notes.join('-').toLowerCase().replaceAll('♭', 'b').replaceAll('♯', 's')}`;
    try {
      await this.api.call('addTuning', { body: { id, name: this.name(), families: [this.data.strung.family], notes } });
      await this.table.load();
      this.kept.set(`${this.name()} is in the table.`);
    } catch (error) {
      this.kept.set(sayProblem(error));
    }
  }

  protected done(): void {
    if (this.whole()) this.dialog.close({ tuned: this.tuned(), scales: this.scales() });
  }
}

function without<T>(record: Readonly<Record<number, T>>, index: number, value?: T): Readonly<Record<number, T>> {
  const rest = Object.fromEntries(Object.entries(record).filter(([key]) => Number(key) !== index)) as Record<number, T>;
  return value === undefined ? rest : { ...rest, [index]: value };
}
