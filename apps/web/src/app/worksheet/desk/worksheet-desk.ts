import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { toInstrument } from '@gold-peg/contract/register';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties, type StringProperties, type StringSet } from '@gold-peg/craft/strings';
import { fromMillimetres, toDegrees, toMillimetres, type Metres } from '@gold-peg/craft/units';
import {
  currentStage,
  emptyWorksheet,
  foldWorksheet,
  isStringStage,
  lastStanding,
  nextString,
  STRING_EVENTS,
  type LoggedString,
  type Stage,
  type StringStage,
  type WoundPayload,
} from '@gold-peg/craft/worksheet';
import { BenchLog, type Happening } from '../../bench-log/bench-log';
import { LiveFeed } from '../../server/live-feed';
import { lanesOf } from './lane';
import { WorksheetFiles } from './worksheet-files';

/** Everything the stages of one worksheet share: the fold of its log, the lane in hand, and what can be done. */
@Injectable()
export class WorksheetDesk {
  private readonly log = inject(BenchLog);
  private readonly files = inject(WorksheetFiles);

  readonly file = this.files.file;
  readonly trouble = this.files.trouble;
  /** The lane in hand, zero-based. */
  readonly lane = signal(0);
  readonly stage = signal<Stage>('choose');
  /** The set laid out for choosing, by id; null until somebody looks at another. */
  readonly candidateId = signal<string | null>(null);
  /** A cut mark being tried, for the lane in hand. */
  readonly triedCut = signal<Metres | null>(null);

  readonly instrument = computed(() => {
    const file = this.file();
    return file === null ? null : toInstrument(file.passport.geometry);
  });
  readonly sheet = computed(() => {
    const file = this.file();
    const count = this.instrument()?.strings.length ?? 0;
    if (file === null) return emptyWorksheet(count);
    const own = this.log.local().filter(({ jobId, state }) => jobId === file.job.id && state !== 'refused');
    return foldWorksheet(count, [...file.events.map(({ event }) => event), ...own.map(({ event }) => event)]);
  });
  readonly sets = computed(() => {
    const instrument = this.instrument();
    return instrument === null ? [] : setsFor(instrument.family, instrument.strings.length);
  });
  /** The set that is chosen, or the one being looked at. */
  readonly candidate = computed<StringSet | null>(() => {
    const wanted = this.candidateId();
    const name = this.sheet().chosen?.payload.name ?? this.file()?.passport.current?.setName;
    return this.sets().find(({ id }) => id === wanted) ?? this.sets().find((set) => set.name === name) ?? this.sets()[0] ?? null;
  });
  /** Strings going on: those chosen, or those of the candidate while nothing is. */
  readonly strings = computed(() => {
    const chosen = this.sheet().chosen?.payload.strings;
    const candidate =
      this.candidate()?.strings.map((string) => this.propertiesOf({ ...string, gaugeMm: toMillimetres(string.gauge) })) ?? [];
    return this.stage() === 'choose' || chosen === undefined ? candidate : chosen.map((string) => this.propertiesOf(string));
  });
  /** Strings that are on it now. */
  readonly oldStrings = computed(() => this.file()?.passport.current?.strings.map((string) => this.propertiesOf(string)) ?? null);
  readonly lanes = computed(() => {
    const instrument = this.instrument();
    return instrument === null ? [] : lanesOf(instrument, this.strings());
  });
  /** The plan of each lane as the house would wind it. */
  readonly plans = computed<readonly (WindPlan | null)[]>(() => this.lanes().map(({ index, string }) => this.planFor(index, string)));
  /** The plan of the lane in hand, with the cut that is being tried. */
  readonly planInHand = computed<WindPlan | null>(() => {
    const cut = this.triedCut();
    const plan = this.plans()[this.lane()] ?? null;
    return cut === null ? plan : this.planFor(this.lane(), this.strings()[this.lane()] ?? null, cut);
  });
  /** Low strings first, the way most restring; the order of the house comes with house methods. */
  readonly order = computed(() =>
    this.lanes()
      .map(({ index }) => index)
      .reverse(),
  );
  readonly startedAt = computed(() => this.sheet().standing[0]?.at ?? null);
  readonly closed = computed(() => this.sheet().handedOver !== null);

  constructor() {
    inject(LiveFeed)
      .news.pipe(takeUntilDestroyed())
      .subscribe((news) => {
        if (news.kind === 'open' || news.message.jobId === this.file()?.job.id) void this.files.readOn();
      });
    const openJob = computed(() => this.file()?.job.id ?? null);
    effect(() => {
      // a worksheet that opens, or another stage, takes up the string that is next; later news leave the lane in hand alone
      if (openJob() !== null) this.stage();
      untracked(() => this.pickUp());
    });
    effect(() => {
      this.lane();
      untracked(() => this.triedCut.set(null));
    });
  }

  async open(jobId: string): Promise<void> {
    await this.log.ready;
    await this.files.open(jobId);
  }

  /** The stage the work has come to. */
  readonly reached = computed(() => currentStage(this.sheet()));

  /** Takes the next string of the stage in hand. */
  pickUp(): void {
    const next = nextString(this.sheet(), this.stage(), this.order());
    this.lane.set(next ?? this.order()[0] ?? 0);
  }

  /** Marks the step of the lane in hand done and goes on to the next. Returns false where nothing can be done. */
  async markDone(): Promise<boolean> {
    const stage = this.stage();
    const lane = this.lane();
    if (this.closed() || !isStringStage(stage) || this.sheet().done[stage][lane] !== null) return false;
    const happening = this.doing(stage, lane);
    if (happening === null) return false;
    await this.happens(happening);
    const next = nextString(this.sheet(), stage, this.order(), lane);
    if (next !== null) this.lane.set(next);
    return true;
  }

  /** Undoes the latest step of this stage that stands, and takes its string in hand again. */
  async takeBack(): Promise<boolean> {
    const stage = this.stage();
    const kinds = stage === 'choose' ? ['set-chosen'] : stage === 'hand-over' ? ['handed-over'] : [STRING_EVENTS[stage]];
    const eventId = lastStanding(this.sheet(), kinds);
    if (eventId === null) return false;
    const event = this.sheet().standing.find(({ id }) => id === eventId);
    await this.happens({ kind: 'undone', payload: { eventId } });
    if (event !== undefined && 'string' in event) this.lane.set(event.string - 1);
    return true;
  }

  async choose(): Promise<void> {
    const set = this.candidate();
    if (set === null || this.closed()) return;
    const strings = set.strings.map(({ construction, gauge, wrap }): LoggedString => ({
      construction,
      gaugeMm: toMillimetres(gauge),
      ...(wrap === undefined ? {} : { wrap }),
    }));
    await this.happens({ kind: 'set-chosen', payload: { name: set.name, family: set.family, strings } });
  }

  handOver(remark: string): Promise<unknown> {
    return this.happens({ kind: 'handed-over', payload: { remark } });
  }

  note(text: string): Promise<unknown> {
    return this.happens({ kind: 'noted', payload: { text } });
  }

  private async happens(happening: Happening): Promise<void> {
    const file = this.file();
    if (file !== null) await this.log.append({ id: file.job.id, instrumentId: file.passport.id }, happening);
  }

  private doing(stage: StringStage, lane: number): Happening | null {
    if (stage !== 'wind') return { kind: STRING_EVENTS[stage], string: lane + 1, payload: {} };
    const plan = this.planInHand();
    return plan === null ? null : { kind: 'wound', string: lane + 1, payload: asWound(plan) };
  }

  private planFor(index: number, string: StringProperties | null, cut?: Metres): WindPlan | null {
    const instrument = this.instrument();
    if (instrument === null || string === null) return null;
    return windString({ instrument, index, string, ...(cut === undefined ? {} : { cut }) });
  }

  private propertiesOf({ construction, gaugeMm, wrap }: LoggedString): StringProperties | null {
    const family = this.instrument()?.family;
    if (family === undefined) return null;
    const properties = stringProperties({ family, construction, gauge: fromMillimetres(gaugeMm), ...(wrap === undefined ? {} : { wrap }) });
    return properties.ok ? properties.value : null;
  }
}

const asWound = (plan: WindPlan): WoundPayload => ({
  turns: plan.wind.turns,
  slackMm: toMillimetres(plan.slack),
  cutBeyondPostMm: toMillimetres(plan.cut),
  nutDeg: plan.nut === null ? null : toDegrees(plan.nut.vertical),
});
