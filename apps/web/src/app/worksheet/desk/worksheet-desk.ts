import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { PastSetup } from '@gold-peg/contract/register';
import { isDone, nextStep, type StringStep } from '@gold-peg/craft/bench-run';
import { stillOpen, type Looked } from '@gold-peg/craft/findings';
import { lastStanding, lookedOver, stageBehind, woundAsPlanned, type BenchEventKind } from '@gold-peg/craft/worksheet';
import { STRING_EVENTS, type ScrapReason, type Stage } from '@gold-peg/craft/stages';
import { BenchLog, type Happening } from '../../bench-log/bench-log';
import { LiveFeed } from '../../feed/live-feed';
import { Session } from '../../session/session';
import { StringTable } from '../../string-table/string-table';
import { InHand } from './in-hand';
import { JobLog } from './job-log';
import { LaidOut } from './laid-out';
import { RunInHand } from './run-in-hand';
import { lanesOf } from '../../lane/lane';
import { WindPlans } from './wind-plans';
import { WorksheetFiles } from './worksheet-files';

/** What taking back undoes where the whole instrument is chosen for or handed over; anywhere else the latest step of a string. */
const UNDOES: Readonly<Partial<Record<Stage, readonly string[]>>> = { choose: ['set-chosen', 'set-hung'], 'hand-over': ['handed-over'] };
/** Readings that are taken back like steps. */
const READINGS: readonly BenchEventKind[] = [
  'turns-counted',
  'heard',
  'heard-on-bridge',
  'set-on-bridge',
  'claw-turned',
  'springs-hooked',
  'fine-tuners-at-mid',
  'nut-clamped',
  'arm-moved',
  'pitch-read',
  'seated-again',
];
const STEP_KINDS: readonly BenchEventKind[] = [...Object.values(STRING_EVENTS), 'tensioned', ...READINGS];

/** Everything the stages of one worksheet share: its steps, the lane in hand, and what can be done. */
@Injectable()
export class WorksheetDesk {
  private readonly log = inject(BenchLog);
  private readonly files = inject(WorksheetFiles);
  private readonly table = inject(StringTable);
  private readonly session = inject(Session);
  private readonly job = inject(JobLog);
  private readonly inHand = inject(InHand);
  readonly laidOut = inject(LaidOut);
  readonly winding = inject(WindPlans);
  private readonly runs = inject(RunInHand);

  readonly file = this.files.file;
  readonly trouble = this.files.trouble;
  /** Whether the strings table has come, or cannot. */
  readonly tableIsThere = computed(() => this.table.file() !== null || this.table.trouble() !== null);
  readonly lane = this.inHand.lane;
  readonly stage = this.inHand.stage;
  readonly sheet = this.job.sheet;
  readonly startedAt = this.job.startedAt;
  readonly closed = this.job.closed;
  readonly asItCame = this.laidOut.asItCame;
  readonly instrument = this.laidOut.instrument;
  readonly candidate = this.laidOut.candidate;
  readonly strings = this.laidOut.strings;
  readonly oldStrings = this.laidOut.oldStrings;
  readonly inJob = this.laidOut.inJob;
  readonly choices = this.winding.choices;
  readonly leaves = this.winding.leaves;
  readonly plans = this.winding.plans;
  readonly planInHand = this.winding.planInHand;

  readonly lanes = computed(() => {
    const instrument = this.instrument();
    return instrument === null ? [] : lanesOf(instrument, this.strings());
  });
  readonly turned = computed(() => this.session.preferences().turned);
  /** Whether string 1 is the nearest lane: on a left-handed instrument, or with the headstock to the right; with both it is the farthest again. */
  readonly nearestFirst = computed(() => (this.instrument()?.hand === 'left') !== this.turned());
  readonly run = this.runs.run;
  readonly stepInHand = this.runs.stepInHand;
  readonly comesUpTogether = this.runs.comesUpTogether;
  readonly cautions = this.runs.cautions;
  readonly inHandIsDone = this.runs.inHandIsDone;
  readonly toGo = this.runs.toGo;
  readonly heldUp = this.runs.heldUp;
  readonly nextOpen = this.runs.nextOpen;
  readonly reached = this.runs.reached;
  readonly inOneGo = this.runs.inOneGo;
  /** Marks of the strings that go on, as their line has them; null where it has none. */
  readonly marks = computed(() =>
    (this.sheet().chosen?.payload.strings ?? []).map(
      ({ stringId }) => this.table.strings().find(({ id }) => id === stringId)?.mark ?? null,
    ),
  );
  /** The line whose packet is opened, where the set has one. */
  readonly lineName = computed(() => this.table.lineNames().get(this.candidate()?.lineId ?? '') ?? '');
  /** Setups before this job, the latest first. */
  readonly earlier = computed(() => {
    const file = this.file();
    const started = this.startedAt() ?? file?.job.takenInAt;
    const before = ({ jobId, fittedAt }: PastSetup) =>
      jobId !== file?.job.id && (started === undefined || Date.parse(fittedAt) < Date.parse(started));
    return file?.passport.setups.filter(before) ?? [];
  });
  /** What was measured before this job, the latest first. */
  readonly measuredBefore = computed(() => this.earlier().flatMap(({ measurements }) => measurements.toReversed()));
  /** Sizes that proved right before this job, the latest first. */
  readonly sizesBefore = computed(() => this.earlier().flatMap(({ sizes = [] }) => sizes));
  /** How the pads of a locking nut lay before this job, by their clamps. */
  readonly padsBefore = computed(() => {
    const noted = this.earlier().toReversed().flatMap(({ pads = [] }) => pads); // prettier-ignore
    return new Map(noted.map(({ clamp, lies }) => [clamp, lies]));
  });
  /** What was found before this job, and not found to be over since. */
  readonly openBefore = computed(() => stillOpen(this.earlier()));
  /** Where this job has looked so far. */
  readonly looks = computed((): Looked => {
    const sheet = this.sheet();
    const only = sheet.chosen?.payload.only;
    return { ...lookedOver(sheet), ...(only !== undefined && { only: { strings: only } }) };
  });

  private stageBefore: Stage | null = null;

  constructor() {
    inject(LiveFeed)
      .news.pipe(takeUntilDestroyed())
      .subscribe((news) => {
        if (news.kind === 'open' || news.message.jobId === this.file()?.job.id) void this.files.readOn();
      });
    const openJob = computed(() => this.file()?.job.id ?? null);
    let jobBefore: string | null = null;
    effect(() => {
      // a worksheet that opens, or another stage, takes up the string that is next; later news leave the lane in hand alone
      const [job, stage] = [openJob(), this.stage()];
      const anew = job !== jobBefore || this.stageBefore === 'choose';
      [jobBefore, this.stageBefore] = [job, stage];
      untracked(() => this.pickUp(anew));
    });
  }

  async open(jobId: string): Promise<void> {
    await this.log.ready;
    await Promise.all([this.table.load(), this.files.open(jobId)]);
  }

  /** Reads instrument, house and evidence anew, after one of them was changed from here. */
  async readAgain(): Promise<void> {
    const file = this.file();
    if (file !== null) await this.files.open(file.job.id);
  }

  /** Takes the string that is next here; the one in hand where it has something to do at this stage, unless the work begins `anew`. */
  private pickUp(anew: boolean): void {
    const step = this.runs.atHand();
    if (!anew && step !== null && !isDone(this.sheet(), step)) return;
    const first = anew ? (this.runs.steps().steps.find(({ stage }) => stage === this.stage()) ?? this.runs.steps().steps[0]) : undefined;
    const lane = this.nextOpen() ?? first?.string;
    if (lane !== undefined) this.lane.set(lane);
  }

  /** Marks the step of the lane in hand done and takes up the next of the run. Returns its stage, or null where nothing was done. */
  async markDone(): Promise<Stage | null> {
    const step = this.runs.atHand();
    if (step === null || this.closed() || isDone(this.sheet(), step) || this.heldUp() !== null) return null;
    const happening = this.doing(step);
    if (happening === null) return null;
    await this.job.happens(happening);
    this.winding.tryCut(null, step.stage === 'wind' ? step.string : -1);
    return this.goOn(step);
  }

  /** Marks all of them done at once, for those who work several strings together. Returns the stage that comes next, or null where nothing was done. */
  async markInOneGo(): Promise<Stage | null> {
    const steps = this.inOneGo();
    const last = steps.at(-1);
    const lane = this.lane();
    for (const step of steps) {
      const happening = this.doing(step);
      if (happening !== null) await this.job.happens(happening);
      this.winding.tryCut(null, step.stage === 'wind' ? step.string : -1);
    }
    return last === undefined ? null : this.goOn(last, lane);
  }

  /** Takes up the step after this one. Whoever picked another string than `from` meanwhile keeps it in hand. */
  private goOn(done: StringStep, from = done.string): Stage {
    const next = nextStep(this.runs.steps(), this.sheet(), done);
    if (next === null || this.lane() !== from) return done.stage;
    this.lane.set(next.string);
    return next.stage;
  }

  /** Undoes the latest step that stands, whatever its stage, and takes its string in hand again. Returns its stage, or null where there is none. */
  async takeBack(): Promise<Stage | null> {
    const stage = this.stage();
    const eventId = lastStanding(this.sheet(), UNDOES[stage] ?? STEP_KINDS);
    const event = this.sheet().standing.find(({ id }) => id === eventId);
    if (event === undefined || eventId === null) return null;
    await this.job.happens({ kind: 'undone', payload: { eventId } });
    if ('string' in event) this.lane.set(event.string - 1);
    return stageBehind(event) ?? stage;
  }

  /** Takes the set that is laid out. Returns whether there was one. */
  async choose(): Promise<boolean> {
    const payload = this.laidOut.choice();
    if (payload === null || this.closed()) return false;
    await this.job.happens({ kind: 'set-chosen', payload });
    return true;
  }

  /** A string was lost: it is laid out, anchored and wound again from another. Returns the stage at which that begins. */
  async scrap(why: ScrapReason): Promise<Stage> {
    const lane = this.lane();
    if (this.closed()) return this.stage();
    await this.job.happens({ kind: 'scrapped', string: lane + 1, payload: { why } });
    this.winding.tryCut(null, lane);
    return 'ready';
  }

  /** Takes down the turns that the string in hand really made. */
  async count(turns: number): Promise<void> {
    const lane = this.lane();
    const payload = this.winding.countOf(lane, turns);
    if (payload !== null && !this.closed()) await this.job.happens({ kind: 'turns-counted', string: lane + 1, payload });
  }

  /** Lanes, or anything that goes with them, in the order they lie on the bench: the farthest first. */
  inView<T>(perLane: readonly T[]): T[] {
    return this.nearestFirst() ? [...perLane].reverse() : [...perLane];
  }

  /** Puts a block under a floating bridge, or takes it out: with it, all strings may come off. */
  block(blocked: boolean): Promise<unknown> {
    return this.happens({ kind: 'bridge-blocked', payload: { blocked } });
  }

  handOver(remark: string): Promise<unknown> {
    return this.happens({ kind: 'handed-over', payload: { remark } });
  }

  /** Takes down what happened on this job. */
  happens(happening: Happening): Promise<void> {
    return this.job.happens(happening);
  }

  private doing({ stage, string, firstPass }: StringStep): Happening | null {
    if (firstPass) return { kind: 'tensioned', string: string + 1, payload: {} };
    if (stage !== 'wind') return { kind: STRING_EVENTS[stage], string: string + 1, payload: {} };
    const plan = this.plans()[string] ?? null;
    return plan === null || this.winding.overfills(string) ? null : { kind: 'wound', string: string + 1, payload: woundAsPlanned(plan) };
  }
}
