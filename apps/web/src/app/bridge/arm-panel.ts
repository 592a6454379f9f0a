import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { armRange, bend, restingAt, type Band, type BridgeNow, type BridgeSpread } from '@gold-peg/craft/balance';
import { newtons, radians, toDegrees } from '@gold-peg/craft/units';
import { Measures, say } from '../preferences/measures';
import { BENT } from './bridge-solver';
import { list, plusMinus, signed } from './bridge-words';
import { sayPullWithin } from './pull-within';

interface ArmRow {
  string: number;
  down: string;
  up: string;
  bend: string;
}

/** What the arm does to each string between its stops, and what a bend of one does to the others. */
@Component({
  selector: 'peg-arm-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<table>
      <thead>
        <tr>
          <th scope="col">string</th>
          <th scope="col">arm down</th>
          <th scope="col">up, semitones</th>
          <th scope="col">bent a tone</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.string) {
          <tr>
            <th scope="row">{{ row.string }}</th>
            <td>{{ row.down }}</td>
            <td>{{ row.up }}</td>
            <td>{{ row.bend }}</td>
          </tr>
        }
      </tbody>
    </table>
    <p class="soft">{{ says() }}</p>`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      font-size: 15px;
      line-height: 1.1;
    }
    thead th {
      color: var(--ink-soft);
      font-size: 14px;
      font-weight: 400;
    }
    th {
      text-align: left;
    }
    td,
    th {
      padding: 0 8px 0 0;
      white-space: nowrap;
    }
    p {
      margin: 2px 0 0;
      font-size: 15px;
      line-height: 1.25;
    }
  `,
})
export class ArmPanel {
  readonly now = input.required<BridgeNow>();
  /** Strings in the order of the lanes beside it, zero-based. */
  readonly order = input.required<readonly number[]>();
  /** Bands of all this; null where nobody reckoned them. */
  readonly spread = input<BridgeSpread | null>(null);
  private readonly measures = inject(Measures);

  private readonly range = computed(() => {
    const { bridge, claw, rests } = this.now();
    return armRange(bridge, claw, rests);
  });
  protected readonly rows = computed(() => {
    const [now, range, spread] = [this.now(), this.range(), this.spread()];
    return this.order().map((index): ArmRow => {
      const string = range.strings[index] ?? null;
      if (string === null) return { string: index + 1, down: 'off', up: '–', bend: '–' };
      const bands = spread?.arm[index] ?? null;
      const slack = string.slackAt === null ? null : degreesDown(now, string.slackAt);
      return {
        string: index + 1,
        down:
          slack === null
            ? join(`${signed(string.down ?? 0)} semitones`, bands?.down, string.down)
            : `slack ${sayAngle(slack, bands?.slackAt)}`,
        up: string.up === null ? '–' : join(signed(string.up), bands?.up, string.up),
        bend: sayBend(now, index, bands?.bends),
      };
    });
  });
  protected readonly says = computed(() => {
    const [now, range] = [this.now(), this.range()];
    const first = range.slackFirst === null ? 'No string goes slack before the stop.' : `String ${range.slackFirst + 1} goes slack first.`;
    if (now.bridge.stops.back < 0) return first;
    const { pull, lifts } = restingAt(now.bridge, now.claw, now.rests);
    const spare = (100 * (lifts / pull - 1)).toFixed(0);
    const at = sayPullWithin(this.measures, newtons(lifts), this.spread()?.lifts);
    return `${first} It rests: strings pull ${say(this.measures.pull(newtons(pull)))}, it lifts at ${at}${lifts > pull ? `, ${spare} % more` : ': it has lifted already'}.`;
  });
}

const degreesDown = (now: BridgeNow, slackAt: number): number => toDegrees(radians(slackAt - now.angle));

/** What is shown with its band behind it. */
const join = (shown: string, band: Band | null | undefined, at: number | null, digits = 1): string =>
  [shown, plusMinus(band, at ?? Number.NaN, digits)].filter((part) => part !== '').join(' ');

const inDegrees = ({ low, likely, high }: Band): Band => ({
  low: toDegrees(radians(low)),
  likely: toDegrees(radians(likely)),
  high: toDegrees(radians(high)),
});
const sayAngle = (degrees: number, band: Band | null | undefined): string =>
  `${join(degrees.toFixed(1), band == null ? null : inDegrees(band), degrees)}° down`;

/** The strings that a whole-tone bend of one moves most. */
function sayBend({ bridge, claw, rests }: BridgeNow, index: number, band: Band | null | undefined): string {
  const moved = bend(bridge, claw, rests, index, BENT);
  const most = Math.min(...moved.map((each) => each ?? 0));
  if (most > -0.05) return 'nothing';
  const which = moved.flatMap((each, other) => (each !== null && each < most + 0.5 ? [other + 1] : []));
  return `string ${list(which)} ${join(signed(most, 0), band, most, 0)} ¢`;
}
