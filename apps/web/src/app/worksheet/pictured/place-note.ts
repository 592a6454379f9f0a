import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { clampCount, PAD_LIES, placesToNote, type MeasureKind } from '@gold-peg/craft/findings';
import { Measures } from '../../preferences/measures';
import { mmToTyped } from '../../preferences/typed-length';
import { WorksheetDesk } from '../desk';
import { MeasureField } from '../measures';
import { bridgeFromAbove } from './place-layout';

/** Where what is loose stands before the strings come off, with a small diagram: a bridge, its level, the pads of a locking nut. */
@Component({
  selector: 'peg-place-note',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MeasureField],
  templateUrl: './place-note.html',
  styleUrl: './place-note.scss',
})
export class PlaceNote {
  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);

  protected readonly kinds = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null ? [] : placesToNote(instrument);
  });
  private readonly valueOf = (kind: MeasureKind): number | null =>
    this.desk.sheet().measurements.findLast(({ payload }) => payload.what === kind)?.payload.valueMm ?? null;
  private readonly lastValueOf = (kind: MeasureKind): number | null =>
    this.desk.measuredBefore().find(({ what }) => what === kind)?.valueMm ?? null;
  private readonly known = (kind: MeasureKind) => this.valueOf(kind) ?? this.lastValueOf(kind);
  private readonly say = (mm: number | null) =>
    mm === null ? '?' : `${mmToTyped(mm, this.measures.units().length)} ${this.measures.units().length}`;

  /** A loose bridge from above; null where the bridge is fixed. */
  protected readonly loose = computed(() => {
    const instrument = this.desk.instrument();
    const scale = instrument?.strings[0]?.scaleLength;
    if (scale === undefined || !this.kinds().includes('bridge-place-treble')) return null;
    const [treble, bass] = [this.known('bridge-place-treble'), this.known('bridge-place-bass')];
    const drawn = bridgeFromAbove(scale, treble, bass, this.desk.nearestFirst());
    return { ...drawn, trebleSays: this.say(treble), bassSays: this.say(bass) };
  });
  /** How high the back edge of a floating bridge stands, drawn ten times too high above a line of the body. */
  protected readonly level = computed(() => {
    if (!this.kinds().includes('bridge-level')) return null;
    const mm = this.known('bridge-level');
    return { says: this.say(mm), lift: Math.max(-10, Math.min(40, (mm ?? 3) * 6)) };
  });
  /** Clamps of the nut from above, each with the way its pad lies. */
  protected readonly clamps = computed(() => {
    const instrument = this.desk.instrument();
    const count = instrument === null ? 0 : clampCount(instrument);
    return Array.from({ length: count }, (_, index) => {
      const clamp = index + 1;
      const now = this.desk.sheet().pads.find(({ payload }) => payload.clamp === clamp)?.payload.lies;
      const before = this.desk.padsBefore().get(clamp);
      return { clamp, strings: `${2 * clamp - 1} and ${2 * clamp}`, lies: now ?? before ?? null, noted: now !== undefined, before };
    });
  });

  /** The other way round than it is shown. */
  protected async turnPad({ clamp, lies }: { clamp: number; lies: 'along' | 'across' | null }): Promise<void> {
    const next = PAD_LIES[lies === 'along' ? 1 : 0];
    await this.desk.happens({ kind: 'pads-noted', payload: { clamp, lies: next } });
  }
}
