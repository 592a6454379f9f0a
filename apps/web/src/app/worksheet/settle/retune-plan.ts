import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { retunesOf } from '@gold-peg/craft/settle';
import { RetuneTimes } from '../../retunes';
import { WorksheetDesk } from '../desk';
import { Settling } from './settling';

/** When the instrument of this job is tuned again, and from when it holds; what the device is told of it follows. */
@Injectable()
export class RetunePlanned {
  private readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);

  readonly plan = computed(() =>
    retunesOf(
      this.settling
        .strings()
        .flatMap(({ expected, since }, index) =>
          expected === null || since === null || this.desk.inJob()[index] === false ? [] : [{ number: index + 1, since, expected }],
        ),
    ),
  );

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
