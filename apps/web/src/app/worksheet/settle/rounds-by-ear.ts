import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { DRIFT } from '@gold-peg/craft/constants';
import { heardInRound, type RoundPhase } from '@gold-peg/craft/settle';
import { cents } from '@gold-peg/craft/units';
import { concatMap } from 'rxjs';
import { BenchActions } from '../actions';
import { WorksheetDesk } from '../desk';
import { Listening } from '../hearing';
import { Settling } from './settling';

const MINUTE_MS = 60_000;
const TUNE: RoundPhase = { kind: 'tune' };

/** Rounds that are taken down without a hand: heard at its note, stretched, heard again. A string that is settled then is ticked. */
@Injectable()
export class RoundsByEar {
  private readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);
  private readonly actions = inject(BenchActions);
  private readonly listening = inject(Listening);

  /** Whether rounds are noted without a hand. */
  readonly notes = signal(true);
  private readonly phases = signal<ReadonlyMap<number, RoundPhase>>(new Map());

  constructor() {
    this.listening.readings
      .pipe(
        concatMap((reading) => this.hear(reading)),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  /** Where the round of a string stands; what was begun long ago is begun anew. */
  phaseOf(lane: number, now = Date.now()): RoundPhase {
    const phase = this.phases().get(lane) ?? TUNE;
    return phase.kind === 'stretch' && now - phase.at > DRIFT.rest.value * MINUTE_MS ? TUNE : phase;
  }

  /** The next round of a string begins with its tuning, whatever was heard: somebody noted one by hand, or seated it again. */
  beginAnew(lane: number): void {
    this.phases.update((known) => new Map(known).set(lane, TUNE));
  }

  private async hear({ lane, cents: read }: { lane: number; cents: number }): Promise<void> {
    if (!this.notes() || this.desk.stage() !== 'settle' || this.desk.closed()) return;
    const now = Date.now();
    const { tolerance } = this.settling.ways();
    const rested = this.hasRested(lane, now);
    const { phase, lost } = heardInRound(this.phaseOf(lane, now), { off: cents(read), at: now }, tolerance);
    this.phases.update((known) => new Map(known).set(lane, phase));
    if (rested) return this.note(lane, { cents: read, after: 'rest', retuned: Math.abs(read) > tolerance });
    if (lost === null) return;
    await this.note(lane, { cents: lost === 0 ? 0 : -lost, after: 'stretch', retuned: true });
    const settled = this.settling.strings()[lane]?.says?.settled ?? false;
    if (settled && lane === this.desk.lane() && !this.desk.inHandIsDone() && this.desk.heldUp() === null) await this.actions.markDone();
  }

  private note(lane: number, read: { cents: number; after: 'stretch' | 'rest'; retuned: boolean }): Promise<void> {
    this.listening.reading.set(null);
    return this.desk.happens({
      kind: 'pitch-read',
      string: lane + 1,
      payload: { ...read, cents: Math.round(10 * read.cents) / 10, by: 'heard' },
    });
  }

  /** Of a kind that moves by itself, and left alone since it was read last: what is read now is what it did without a hand. */
  private hasRested(lane: number, now: number): boolean {
    const { pitches, tensioned } = this.desk.sheet();
    const last = pitches[lane]?.at(-1)?.at ?? tensioned[lane]?.at;
    const soft = this.settling.strings()[lane]?.soft ?? false;
    return soft && last !== undefined && this.phaseOf(lane, now).kind === 'tune' && now - Date.parse(last) > DRIFT.rest.value * MINUTE_MS;
  }
}
