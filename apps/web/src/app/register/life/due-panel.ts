import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { playedHours, type Passport } from '@gold-peg/contract/register';
import type { Due } from '@gold-peg/craft/wear';
import { faultOf } from '../../form';
import { scaleLinear } from 'd3';
import { Api } from '../../server/api';
import { sayProblem } from '../../server/server-problem';
import { NumberForm } from '../../ui/number-form';
import { lifeRows, sayWhen, sharpened, USUAL_HOURS } from './due-words';
import { houseTime } from '../../server/house-zone';

const DAY = houseTime({ day: 'numeric', month: 'short' });
const WITH_YEAR = houseTime({ day: 'numeric', month: 'short', year: 'numeric' });
const MONTH = houseTime({ month: 'short', year: '2-digit' });
/** Lives that are shown, the latest. */
const SHOWN = 5;

/** When an instrument should come back, why, and what would say it better. */
@Component({
  selector: 'peg-due-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberForm],
  templateUrl: './due-panel.html',
  styleUrl: './due-panel.scss',
})
export class DuePanel {
  readonly passport = input.required<Passport>();
  readonly due = input.required<Due>();
  readonly now = input.required<number>();
  readonly changed = output();

  private readonly api = inject(Api);
  protected readonly weekly = computed(() => this.passport().hours?.weeklyHours ?? USUAL_HOURS);
  protected readonly typed = linkedSignal<number | null>(() => this.passport().hours?.weeklyHours ?? null);
  protected readonly fault = signal<string | null>(null);
  private readonly wear = computed(() => this.due().wear.get(this.due().string) ?? null);

  protected readonly says = computed(() => {
    const [wear, now] = [this.wear(), this.now()];
    if (wear === null) return null;
    const { low, likely, high } = wear.due;
    const date = new Date(likely).getFullYear() === new Date(now).getFullYear() ? DAY : WITH_YEAR;
    return { date: date.format(likely), when: sayWhen(likely, now), late: likely < now, low: DAY.format(low), high: DAY.format(high) };
  });
  protected readonly mark = computed(() => {
    const band = this.wear()?.due;
    if (band === undefined) return 50;
    return (100 * (band.likely - band.low)) / (band.high - band.low);
  });
  protected readonly lives = computed(() => {
    const [wear, rows] = [this.wear(), lifeRows(this.passport(), this.due().string, this.weekly(), this.now())];
    const most = Math.max(1, wear?.lastsHours.high ?? 0, ...rows.map(({ hours }) => hours));
    const x = scaleLinear([0, most], [0, 100]);
    return {
      rows: rows.slice(-SHOWN).map((row) => ({
        ...row,
        since: MONTH.format(row.from),
        width: x(row.hours),
        told: `${row.hours.toFixed(0)} h`,
      })),
      low: x(wear?.lastsHours.low ?? 0),
      high: x(wear?.lastsHours.high ?? 0),
      band: wear === null ? '' : `worn at ${wear.lastsHours.low.toFixed(0)} to ${wear.lastsHours.high.toFixed(0)} h`,
    };
  });
  protected readonly why = computed(() => {
    const [{ hours, ownerName }, wear] = [this.passport(), this.wear()];
    if (wear === null) return '';
    const left = wear.lastsHours.likely - wear.playedHours.likely;
    const who = ownerName ?? 'Its player';
    const played =
      hours === null
        ? `Nobody asked how much it is played: ${USUAL_HOURS} h a week are taken for granted`
        : `${who} plays it ${hours.weeklyHours} h a week, asked ${MONTH.format(new Date(hours.askedAt))}`;
    const rest = left > 0 ? `${left.toFixed(0)} h to go` : 'it is past its hours';
    const sets = wear.learnedFrom;
    const learned = sets === 0 ? 'no set of it was lived to its end yet' : `learned from ${sets} ${sets === 1 ? 'set' : 'sets'} of its own`;
    return `${played}: ${rest}; ${learned}.`;
  });
  protected readonly sharper = computed(() => {
    const { as, asked } = sharpened(this.passport(), this.due(), this.now());
    return {
      as: `±${as.toFixed(0)} d`,
      asked: `±${asked.toFixed(0)} d`,
      share: (100 * asked) / Math.max(as, asked),
      helps: asked < 0.95 * as,
    };
  });

  /** What the player said, today. */
  protected readonly keep = async (): Promise<boolean> => {
    const hours = { weeklyHours: this.typed() ?? Number.NaN, askedAt: new Date().toISOString() };
    const read = playedHours.safeParse(hours);
    if (!read.success) {
      this.fault.set(`Hours a week ${faultOf(read.error)}.`);
      return false;
    }
    const { id, version, name, ownerId, remark } = this.passport();
    try {
      await this.api.call('changeInstrument', { params: { id }, body: { version, name, ownerId, remark, hours } });
    } catch (error) {
      this.fault.set(sayProblem(error));
      return false;
    }
    this.fault.set(null);
    this.changed.emit();
    return true;
  };
}
