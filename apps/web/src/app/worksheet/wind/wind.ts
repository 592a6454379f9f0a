import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { postSpacing } from '@gold-peg/craft/instrument';
import type { WindPlan } from '@gold-peg/craft/procedure';
import { metres, radians, toDegrees, toMillimetres } from '@gold-peg/craft/units';
import { degrees, Measures, NEXT_SLACK_MEASURE, say, turnsToQuarter } from '../../preferences/measures';
import { Session } from '../../session/session';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { MeasuredWidth } from '../../ui/measured-width';
import { WorksheetDesk } from '../desk/worksheet-desk';
import { CutRule } from './cut-rule';
import { Headstock } from './headstock';
import { instructionFor } from './instruction';
import { PostSide } from './post-side';
import { turnsReason } from '../why/wind-reasons';

/** A narrower band is within what a hand can measure. */
const BAND_SHOWN_MM = 3;
const HEAD_PX = 28;
/** Degrees at the right end of the small scale beside each nut angle. */
const ANGLE_SCALE_DEG = 16;

/** The hero view: headstock to scale, cut marks, and per lane everything needed to cut and wind it. */
@Component({
  selector: 'peg-wind',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, CutRule, Headstock, LaneBadge, MeasuredWidth, PostSide],
  templateUrl: './wind.html',
  styleUrl: './wind.scss',
})
export class Wind {
  readonly marked = output();
  readonly takenBack = output();
  readonly scrapped = output();
  readonly why = output();
  readonly goneOn = output();

  protected readonly desk = inject(WorksheetDesk);
  private readonly measures = inject(Measures);
  private readonly session = inject(Session);
  protected readonly width = signal(560);

  protected readonly laneHeight = computed(() => {
    const count = this.desk.lanes().length;
    return count <= 4 ? 72 : count <= 6 ? 54 : 41;
  });
  protected readonly height = computed(() => HEAD_PX + this.laneHeight() * this.desk.lanes().length);
  protected readonly laneCentres = computed(() => this.desk.lanes().map(({ index }) => HEAD_PX + this.laneHeight() * (index + 0.5)));
  protected readonly done = computed(() => this.desk.sheet().done.wind.map((event) => event !== null));
  protected readonly measureName = computed(
    () => ({ 'pull-back': 'pulled back to', posts: 'in posts', 'past-post': 'past the post' })[this.measures.slackMeasure()],
  );

  protected readonly caption = computed(() => {
    const instrument = this.desk.instrument();
    if (instrument === null) return '';
    const spacing = postSpacing(instrument, 0);
    const angle = Math.round(toDegrees(instrument.headstock.angle));
    return `to scale · ${spacing === null ? '' : `${say(this.measures.length(spacing))} between posts · `}headstock ${angle === 0 ? 'flat' : `back ${angle}°`}`;
  });
  protected readonly sides = computed(() => {
    const count = this.desk.lanes().length;
    const inLine = this.desk.instrument()?.headstock.layout === 'in-line';
    return `string ${count} nearest you · ${inLine ? 'all posts turn anticlockwise' : 'bass side turns anticlockwise, treble side clockwise'}`;
  });

  protected readonly rows = computed(() =>
    this.desk.lanes().map((lane) => {
      const inHand = this.desk.lane() === lane.index;
      const plan = inHand ? this.desk.planInHand() : (this.desk.plans()[lane.index] ?? null);
      const done = this.done()[lane.index] ?? false;
      return {
        lane,
        inHand,
        done,
        badge: inHand && !this.desk.closed() ? ('in-hand' as const) : done ? ('done' as const) : ('open' as const),
        gauge: lane.string === null ? '–' : this.measures.gauge(lane.gauge * 1000),
        mark: { plain: 'p', wound: 'w', nylon: 'n' }[lane.texture],
        turns: plan === null ? '–' : turnsToQuarter(Math.max(0, plan.wind.turns)),
        slack: plan === null ? null : this.slackOf(plan),
        measure: plan === null ? '–' : this.ownMeasure(plan),
        cut: plan === null ? null : this.measures.length(plan.cut),
        ...this.nutOf(plan),
      };
    }),
  );

  protected readonly inHand = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly housePlan = computed(() => this.desk.plans()[this.desk.lane()] ?? null);
  protected readonly nextPost = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null ? null : postSpacing(instrument, this.desk.lane());
  });
  protected readonly instruction = computed(() => {
    const lane = this.inHand();
    const plan = this.desk.planInHand();
    return lane === null || plan === null ? null : instructionFor(lane, plan);
  });
  protected readonly reason = computed(() => {
    const plan = this.housePlan();
    return plan === null ? '' : turnsReason(plan);
  });
  /** The sum behind the cut mark, with its values. */
  protected readonly sum = computed(() => {
    const plan = this.desk.planInHand();
    if (plan === null) return '';
    const long = (value: number) => this.measures.length(metres(value), 1).value;
    const lock = plan.allowance > 0 ? ` + ${long(plan.allowance)} lock` : '';
    return `${plan.wind.turns.toFixed(1)} turns take up ${long(plan.wind.slack + plan.wind.stretch)} − stretch to pitch ${long(plan.wind.stretch)}${lock} → slack ${long(plan.slack)} ${this.measures.units().length}, + ${long(plan.cut - plan.slack)} for the end`;
  });
  protected readonly stretchMakesIt = computed(() => {
    const plan = this.desk.planInHand();
    return plan !== null && plan.slack < 0;
  });
  protected readonly notTaken = computed(() => (this.desk.sheet().chosen === null ? (this.desk.candidate()?.name ?? null) : null));
  protected readonly left = computed(() => this.done().filter((done) => !done).length);

  protected nextMeasure(): void {
    void this.session.prefer({ slackMeasure: NEXT_SLACK_MEASURE[this.measures.slackMeasure()] });
  }

  private slackOf(plan: WindPlan) {
    const [low, high] = plan.slackRange;
    const band =
      toMillimetres(metres(high - low)) > BAND_SHOWN_MM ? `${this.measures.length(low).value} to ${this.measures.length(high).value}` : '';
    return { ...this.measures.length(plan.slack), band };
  }

  private ownMeasure(plan: WindPlan): string {
    if (plan.slack < 0) return 'none: it stretches';
    const measure = this.measures.slackMeasure();
    if (measure === 'posts' && plan.postSpacings !== null) return `${plan.postSpacings.toFixed(1)} posts`;
    if (measure === 'past-post') return `${this.measures.length(plan.cut).value} past it`;
    return plan.pullBackFret === null ? '–' : `fret ${plan.pullBackFret.toFixed(1)}`;
  }

  private nutOf(plan: WindPlan | null) {
    const nut = plan?.nut ?? null;
    if (nut === null) return { angle: '–', angleWidth: 0, wantedLeft: 0, low: false };
    const percent = (angle: number) => Math.max(0, Math.min(100, (100 * toDegrees(radians(angle))) / ANGLE_SCALE_DEG));
    return {
      angle: degrees(nut.vertical),
      angleWidth: percent(nut.vertical),
      wantedLeft: percent(nut.wanted),
      low: nut.vertical < nut.wanted - 1e-9,
    };
  }
}
