import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { postSpacing } from '@gold-peg/craft/instrument';
import { practiceGap } from '@gold-peg/craft/procedure';
import { SLACK_SCHOOLS, type SlackSchool } from '@gold-peg/craft/methods';
import { fromMillimetres, metres, toDegrees } from '@gold-peg/craft/units';
import { Headstock } from '../../headstock';
import { Measures, say } from '../../preferences/measures';
import { sayLeft, SCHOOLS } from '../../preferences/slack-words';
import { Session } from '../../session/session';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { LaneButton } from '../../ui/lane-button';
import { MeasuredWidth } from '../../ui/measured-width';
import { CutRule } from '../cut';
import { BenchActions, sayHeldUp } from '../actions';
import { WorksheetDesk } from '../desk';
import { Stands } from '../lanes';
import { PostSide } from '../post-side';
import { longIn, turnsReason } from '../why';
import { sayGap } from './gap-words';
import { instructionFor, laneNumbers, sayCutTime, sayOverfull } from '../wind-words';
import { liveFacts } from './live-facts';
import { TurnsCounted } from './turns-counted';
import { COARSE, LEAST_TOUCH_PX } from '../../ui/touch';
import { WindDialogs } from './wind-dialogs';

const HEAD_PX = 28;

/** The hero view: headstock to scale, cut marks, and per lane everything needed to cut and wind it. */
@Component({
  selector: 'peg-wind',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Caution,
    CutRule,
    FormsModule,
    Headstock,
    LaneBadge,
    LaneButton,
    MatButtonModule,
    MatMenuModule,
    MeasuredWidth,
    PostSide,
    RouterLink,
    Stands,
    TurnsCounted,
  ],
  templateUrl: './wind.html',
  styleUrl: './wind.scss',
})
export class Wind {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  protected readonly dialogs = inject(WindDialogs);
  protected readonly session = inject(Session);
  private readonly measures = inject(Measures);
  protected readonly width = signal(560);
  protected readonly schools = SLACK_SCHOOLS.map((id) => ({ id, ...SCHOOLS[id] }));

  protected readonly laneHeight = computed(() => {
    const count = this.desk.lanes().length;
    if (COARSE.matches) return count <= 4 ? 64 : count <= 6 ? 50 : LEAST_TOUCH_PX;
    return count <= 4 ? 60 : count <= 6 ? 46 : count <= 8 ? 35 : 25;
  });
  protected readonly height = computed(() => HEAD_PX + this.laneHeight() * this.desk.lanes().length);
  protected readonly laneCentres = computed(() => {
    const lying = this.desk.inView(this.desk.lanes()).map(({ index }) => index);
    return this.desk.lanes().map(({ index }) => HEAD_PX + this.laneHeight() * (lying.indexOf(index) + 0.5));
  });
  protected readonly done = computed(() => this.desk.sheet().done.wind.map((event) => event !== null));
  protected readonly measureName = computed(() => SCHOOLS[this.session.preferences().slackMeasure].short);

  protected readonly caption = computed(() => {
    const instrument = this.desk.instrument();
    if (instrument === null) return '';
    const { angle, layout } = instrument.headstock;
    if (layout === 'headless') return 'head and tail to scale · neck left out';
    const spacing = postSpacing(instrument, 0);
    const back = Math.round(toDegrees(angle));
    return `to scale · ${spacing === null ? '' : `${say(this.measures.length(spacing))} between posts · `}headstock ${back === 0 ? 'flat' : `back ${back}°`}`;
  });
  protected readonly sides = computed(() => {
    const lying = this.desk.inView(this.desk.lanes());
    const nearest = `string ${lying.at(-1)?.number ?? ''} nearest you`;
    const turns = new Set(this.desk.plans().map((plan) => (plan?.kind === 'post' ? plan.direction : null)));
    const instrument = this.desk.instrument();
    if (instrument?.headstock.layout === 'headless') return `${nearest} · clamped at the head, drawn up at the tail`;
    if (instrument?.headstock.layout === 'slotted') return `${nearest} · wind over the top`;
    if (turns.size === 1) return `${nearest} · all posts turn ${[...turns][0] ?? ''}`;
    const [bass, treble] = instrument?.hand === 'left' ? ['clockwise', 'anticlockwise'] : ['anticlockwise', 'clockwise'];
    return `${nearest} · bass side turns ${bass}, treble side ${treble}`;
  });

  /** Whether somebody measured this headstock: what is typical only never warns in red. */
  protected readonly measured = computed(() => this.desk.file()?.passport.geometry.measured.includes('holes') ?? false);
  protected readonly rows = computed(() =>
    this.desk.inView(this.desk.lanes()).map((lane) => {
      const inHand = this.desk.lane() === lane.index;
      const plan = this.desk.plans()[lane.index] ?? null;
      const wound = this.desk.winding.asWound()[lane.index] ?? null;
      const done = this.done()[lane.index] ?? false;
      return {
        lane,
        inHand,
        done,
        apart: this.desk.inJob()[lane.index] === false,
        badge: inHand && !this.desk.closed() ? ('in-hand' as const) : done ? ('done' as const) : ('open' as const),
        ...laneNumbers(lane, { plan, wound, measures: this.measures, leaves: this.desk.leaves().value }),
        ...(this.desk.inJob()[lane.index] === false && this.asItStays(lane.index)),
      };
    }),
  );

  /** A string that is no part of the job, with what the passport knows of it. */
  private asItStays(index: number) {
    const string = this.desk.file()?.passport.current?.strings.find(({ string: number }) => number === index + 1);
    const slack = string?.slackMm == null ? null : fromMillimetres(string.slackMm);
    const clamped = this.desk.lanes()[index]?.place.post.style === 'clamp';
    return {
      turns: sayLeft({ turns: string?.turns ?? null, slack, clamped }, this.measures).turns,
      counted: false,
      slack: slack === null ? null : { ...this.measures.length(slack, clamped ? 1 : 0), band: '' },
      measure: '–',
      cut: null,
      angle: '–',
      bar: null,
      low: false,
    };
  }

  protected readonly inHand = computed(() => this.desk.lanes()[this.desk.lane()] ?? null);
  protected readonly woundInHand = computed(() => this.done()[this.desk.lane()] ?? false);
  protected readonly housePlan = computed(() => this.desk.winding.house()[this.desk.lane()] ?? null);
  protected readonly nextPost = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null || this.housePlan()?.kind !== 'post' ? null : postSpacing(instrument, this.desk.lane());
  });
  protected readonly lastColumn = computed(() => (this.desk.instrument()?.headstock.layout === 'headless' ? 'screw' : 'nut angle'));
  protected readonly instruction = computed(() => {
    const [lane, plan, instrument] = [this.inHand(), this.desk.planInHand(), this.desk.instrument()];
    return lane === null || plan === null || instrument === null
      ? null
      : instructionFor(lane, plan, instrument, (length) => say(this.measures.length(length)));
  });
  protected readonly cutTime = computed(() => {
    const plan = this.housePlan();
    return plan === null ? '' : sayCutTime(plan.methods.cut);
  });
  protected readonly reason = computed(() => {
    const [lane, plan, instrument] = [this.inHand(), this.housePlan(), this.desk.instrument()];
    return lane === null || plan === null || instrument === null ? '' : turnsReason(plan, lane, instrument, longIn(this.measures));
  });
  protected readonly live = computed(() => {
    const plan = this.desk.planInHand();
    return plan === null ? [] : liveFacts(plan, (length, digits) => say(this.measures.length(length, digits)));
  });
  /** Why the mark that is tried cannot be wound; null where it can. */
  protected readonly overfull = computed(() => {
    const plan = this.desk.planInHand();
    if (plan === null || !this.desk.winding.overfills(this.desk.lane())) return null;
    return sayOverfull(plan, (length) => say(this.measures.length(length, 1)));
  });
  /** The sum behind the cut mark, with its values. */
  protected readonly sum = computed(() => {
    const plan = this.desk.planInHand();
    if (plan === null) return '';
    const long = (value: number) => this.measures.length(metres(value), 1).value;
    const { length: unit } = this.measures.units();
    if (plan.kind === 'clamp')
      return `arc of slack ${long(plan.slack)} + grip of the clamp ${long(plan.grip)} → ${long(plan.cut)} ${unit} past the clamp`;
    if (plan.methods.turns === null)
      return `pulled straight: stretch to pitch ${long(plan.stretched)} ${unit} turns the post ${plan.wind.rotationTurns.toFixed(1)} of a turn`;
    const bend = plan.bend === null ? 'end' : 'bend there, cut beyond it by';
    const lock = plan.allowance > 0 ? ` + ${long(plan.allowance)} lock` : '';
    return `${plan.wind.turns.toFixed(1)} turns take up ${long(plan.wind.slack + plan.wind.stretch)} − stretch to pitch ${long(plan.wind.stretch)}${lock} → slack ${long(plan.slack)} ${unit}, ${bend} ${long(plan.cut - plan.slack)}`;
  });
  protected readonly notTaken = computed(() => (this.desk.sheet().chosen === null ? (this.desk.candidate()?.name ?? null) : null));
  /** Where practice leaves much more or less than this post would take: then the post is not as it is noted. */
  protected readonly gap = computed(() => {
    const [lane, plan, instrument] = [this.inHand(), this.housePlan(), this.desk.instrument()];
    if (lane === null || plan?.kind !== 'post' || instrument === null) return null;
    const gap = practiceGap(plan, lane.place, instrument.family);
    return gap === null ? null : sayGap(gap, (length) => say(this.measures.length(length)));
  });

  protected readonly held = computed(() => {
    const why = this.desk.heldUp();
    return why === null ? null : sayHeldUp(why, this.desk.lane() + 1);
  });
  /** What Space does now. */
  protected readonly spaceSays = computed(() => {
    const held = this.held();
    const next = this.desk.nextOpen();
    if (held !== null) return held.act;
    if (!this.woundInHand()) return `String ${this.desk.lane() + 1} wound`;
    return next === null ? 'On along the rule' : `On to string ${next + 1}`;
  });

  protected follow(slackMeasure: SlackSchool): void {
    void this.session.prefer({ slackMeasure });
  }
}
