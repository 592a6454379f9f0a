import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { CountedTurnsRow } from '@gold-peg/contract/bench-log';
import { evidenceOf } from '@gold-peg/contract/jobs';
import { toInstrument, type PastSetup } from '@gold-peg/contract/register';
import {
  nextStep,
  planRun,
  stageReached,
  stringSteps,
  together,
  type BenchRun,
  type RunStep,
  type StringStep,
} from '@gold-peg/craft/bench-run';
import { calibrate } from '@gold-peg/craft/calibration';
import { handFactor, type LayeredChoices } from '@gold-peg/craft/methods';
import { windString, type WindPlan } from '@gold-peg/craft/procedure';
import { setsFor, type StringProperties, type StringSet } from '@gold-peg/craft/strings';
import { retune, retuneAsLogged, type Tuned } from '@gold-peg/craft/tuning';
import { metres, toMillimetres, type Metres } from '@gold-peg/craft/units';
import {
  countedAgainst,
  emptyWorksheet,
  foldWorksheet,
  isStringStage,
  lastStanding,
  logString,
  specOf,
  stageOf,
  STRING_EVENTS,
  woundAsPlanned,
  type BenchEvent,
  type BenchEventKind,
  type EventOf,
  type LoggedString,
  type ScrapReason,
  type SetChosen,
  type Stage,
  type StringEventKind,
  type StringStage,
} from '@gold-peg/craft/worksheet';
import { BenchLog, type Happening } from '../../bench-log/bench-log';
import { LiveFeed } from '../../server/live-feed';
import { Session } from '../../session/session';
import { StringTable } from '../../string-table/string-table';
import { computable, isSetOf, logTuning } from './chosen-set';
import { lanesOf } from './lane';
import { WorksheetFiles } from './worksheet-files';

/** A set made for one job: strings of the table, most of them from one set perhaps. */
export interface OwnSet {
  set: StringSet;
  from: StringSet | null;
}

/** What taking back undoes where the whole instrument is chosen for or handed over; anywhere else the latest step of a string. */
const UNDOES: Readonly<Partial<Record<Stage, readonly string[]>>> = { choose: ['set-chosen'], 'hand-over': ['handed-over'] };
const TICKS: readonly string[] = Object.values(STRING_EVENTS);
/** Readings that are taken back like steps, with the stage they belong to. */
const READ_AT: Readonly<Partial<Record<BenchEventKind, Stage>>> = {
  'turns-counted': 'wind',
  'pitch-read': 'settle',
  'seated-again': 'settle',
};
const STEP_KINDS = [...TICKS, ...Object.keys(READ_AT)];
const isStep = (event: BenchEvent): event is EventOf<StringEventKind> => TICKS.includes(event.kind);

/** Everything the stages of one worksheet share: the fold of its log, the lane in hand, and what can be done. */
@Injectable()
export class WorksheetDesk {
  private readonly log = inject(BenchLog);
  private readonly files = inject(WorksheetFiles);
  private readonly table = inject(StringTable);
  private readonly session = inject(Session);

  readonly file = this.files.file;
  readonly trouble = this.files.trouble;
  /** Whether the strings table has come, or cannot. */
  readonly tableIsThere = computed(() => this.table.file() !== null || this.table.trouble() !== null);
  /** The lane in hand, zero-based. */
  readonly lane = signal(0);
  readonly stage = signal<Stage>('choose');
  /** The set laid out for choosing, by id; null until somebody looks at another. */
  readonly candidateId = signal<string | null>(null);
  /** A cut mark being tried, for the lane in hand. */
  readonly triedCut = signal<Metres | null>(null);

  /** A tuning tried at Choose; null while nobody has. */
  readonly triedTuning = signal<Tuned | null>(null);
  /** A set made at Choose, from the solver for instance; it is a candidate beside those of the table. */
  readonly ownSet = signal<OwnSet | null>(null);

  private readonly geometry = computed(() => {
    const file = this.file();
    return file === null ? null : toInstrument(file.passport.geometry);
  });
  /** Ways in force: instrument, technician, house. */
  readonly choices = computed<LayeredChoices>(() => {
    const file = this.file();
    return file === null ? {} : { house: file.house, technician: this.session.preferences().methods, instrument: file.passport.methods };
  });
  /** Counts that bear on this instrument and this person, those of this job as its log stands now. */
  readonly evidence = computed<readonly CountedTurnsRow[]>(() => {
    const file = this.file();
    if (file === null) return [];
    const others = file.evidence.filter(({ jobId }) => jobId !== file.job.id);
    const own = this.sheet().counted.flatMap((event) => (event === null ? [] : [event]));
    const ownRows = own.map(({ payload, jobId, instrumentId, string, at, ...event }) => {
      const personId = this.sheet().wound[string - 1]?.personId ?? event.personId; // whose hand left the slack
      const personName =
        personId === this.session.person()?.id ? 'you' : (file.people.find(({ id }) => id === personId)?.name ?? 'somebody else');
      return { ...payload, jobId, instrumentId, personId, string, at, instrumentName: file.passport.name, personName };
    });
    return [...ownRows, ...others];
  });
  private readonly calibration = computed(() => {
    const file = this.file();
    return calibrate(file === null ? [] : evidenceOf({ passport: file.passport, evidence: [...this.evidence()] }));
  });
  /** How much thicker the posts of this instrument proved than noted, and how much of the slack meant this person leaves. */
  readonly postThicker = computed(() => this.calibration().postThicker(this.file()?.passport.id ?? ''));
  readonly leaves = computed(() => this.calibration().leaves(this.session.person()?.id ?? ''));
  /** The instrument in the tuning that its present strings bear. */
  readonly asItCame = computed(() => {
    const geometry = this.geometry();
    return geometry === null ? null : retuneAsLogged(geometry, this.file()?.passport.current?.tuning);
  });
  /** The instrument in the tuning that it is to have. */
  readonly instrument = computed(() => {
    const tried = this.triedTuning();
    const instrument = this.asItCame();
    if (instrument === null) return null;
    if (tried !== null && this.stage() === 'choose') return retune(instrument, tried);
    return retuneAsLogged(instrument, this.sheet().chosen?.payload.tuning);
  });
  readonly sheet = computed(() => {
    const file = this.file();
    const count = file?.passport.geometry.strings.length ?? 0;
    if (file === null) return emptyWorksheet(count);
    const own = this.log.local().filter(({ jobId, state }) => jobId === file.job.id && state !== 'refused');
    return foldWorksheet(count, [...file.events.map(({ event }) => event), ...own.map(({ event }) => event)]);
  });
  /** What was chosen, where it is no set of the table: strings of several sets, for instance. */
  private readonly chosenSet = computed<StringSet | null>(() => {
    const chosen = this.sheet().chosen;
    if (chosen === null || isSetOf(chosen.payload, this.table.sets())) return null;
    const strings = chosen.payload.strings.flatMap(({ stringId }) => this.table.strings().find(({ id }) => id === stringId) ?? []);
    const { name, family } = chosen.payload;
    return strings.length === chosen.payload.strings.length ? { id: `chosen-${chosen.id}`, lineId: null, name, family, strings } : null;
  });
  readonly sets = computed(() => {
    const instrument = this.asItCame();
    if (instrument === null) return [];
    const own = [this.ownSet()?.set, this.chosenSet()].filter((set) => set !== undefined && set !== null);
    return [...own, ...setsFor(instrument.family, instrument.strings.length, this.table.sets())];
  });
  /** The set that is chosen, or the one being looked at. */
  readonly candidate = computed<StringSet | null>(() => {
    const wanted = this.candidateId();
    const before = this.file()?.passport.current?.setName;
    const find = (is: (set: StringSet) => boolean) => this.sets().find(is);
    return (
      find(({ id }) => id === wanted) ?? find((set) => this.isChosen(set)) ?? find(({ name }) => name === before) ?? this.sets()[0] ?? null
    );
  });
  /** Strings going on: those chosen, or those of the candidate while nothing is. */
  readonly strings = computed(() => {
    const chosen = this.sheet().chosen?.payload.strings;
    if (this.stage() !== 'choose' && chosen !== undefined) return chosen.map((string) => this.propertiesOf(string));
    return (this.candidate()?.strings ?? []).map((string) => computable(string));
  });
  /** Strings that are on it now. */
  readonly oldStrings = computed(() => this.file()?.passport.current?.strings.map((string) => this.propertiesOf(string)) ?? null);
  readonly lanes = computed(() => {
    const instrument = this.instrument();
    return instrument === null ? [] : lanesOf(instrument, this.strings());
  });
  readonly turned = computed(() => this.session.preferences().turned);
  /** Whether string 1 is the nearest lane: on a left-handed instrument, or with the headstock to the right; with both it is the farthest again. */
  readonly nearestFirst = computed(() => (this.instrument()?.hand === 'left') !== this.turned());
  /** The plan of each lane as the house would wind it. */
  readonly plans = computed<readonly (WindPlan | null)[]>(() => this.lanes().map(({ index, string }) => this.planFor(index, string)));
  /** The plan of the lane in hand, with the cut that is being tried. */
  readonly planInHand = computed<WindPlan | null>(() => {
    const cut = this.triedCut();
    const plan = this.plans()[this.lane()] ?? null;
    return cut === null ? plan : this.planFor(this.lane(), this.strings()[this.lane()] ?? null, cut);
  });
  /** All there is to do, in the order of the ways in force. */
  readonly run = computed<BenchRun | null>(() => {
    const instrument = this.instrument();
    if (instrument === null) return null;
    const learned = { times: this.file()?.times ?? [], personId: this.session.person()?.id ?? '' };
    const run = planRun({ instrument, strings: this.strings(), choices: this.choices(), blocked: this.sheet().blocked, learned });
    return run.ok ? run.value : null;
  });
  /** The step of the string in hand at the stage that is open; null at stages of the whole instrument. */
  readonly stepInHand = computed<RunStep | null>(
    () => this.run()?.steps.find(({ stage, string }) => stage === this.stage() && string === this.lane()) ?? null,
  );
  /** Marks of the strings that go on, as their line has them; null where it has none. */
  readonly marks = computed(() =>
    (this.sheet().chosen?.payload.strings ?? []).map(
      ({ stringId }) => this.table.strings().find(({ id }) => id === stringId)?.mark ?? null,
    ),
  );
  /** The line whose packet is opened, where the set has one. */
  readonly lineName = computed(() => this.table.lineNames().get(this.candidate()?.lineId ?? '') ?? '');
  /** The setup before this job: what was found, measured and noted last time. */
  readonly lastTime = computed(() => {
    const file = this.file();
    const started = this.startedAt() ?? file?.job.takenInAt;
    const before = ({ jobId, fittedAt }: PastSetup) =>
      jobId !== file?.job.id && (started === undefined || Date.parse(fittedAt) < Date.parse(started));
    return file?.passport.setups.find(before) ?? null;
  });
  private readonly steps = computed(() => stringSteps(this.run()?.steps ?? []));
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
    await Promise.all([this.table.load(), this.files.open(jobId)]);
  }

  /** Reads instrument, house and evidence anew, after one of them was changed from here. */
  async readAgain(): Promise<void> {
    const file = this.file();
    if (file !== null) await this.files.open(file.job.id);
  }

  /** The stage the work has come to. */
  readonly reached = computed<Stage>(() => stageReached(this.steps(), this.sheet()));

  /** Takes the next string of the stage in hand. */
  pickUp(): void {
    const here = this.steps().filter(({ stage }) => stage === this.stage());
    const next = nextStep(here, this.sheet());
    this.lane.set(next?.string ?? here[0]?.string ?? 0);
  }

  /** Marks the step of the lane in hand done and takes up the next of the run. Returns its stage, or null where nothing was done. */
  async markDone(): Promise<Stage | null> {
    const stage = this.stage();
    const lane = this.lane();
    if (this.closed() || !isStringStage(stage) || this.sheet().done[stage][lane] !== null) return null;
    const happening = this.doing(stage, lane);
    if (happening === null) return null;
    await this.happens(happening);
    return this.goOn({ stage, string: lane });
  }

  /** Strings whose step the school in force puts together with that of the lane in hand, and that are still open. */
  readonly inOneGo = computed<readonly StringStep[]>(() => {
    const stage = this.stage();
    return isStringStage(stage) && !this.closed() ? together(this.steps(), this.sheet(), { stage, string: this.lane() }) : [];
  });

  /** Marks all of them done at once, for those who work several strings together. Returns the stage that comes next, or null where nothing was done. */
  async markInOneGo(): Promise<Stage | null> {
    const steps = this.inOneGo();
    const last = steps.at(-1);
    for (const { stage, string } of steps) {
      const happening = this.doing(stage, string);
      if (happening !== null) await this.happens(happening);
    }
    return last === undefined ? null : this.goOn({ stage: last.stage, string: this.lane() });
  }

  /** Takes up the step after this one. Whoever picked another string meanwhile keeps it in hand. */
  private goOn(done: StringStep): Stage {
    const next = nextStep(this.steps(), this.sheet(), done);
    if (next === null || this.lane() !== done.string) return done.stage;
    if (next.stage === done.stage) this.lane.set(next.string);
    return next.stage;
  }

  /** Undoes the latest step that stands, whatever its stage, and takes its string in hand again. Returns its stage, or null where there is none. */
  async takeBack(): Promise<Stage | null> {
    const stage = this.stage();
    const eventId = lastStanding(this.sheet(), UNDOES[stage] ?? STEP_KINDS);
    const event = this.sheet().standing.find(({ id }) => id === eventId);
    if (event === undefined || eventId === null) return null;
    await this.happens({ kind: 'undone', payload: { eventId } });
    if (!('string' in event)) return stage;
    const of = READ_AT[event.kind] ?? (isStep(event) ? stageOf(event.kind) : stage);
    if (of === stage) this.lane.set(event.string - 1);
    return of;
  }

  /** Takes the set that is laid out. Returns whether there was one. */
  async choose(): Promise<boolean> {
    const set = this.candidate();
    if (set === null || this.closed()) return false;
    const tried = this.triedTuning();
    const tuning = tried === null ? this.sheet().chosen?.payload.tuning : logTuning(tried);
    const own = this.ownSet();
    const setId = set === own?.set ? (own.from?.id ?? null) : set === this.chosenSet() ? this.sheet().chosen?.payload.setId : set.id;
    const payload: SetChosen = { name: set.name, family: set.family, strings: set.strings.map(logString), setId };
    await this.happens({ kind: 'set-chosen', payload: tuning === undefined ? payload : { ...payload, tuning } });
    return true;
  }

  /** Whether these are the strings that were chosen; by name where the log does not say which they were. */
  isChosen(set: StringSet): boolean {
    const chosen = this.sheet().chosen?.payload;
    if (chosen === undefined) return false;
    if (chosen.strings.some(({ stringId }) => stringId === undefined)) return chosen.name === set.name;
    return (
      chosen.strings.length === set.strings.length && chosen.strings.every(({ stringId }, index) => stringId === set.strings[index]?.id)
    );
  }

  /** A string was lost: it is laid out, anchored and wound again from another. */
  async scrap(why: ScrapReason): Promise<void> {
    if (!this.closed()) await this.happens({ kind: 'scrapped', string: this.lane() + 1, payload: { why } });
  }

  /** Takes down the turns that the string in hand really made; the evidence keeps what was told to the person, not what was worked out for the post. */
  async count(turns: number): Promise<void> {
    const lane = this.lane();
    const plan = this.plans()[lane] ?? null;
    const wound = this.sheet().wound[lane] ?? null;
    const noted = this.instrument()?.strings[lane]?.post.diameter;
    if (this.closed() || plan?.kind !== 'post' || wound === null || noted === undefined) return;
    const { value: leaves } = this.calibration().leaves(wound.personId);
    const meant = wound.payload.slackMm / handFactor(this.session.preferences().slackMeasure, leaves);
    await this.happens({ kind: 'turns-counted', string: lane + 1, payload: countedAgainst(plan, turns, meant, toMillimetres(noted)) });
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
  async happens(happening: Happening): Promise<void> {
    const file = this.file();
    if (file !== null) await this.log.append({ id: file.job.id, instrumentId: file.passport.id }, happening);
  }

  private doing(stage: StringStage, lane: number): Happening | null {
    if (stage !== 'wind') return { kind: STRING_EVENTS[stage], string: lane + 1, payload: {} };
    const plan = (lane === this.lane() ? this.planInHand() : this.plans()[lane]) ?? null;
    return plan === null ? null : { kind: 'wound', string: lane + 1, payload: woundAsPlanned(plan) };
  }

  private planFor(index: number, string: StringProperties | null, cut?: Metres): WindPlan | null {
    const instrument = this.instrument();
    if (instrument === null || string === null) return null;
    const postThicker = metres(this.postThicker().value);
    return windString({ instrument, index, string, choices: this.choices(), postThicker, ...(cut === undefined ? {} : { cut }) });
  }

  private propertiesOf(logged: LoggedString): StringProperties | null {
    const family = this.asItCame()?.family;
    return family === undefined ? null : computable(specOf(family, logged));
  }
}
