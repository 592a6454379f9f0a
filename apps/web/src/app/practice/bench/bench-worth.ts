import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toDegrees } from '@gold-peg/craft/units';
import { scaleLinear } from 'd3';
import { SimulatedBench } from './simulated-bench';

interface Row {
  name: string;
  says: string;
  good: boolean;
  /** Where it stands: nothing at 0, the most that is good work at 1. */
  at: number;
}

const WIDE = 190;
/** Good work ends there, and what lies farther than this stands at the end. */
const FARTHEST = 2;
const GOOD = { turns: 0.25, cents: 5, minutes: 1.5 };

/** What the work so far would be worth on a bench. */
@Component({
  selector: 'peg-bench-worth',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>Worth on a bench</h3>
    <dl>
      @for (row of rows(); track row.name) {
        <div>
          <dt>{{ row.name }}</dt>
          <dd [class.good]="row.good">{{ row.says }}</dd>
          <svg [attr.viewBox]="'0 0 ' + WIDE + ' 12'" preserveAspectRatio="none" aria-hidden="true">
            <rect class="good-part" y="3" height="5" [attr.width]="mark" />
            <line x1="0" [attr.x2]="WIDE" y1="8" y2="8" />
            <path [class.good]="row.good" [attr.d]="'M' + x(row.at) + ' 8 l-4 -7 h8 z'" />
          </svg>
        </div>
      }
    </dl>
    <p [class.bad]="back() !== ''">{{ back() === '' ? week() : back() }}</p>
  `,
  styleUrl: './bench-worth.scss',
})
export class BenchWorth {
  private readonly bench = inject(SimulatedBench);
  protected readonly WIDE = WIDE;
  private readonly scale = scaleLinear([0, FARTHEST], [4, WIDE - 6]).clamp(true);
  protected readonly mark = this.scale(1);
  protected x = (at: number) => this.scale(at);

  protected readonly rows = computed((): Row[] => {
    const { turnsOff, least, seconds, usual, lost, rounds } = this.bench.worth();
    const known = turnsOff.filter((off) => off !== null);
    const worst = Math.max(0, ...known.map(Math.abs));
    const most = Math.max(0, ...rounds);
    const under = least === null ? 0 : toDegrees(least.wanted) / Math.max(0.1, toDegrees(least.angle));
    return [
      { name: 'most turns off', says: known.length === 0 ? '–' : worst.toFixed(1), at: worst / GOOD.turns, good: worst <= GOOD.turns },
      {
        name: 'least over the nut',
        says: least === null ? '–' : `${toDegrees(least.angle).toFixed(1)}° of ${toDegrees(least.wanted).toFixed(0)}°`,
        at: under,
        good: under <= 1,
      },
      {
        name: 'minutes',
        says: `${Math.round(seconds / 60)}, usual ${Math.round(usual / 60)}`,
        at: seconds / usual / GOOD.minutes,
        good: seconds <= GOOD.minutes * usual,
      },
      { name: 'strings lost', says: lost === 0 ? 'none' : String(lost), at: lost === 0 ? 0 : FARTHEST, good: lost === 0 },
      { name: 'most rounds', says: most === 0 ? '–' : String(most), at: most / 6, good: most <= 6 },
    ];
  });
  /** Who would come back, and why; '' where nobody would. */
  protected readonly back = computed(() => {
    const { inAWeek } = this.bench.worth();
    const [worst] = this.bench
      .now()
      .strings.flatMap((on, index) => {
        const off = inAWeek[index];
        return on.at === 'wound' && on.judged && (off == null || Math.abs(off) > GOOD.cents)
          ? [{ number: index + 1, off: off ?? null }]
          : [];
      })
      .sort((a, b) => Math.abs(b.off ?? Infinity) - Math.abs(a.off ?? Infinity));
    if (worst === undefined) return '';
    const by = worst.off === null ? 'gone' : `${worst.off < 0 ? '−' : '+'}${Math.abs(worst.off).toFixed(0)} ¢`;
    return `Back in a week: string ${worst.number} ${by}.`;
  });
  protected readonly week = computed(() =>
    this.bench.now().strings.some((on) => on.at === 'wound' && on.judged)
      ? 'After a week of playing what was judged holds within 5 ¢.'
      : 'In a week: once a string was judged.',
  );
}
