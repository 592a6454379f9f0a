import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Due } from '@gold-peg/craft/wear';
import { fromMillimetres, newtons } from '@gold-peg/craft/units';
import type { Passport } from '@gold-peg/contract/register';
import { Measures, say } from '../../preferences/measures';
import { MeasuredWidth } from '../../ui/measured-width';
import { splitNote, textureOf } from '../../ui/string-face';
import { sayFinding } from '../../worksheet/look-over/finding-words';
import { BESIDE, curveOf, foundMarks, LEFT, LETTER, lifeMarks, measuredOf, pullsOf, setupMarks, timeAxis, type Curve } from './time-line';
import { houseTime } from '../../server/house-zone';

const RULE = 46;
const SETUPS = 68;
const BOARD = 24;
const CHART = 70;
const DATE = houseTime({ day: 'numeric', month: 'short' });
/** The tallest bar of a round, px, and what it stands for, cents. */
const BAR = { px: 22, cents: 60 };

interface Chart {
  name: string;
  about: string;
  top: number;
  curves: { kind: string; curve: Curve }[];
  none: string;
}

/** All that an instrument went through on one time line: setups, the life of each string, findings, pull, relief and action, and what is likely to come. */
@Component({
  selector: 'peg-life-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MeasuredWidth],
  templateUrl: './life-picture.html',
  styleUrl: './life-picture.scss',
})
export class LifePicture {
  readonly passport = input.required<Passport>();
  /** Condition of its strings; null where nothing is known of them. */
  readonly due = input.required<Due | null>();
  readonly now = input.required<number>();

  private readonly measures = inject(Measures);
  protected readonly LEFT = LEFT;
  protected readonly BESIDE = BESIDE;
  protected readonly RULE = RULE;
  protected readonly width = signal(900);
  protected readonly axis = computed(() => timeAxis(this.passport().setups, this.due(), this.now(), this.width()));
  protected readonly today = computed(() => this.axis().x(this.now()));
  private readonly lane = computed(() => {
    const count = this.passport().geometry.strings.length;
    return count <= 6 ? 36 : count <= 8 ? 30 : 24;
  });
  protected readonly setups = computed(() =>
    setupMarks(this.axis(), this.passport().setups).map(({ setup, x, room, rounds }) => ({
      id: setup.jobId,
      x,
      date: fits(DATE.format(new Date(setup.fittedAt)), room),
      set: fits(setup.only === undefined ? setup.setName : `string ${setup.only.strings.join(', ')}`, room),
      by: fits(setup.fittedBy, room),
      bars: rounds.map((cents, nth) => ({ x: x + 8 + 7 * nth, height: Math.max(2, Math.min(BAR.px, (cents * BAR.px) / BAR.cents)) })),
      rounds: [
        ...(rounds.length === 0 ? [] : [`${rounds.length} rounds, ${rounds.map((cents) => cents.toFixed(0)).join(', ')} ¢`]),
        ...(setup.minutes === undefined ? [] : [`${setup.minutes.toFixed(0)} min`]),
      ].join('; '),
      says: room < 90 ? '' : sayWork(rounds.length, setup.minutes ?? null, room),
    })),
  );
  protected readonly lanes = computed(() => {
    const [{ setups, geometry }, axis, due, lane] = [this.passport(), this.axis(), this.due(), this.lane()];
    const found = foundMarks(axis, setups);
    return geometry.strings.map(({ note }, index) => {
      const wear = due?.wear.get(index + 1) ?? null;
      const lives = lifeMarks(axis, setups, index + 1);
      return {
        number: index + 1,
        ...splitNote(note),
        y: RULE + SETUPS + lane * (index + 0.5),
        half: lane / 2,
        first: due?.string === index + 1,
        age: wear === null ? '' : `${wear.ageDays.toFixed(0)} d`,
        hours: wear === null ? '' : `${wear.playedHours.likely.toFixed(0)} h`,
        lives: lives.map((life) => ({
          ...life,
          gauge: fits(this.measures.gauge(life.gaugeMm), life.to - life.from),
          texture: textureOf(life.construction),
          thick: Math.max(2, Math.min(8, 3.4 * life.gaugeMm + 0.6)),
        })),
        found: found
          .filter(({ finding }) => finding.string === index + 1)
          .map((mark) => ({ ...mark, says: fits(sayFinding({ ...mark.finding, string: null }), mark.to - mark.from - 14) })),
        forecast: wear === null ? null : this.forecast(wear.due),
      };
    });
  });
  protected readonly board = computed(() => {
    const y = RULE + SETUPS + this.lane() * this.lanes().length;
    const found = foundMarks(this.axis(), this.passport().setups).filter(({ finding }) => finding.string === null);
    return { y, found: found.map((mark) => ({ ...mark, says: fits(sayFinding(mark.finding), mark.to - mark.from - 14) })) };
  });
  protected readonly charts = computed<Chart[]>(() => {
    const [passport, axis, top] = [this.passport(), this.axis(), this.board().y + BOARD + 8];
    const room = (nth: number) => ({ top: top + nth * CHART + 20, bottom: top + (nth + 1) * CHART - 12 });
    const inMm = (what: Parameters<typeof measuredOf>[1], nth: number, kind: string) => {
      const values = measuredOf(passport.setups, what).map((each) => ({
        ...each,
        says: this.measures.length(fromMillimetres(each.value), 2).value,
      }));
      const curve = curveOf(axis, values, { ...room(nth), step: false });
      return curve === null ? [] : [{ kind, curve }];
    };
    const pulls = pullsOf(passport).map((each) => ({ ...each, says: say(this.measures.pull(newtons(each.value))) }));
    const pull = curveOf(axis, pulls, { ...room(0), step: true });
    const { pull: unit, length } = this.measures.units();
    return [
      {
        name: 'pull',
        about: `all strings, ${unit}`,
        top,
        curves: pull === null ? [] : [{ kind: 'pull', curve: pull }],
        none: 'no set is known',
      },
      { name: 'relief', about: length, top: top + CHART, curves: inMm('relief', 1, 'relief'), none: 'never measured' },
      {
        name: 'action, bass',
        about: `at 12, ${length}`,
        top: top + 2 * CHART,
        curves: inMm('action-bass', 2, 'action'),
        none: 'never measured',
      },
      {
        name: 'action, treble',
        about: `at 12, ${length}`,
        top: top + 3 * CHART,
        curves: inMm('action-treble', 3, 'action'),
        none: 'never measured',
      },
    ];
  });
  protected readonly height = computed(() => this.board().y + BOARD + 8 + 4 * CHART);

  /** Where a string is likely worn, as it lies on the line. */
  private forecast({ low, likely, high }: { low: number; likely: number; high: number }) {
    const { x, now, end } = this.axis();
    const [from, to] = [x(Math.max(now, Math.min(low, end))), x(Math.max(now, Math.min(high, end)))];
    const past = likely < now ? `since ${DATE.format(likely)}` : likely > end ? `${DATE.format(likely)} ▸` : null;
    return { from, to, at: likely < now || likely > end ? null : x(likely), past, late: likely < now };
  }
}

/** As much of a label as there is room for; nothing where that would be a stump. */
function fits(label: string, room: number): string {
  const letters = Math.floor((room - 12) / LETTER);
  if (label.length <= letters) return label;
  return letters < 6 ? '' : `${label.slice(0, letters - 1)}…`;
}

/** How many rounds it took to settle, and the minutes that somebody attended to it, as far as there is room. */
const sayWork = (rounds: number, minutes: number | null, room: number): string =>
  [...(rounds === 0 ? [] : [String(rounds)]), ...(minutes === null || room < 125 ? [] : [`${minutes.toFixed(0)} min`])].join(' · ');
