import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { RetuneTimes } from '../../retunes';
import { WorksheetDesk } from '../desk';
import { Settling } from './settling';

const HOUR_MS = 3_600_000;

export interface RetunePlan {
  /** Numbers of the strings that move. */
  strings: readonly number[];
  /** From tuning to tuning, ms: of the string that has to be tuned first. */
  times: readonly number[];
  /** From when all of them hold, ms; null where that is not within a year. */
  holdsFrom: number | null;
}

/** When the instrument of this job is tuned again, and from when it holds; what the device is told of it follows. */
@Injectable()
export class RetunePlanned {
  private readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);

  readonly plan = computed<RetunePlan | null>(() => {
    const moving = this.settling.strings().flatMap(({ expected, since }, index) => {
      if (expected === null || since === null || this.desk.inJob()[index] === false) return [];
      const times = expected.retunes.map(({ likely }) => since + likely * HOUR_MS).filter(Number.isFinite);
      return [{ number: index + 1, times, holds: since + expected.holdsFrom.likely * HOUR_MS }];
    });
    const [first] = [...moving].sort((a, b) => (a.times[0] ?? Infinity) - (b.times[0] ?? Infinity));
    if (first === undefined) return null;
    const holds = Math.max(...moving.map((each) => each.holds));
    return { strings: moving.map(({ number }) => number), times: first.times, holdsFrom: Number.isFinite(holds) ? holds : null };
  });

  constructor() {
    const times = inject(RetuneTimes);
    effect(() => {
      const [plan, file, closed] = [this.plan(), this.desk.file(), this.desk.sheet().handedOver !== null];
      if (file === null) return;
      const { passport, name } = file.passport;
      const at = closed ? undefined : plan?.times[0];
      untracked(() => times.set(file.job.id, plan === null || at === undefined ? null : { passport, name, strings: plan.strings, at }));
    });
  }
}
