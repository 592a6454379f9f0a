import { computed, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { learnedPace, stageMinutes } from '@gold-peg/craft/day';
import { passed, stageTimes } from '@gold-peg/craft/worksheet';
import { isStringStage } from '@gold-peg/craft/stages';
import { interval, map } from 'rxjs';
import { HouseClock } from '../../server/house-clock';
import { Session } from '../../session/session';
import { WorksheetDesk } from './worksheet-desk';

const SECOND_MS = 1000;

/** How long the stage that is open has taken, from the log, and what it is expected to take. It runs while somebody works and stands while it is stopped. */
@Injectable()
export class StageClock {
  private readonly desk = inject(WorksheetDesk);
  private readonly session = inject(Session);
  private readonly house = inject(HouseClock);
  readonly now = toSignal(interval(SECOND_MS).pipe(map(() => this.house.now())), { initialValue: this.house.now() });

  readonly paused = computed(() => this.desk.sheet().paused);
  /** Milliseconds of all people at this stage. */
  readonly spent = computed(() => {
    const stage = this.desk.stage();
    const open = !isStringStage(stage) || passed(this.desk.sheet(), stage).includes(false);
    const running = this.desk.closed() || !open ? undefined : { ms: this.now(), stage, personId: this.session.person()?.id ?? '' };
    return stageTimes(this.desk.sheet(), running)
      .filter((time) => time.stage === stage)
      .reduce((sum, { ms }) => sum + ms, 0);
  });
  /** Minutes between which it takes this person four times in five; null where nothing is expected. */
  readonly expected = computed(() => {
    const [instrument, stage] = [this.desk.instrument(), this.desk.stage()];
    if (instrument === null) return null;
    const minutes = stageMinutes(instrument.family, this.desk.inJob().filter(Boolean).length, stage);
    const { low, high } = learnedPace(this.desk.file()?.times ?? [], this.session.person()?.id ?? '', instrument.family, stage);
    return minutes === 0 ? null : { low: low * minutes, high: high * minutes };
  });

  /** Stops the clock, or lets it run on. */
  async toggle(): Promise<void> {
    if (this.desk.closed() || this.desk.startedAt() === null) return;
    await this.desk.happens({ kind: this.paused() ? 'resumed' : 'paused', payload: {} });
  }
}

/** '0:04:09'. */
export function sayClock(ms: number): string {
  const seconds = Math.max(0, Math.floor(ms / SECOND_MS));
  const pad = (value: number) => String(value).padStart(2, '0');
  return `${Math.floor(seconds / 3600)}:${pad(Math.floor(seconds / 60) % 60)}:${pad(seconds % 60)}`;
}
