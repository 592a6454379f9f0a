import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { saveFile } from '../../ui/save-file';
import { StageClock, WorksheetDesk } from '../desk';
import { RetunePlanned } from './retune-plan';
import { sayMoment } from './settle-words';
import { Settling } from './settling';

/** So long one takes to tune an instrument again. */
const VISIT_MIN = 5;

/** When strings that creep are tuned again, from when they hold, and how to be told: on this device, or by one's own calendar. */
@Component({
  selector: 'peg-retune-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `@if (plan(); as plan) {
    <p>
      <b>Tune again</b> {{ times() }}.
      @if (holds(); as at) {
        <b>Not before</b> {{ at }} to the owner.
      }
    </p>
    <div>
      <button matButton type="button" class="quiet" (click)="save()">calendar file</button>
      @if (mayAsk()) {
        <button matButton type="button" class="quiet" (click)="ask()">tell me here</button>
      }
    </div>
  }`,
  styles: `
    p {
      margin: 4px 0;
      line-height: 1.3;
    }
  `,
})
export class RetunePanel {
  private readonly desk = inject(WorksheetDesk);
  private readonly settling = inject(Settling);
  private readonly clock = inject(StageClock);
  protected readonly plan = inject(RetunePlanned).plan;
  private readonly permission = signal('Notification' in globalThis ? Notification.permission : 'denied');
  protected readonly mayAsk = computed(() => this.permission() === 'default');
  /** What comes after a tuning that is due is told once it was read. */
  protected readonly times = computed(() => {
    const [times, now] = [this.plan()?.times ?? [], this.clock.now()];
    return (times[0] ?? 0) <= now ? 'now' : times.map((at) => sayMoment(at, now)).join(', ');
  });
  protected readonly holds = computed(() => {
    const { holdsFrom } = this.plan() ?? { holdsFrom: null };
    return holdsFrom === null || holdsFrom <= this.clock.now() ? null : sayMoment(holdsFrom, this.clock.now());
  });

  protected async ask(): Promise<void> {
    this.permission.set(await Notification.requestPermission());
  }

  /** One entry for each time, that replaces what an earlier file of the same job said. */
  protected async save(): Promise<void> {
    const [plan, file] = [this.plan(), this.desk.file()];
    if (plan === null || file === null) return;
    const { writeCalendar } = await import('@gold-peg/contract/calendar');
    const passport = String(file.passport.passport).padStart(4, '0');
    const { cents, hours } = this.settling.ways().hold;
    const entries = plan.times.map((at, nth) => ({
      id: `${file.job.id}-${nth + 1}`,
      at: new Date(at),
      minutes: VISIT_MIN,
      title: `Tune passport ${passport} again`,
      says: `${file.passport.name}, strings ${plan.strings.join(', ')}: about ${cents} cents off by then. It holds that for ${hours} h ${this.holds() === null ? 'from then' : `from ${this.holds()}`}.`,
      alarmBefore: 0,
    }));
    saveFile(`retunes-${passport}.ics`, writeCalendar(`Retunes of passport ${passport}`, entries, new Date()), 'text/calendar');
  }
}
