import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { heardAt } from '@gold-peg/contract/bench-log';
import { turnsBetween } from '@gold-peg/craft/procedure';
import { tensionFor } from '@gold-peg/craft/tension';
import { CONCERT_A4, hertz, noteAtOrBelow } from '@gold-peg/craft/units';
import { faultOf } from '../../form';
import { scaleLinear } from 'd3';
import { Measures, say } from '../../preferences/measures';
import { Caution } from '../../ui/caution';
import { LaneBadge } from '../../ui/lane-badge';
import { LaneButton } from '../../ui/lane-button';
import { MeasuredWidth } from '../../ui/measured-width';
import { NumberForm } from '../../ui/number-form';
import { OneOf, type Choice } from '../../ui/one-of';
import { Drafts, WorksheetDesk } from '../desk';
import { NowPanel } from '../now';
import { HearingPanel, Listening } from '../hearing';
import { ComingUp } from './coming-up';
import { sayReading, sayTurns } from './reading-words';
import { UpOrder } from './up-order';
import { highestOf, LOWEST, sayCents, type UpRow } from './up-rows';

const SEMITONES = Array.from({ length: 13 }, (_, index) => -100 * index);
/** Cents on the large scale of the string in hand, about where it is brought. */
const NEAR = { under: 55, over: 16 };

type About = 'order' | 'string';
const ABOUT: readonly Choice<About>[] = [
  { value: 'order', label: 'order' },
  { value: 'string', label: 'this string' },
];

/** Brings strings up by ear: where each stands between slack and breaking, what the peg still has to do, and when it is there. */
@Component({
  selector: 'peg-bring-up',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Caution,
    ComingUp,
    HearingPanel,
    LaneBadge,
    LaneButton,
    MatButtonModule,
    MatCheckboxModule,
    MeasuredWidth,
    NowPanel,
    NumberForm,
    OneOf,
    UpOrder,
  ],
  templateUrl: './bring-up.html',
  styleUrl: './bring-up.scss',
})
export class BringUp {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly listening = inject(Listening);
  private readonly measures = inject(Measures);
  protected readonly sayCents = sayCents;
  /** Px that a scale has. */
  protected readonly width = signal(600);
  protected readonly typed = inject(Drafts).draft<{ cents: number | null; fault: string | null }>(
    () => `on its way up, ${this.desk.lane()}`,
    () => ({ cents: null, fault: null }),
  );

  protected readonly ABOUT = ABOUT;
  protected readonly chosen = signal<About>('order');
  /** One by one there is no order that loads evenly. */
  protected readonly about = computed<About>(() => (this.desk.comesUpTogether() ? this.chosen() : 'string'));
  private readonly a4 = computed(() => this.desk.instrument()?.a4 ?? CONCERT_A4);
  protected readonly aim = this.listening.aim;
  protected readonly rows = computed<UpRow[]>(() =>
    this.desk.inView(
      this.desk.lanes().map((lane) => {
        const [inHand, plan] = [this.desk.lane() === lane.index, this.desk.plans()[lane.index] ?? null];
        const done = this.desk.sheet().done['bring-up'][lane.index] !== null;
        const apart = this.desk.inJob()[lane.index] === false;
        const cents = this.listening.last()[lane.index] ?? null;
        const target = this.listening.targets()[lane.index] ?? null;
        const over = (pitch: number) => (target === null ? 0 : 1200 * Math.log2(pitch / target));
        const up = this.desk.sheet().tensioned[lane.index] ?? null;
        return {
          lane,
          inHand,
          done,
          apart,
          badge: inHand && !this.desk.closed() ? 'in-hand' : done ? 'done' : 'open',
          gauge: lane.string === null ? '–' : this.measures.gauge(lane.gauge * 1000),
          construction: lane.string?.construction ?? '',
          cents,
          says: apart ? 'stays' : done ? 'at pitch' : up !== null ? 'up' : '',
          turns: done || apart ? '' : this.sayLeft(lane.index, cents),
          safe: plan === null ? 0 : over(plan.load.safePitch),
          breaks: plan === null ? 0 : over(plan.load.breakingPitch),
          limits:
            plan === null
              ? null
              : { safe: noteAtOrBelow(plan.load.safePitch, this.a4()), breaks: noteAtOrBelow(plan.load.breakingPitch, this.a4()) },
          thick: Math.max(1.5, lane.gauge * 1000 * 4),
        };
      }),
    ),
  );
  protected readonly inHand = computed(() => this.rows().find(({ inHand }) => inHand) ?? null);
  protected readonly x = computed(() => scaleLinear([LOWEST, highestOf(this.rows())], [0, this.width()]).clamp(true));
  /** A tick for each semitone up to the note. */
  protected readonly ticksPath = computed(() => `M0 23H${this.width()}${SEMITONES.map((cents) => `M${this.x()(cents)} 23v-5`).join('')}`);
  /** The last cents about the aim, many times larger. */
  protected readonly near = computed(() => {
    const { cents } = this.aim();
    return scaleLinear([cents - NEAR.under, cents + NEAR.over], [0, this.width()]).clamp(true);
  });
  protected readonly nearTicks = computed(() => {
    const { cents } = this.aim();
    return Array.from({ length: NEAR.under + NEAR.over + 1 }, (_, index) => cents - NEAR.under + index).map((value) => ({
      value,
      x: this.near()(value),
      long: value % 10 === 0,
    }));
  });
  /** Now, or where it was read last. */
  protected readonly stands = computed(() => this.listening.live() ?? this.inHand()?.cents ?? null);
  /** The same where it is on the large scale; null where it is not. */
  protected readonly nearBy = computed(() => {
    const [cents, { cents: aim }] = [this.stands(), this.aim()];
    return cents !== null && cents > aim - NEAR.under && cents < aim + NEAR.over ? cents : null;
  });
  /** What it bears there, and what is left to breaking. */
  protected readonly bears = computed(() => {
    const [cents, target] = [this.stands(), this.listening.targets()[this.desk.lane()]];
    const { string, place } = this.desk.lanes()[this.desk.lane()] ?? { string: null, place: undefined };
    if (cents === null || target === undefined || string === null || place === undefined) return null;
    const pull = tensionFor(hertz(target * 2 ** (cents / 1200)), place.scaleLength, string);
    return `pulls ${say(this.measures.pull(pull))}, ${(100 * (1 - pull / string.breakingLoad)).toFixed(0)} % to spare`;
  });
  protected readonly isLive = computed(() => this.listening.live() !== null);
  protected readonly words = computed(() => {
    const row = this.inHand();
    if (row === null) return null;
    const cents = this.stands();
    return sayReading({
      cents,
      aim: this.aim(),
      arrived: this.listening.hasArrived(),
      safe: row.safe,
      breaks: row.breaks,
      turns: this.turnsLeft(row.lane.index, cents),
    });
  });
  protected readonly trace = computed(() => {
    const { cents } = this.aim();
    const read = this.desk.sheet().heard[this.desk.lane()] ?? [];
    return read
      .slice(-4, -1)
      .flatMap(({ payload }) => (payload.cents > cents - NEAR.under && payload.cents < cents + NEAR.over ? [payload.cents] : []));
  });

  protected readonly keepTyped = async (): Promise<boolean> => {
    const { cents } = this.typed.value();
    const refuse = (fault: string) => {
      this.typed.type({ cents, fault });
      return false;
    };
    if (cents === null) return refuse('Type how many cents from its note your tuner reads it, below zero under it.');
    const read = heardAt.safeParse({ cents, sure: null, by: 'typed' });
    if (!read.success) return refuse(`Cents, ${cents} ¢, ${faultOf(read.error)}.`);
    const forget = this.typed.forgetter();
    await this.listening.type(cents);
    forget();
    return true;
  };

  private sayLeft(lane: number, cents: number | null): string {
    const turns = this.turnsLeft(lane, cents);
    return turns === null ? '' : sayTurns(turns);
  }

  /** Turns of the button to where it is brought; null where that is not known, or it is there or over it. */
  private turnsLeft(lane: number, cents: number | null): number | null {
    const [plan, target, instrument] = [this.desk.plans()[lane] ?? null, this.listening.targets()[lane], this.desk.instrument()];
    const { string, place } = this.desk.lanes()[lane] ?? { string: null };
    if (plan === null || target === undefined || cents === null || string === null || place === undefined || instrument === null)
      return null;
    const from = hertz(target * 2 ** (cents / 1200));
    const to = hertz(target * 2 ** (this.aim().cents / 1200));
    const turns = turnsBetween({ plan, string, scale: place.scaleLength, gearRatio: instrument.gearRatio }, from, to);
    return turns > 0 ? turns : null;
  }
}
