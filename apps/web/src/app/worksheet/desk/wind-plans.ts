import { computed, inject, Injectable, signal } from '@angular/core';
import type { CountedTurnsRow } from '@gold-peg/contract/bench-log';
import { evidenceOf } from '@gold-peg/contract/jobs';
import { calibrate } from '@gold-peg/craft/calibration';
import { handFactor, type LayeredChoices } from '@gold-peg/craft/methods';
import { cutZones, windString, zoneAt, type WindPlan, type WindRequest } from '@gold-peg/craft/procedure';
import { afterHanging } from '@gold-peg/craft/settle';
import { fromMillimetres, metres, toMillimetres, type Metres } from '@gold-peg/craft/units';
import { countedAgainst, lies, type CountedPayload, type WoundPayload } from '@gold-peg/craft/worksheet';
import { dequal } from 'dequal';
import { HouseClock } from '../../server/house-clock';
import { Session } from '../../session/session';
import { InHand } from './in-hand';
import { JobLog } from './job-log';
import { LaidOut } from './laid-out';

const HOUR_MS = 3_600_000;

/** What lies on a post: as it was counted, or as it was wound. */
export interface AsWound {
  turns: number;
  slack: Metres;
  cut: Metres;
  nutDeg: number | null;
  counted: boolean;
}

/** How each lane is wound: by the ways in force, by a mark that is tried, and as it was wound. */
@Injectable()
export class WindPlans {
  private readonly log = inject(JobLog);
  private readonly inHand = inject(InHand);
  private readonly laidOut = inject(LaidOut);
  private readonly session = inject(Session);
  private readonly clock = inject(HouseClock);

  /** Whole hours that the string of each lane hung under its pull before it was wound, or by what was taken down last; null where it did not. */
  private readonly hung = computed(
    () => {
      const { hung, wound } = this.log.sheet();
      return hung.map((event, index) => {
        if (event === null) return null;
        const until = wound[index] === null ? this.clock.now() : Date.parse(wound[index]?.at ?? '');
        const hours = Math.floor((until - Date.parse(event.at)) / HOUR_MS);
        return hours > 0 ? hours : null;
      });
    },
    { equal: dequal },
  );
  /** Cut marks being tried, by lane: each stays with its string until it is wound or put back. */
  private readonly tried = signal<ReadonlyMap<number, Metres>>(new Map());
  readonly triedCut = computed(() => this.tried().get(this.inHand.lane()) ?? null);

  /** Ways in force: instrument, technician, house. */
  readonly choices = computed<LayeredChoices>(() => {
    const file = this.log.file();
    return file === null ? {} : { house: file.house, technician: this.session.preferences().methods, instrument: file.passport.methods };
  });
  /** Counts that bear on this instrument and this person, those of this job as its log stands now. */
  readonly evidence = computed<readonly CountedTurnsRow[]>(() => {
    const file = this.log.file();
    if (file === null) return [];
    const others = file.evidence.filter(({ jobId }) => jobId !== file.job.id);
    const { counted, wound } = this.log.sheet();
    const own = counted.flatMap((event) => (event === null ? [] : [event]));
    const ownRows = own.map(({ payload, jobId, instrumentId, string, at, ...event }) => {
      const personId = wound[string - 1]?.personId ?? event.personId; // whose hand left the slack
      const personName =
        personId === this.session.person()?.id ? 'you' : (file.people.find(({ id }) => id === personId)?.name ?? 'somebody else');
      return { ...payload, jobId, instrumentId, personId, string, at, instrumentName: file.passport.name, personName };
    });
    return [...ownRows, ...others];
  });
  /** The same array as long as the counts are the same, whatever else the log brings: nothing is learned anew from them. */
  private readonly counts = computed(
    () => {
      const file = this.log.file();
      return file === null ? [] : evidenceOf({ passport: file.passport, evidence: [...this.evidence()] });
    },
    { equal: dequal },
  );
  private readonly calibration = computed(() => calibrate(this.counts()));
  /** Whether the counts could be made to agree. */
  readonly settled = computed(() => this.calibration().settled);
  /** How much thicker the posts of this instrument proved than noted, and how much of the slack meant this person leaves. */
  readonly postThicker = computed(() => this.calibration().postThicker(this.log.file()?.passport.id ?? ''));
  readonly leaves = computed(() => this.calibration().leaves(this.session.person()?.id ?? ''));

  /** The plan of each lane in the ways in force. */
  readonly house = computed<readonly (WindPlan | null)[]>(() => this.laidOut.strings().map((_, index) => this.plan(index)));
  /** What was wound on each post, corrected by what was counted; null where a lane is not wound. */
  readonly asWound = computed<readonly (AsWound | null)[]>(() => {
    const { wound, counted } = this.log.sheet();
    return wound.map((event, index) => (event === null ? null : asWoundOf(event.payload, counted[index]?.payload ?? null)));
  });
  /** The plan of each lane as it stands: as it was wound, by the mark that is tried, or in the ways in force. */
  readonly plans = computed<readonly (WindPlan | null)[]>(() =>
    this.house().map((plan, index) => {
      const wound = this.asWound()[index] ?? null;
      if (wound !== null)
        return this.plan(index, plan?.kind === 'post' && plan.methods.turns !== null ? { turns: wound.turns } : { cut: wound.cut });
      const cut = this.tried().get(index);
      return cut === undefined ? plan : this.plan(index, { cut });
    }),
  );
  readonly planInHand = computed<WindPlan | null>(() => this.plans()[this.inHand.lane()] ?? null);

  /** Tries another mark for the lane in hand; null puts it back. */
  tryCut(cut: Metres | null, lane = this.inHand.lane()): void {
    this.tried.update((tried) => {
      const next = new Map(tried);
      if (cut === null) next.delete(lane);
      else next.set(lane, cut);
      return next;
    });
  }

  /** Whether the mark that is tried in a lane is more than its post or its screw can take. */
  overfills(lane: number): boolean {
    const [house, cut] = [this.house()[lane] ?? null, this.tried().get(lane)];
    return house !== null && cut !== undefined && zoneAt(cutZones(house, cut), cut) === 'over-capacity';
  }

  /** What a count of turns on a lane is taken down as; the evidence keeps what was told to the person, not what was worked out for the post. Null where nothing is wound. */
  countOf(lane: number, turns: number): CountedPayload | null {
    const [house, wound] = [this.house()[lane] ?? null, this.log.sheet().wound[lane] ?? null];
    const noted = this.laidOut.instrument()?.strings[lane]?.post.diameter;
    if (house?.kind !== 'post' || wound === null || noted === undefined) return null;
    const { value: leaves } = this.calibration().leaves(wound.personId);
    const meant = wound.payload.slackMm / handFactor(this.session.preferences().slackMeasure, leaves);
    const laid = this.plan(lane, { turns });
    return { ...countedAgainst(house, turns, meant, toMillimetres(noted)), ...(laid?.kind === 'post' && { lies: lies(laid) }) };
  }

  private plan(index: number, more: Pick<WindRequest, 'cut' | 'turns'> = {}): WindPlan | null {
    const [instrument, string] = [this.laidOut.instrument(), this.laidOut.strings()[index] ?? null];
    if (instrument === null || string === null) return null;
    const hung = this.hung()[index] ?? null;
    const goesOn = hung === null ? string : afterHanging(string, hung);
    return windString({
      instrument,
      index,
      string: goesOn,
      choices: this.choices(),
      postThicker: metres(this.postThicker().value),
      ...more,
    });
  }
}

function asWoundOf(wound: WoundPayload, counted: CountedPayload | null): AsWound {
  const laid = counted?.lies ?? wound;
  return {
    turns: counted?.turns ?? wound.turns,
    slack: fromMillimetres(laid.slackMm),
    cut: fromMillimetres(wound.cutBeyondPostMm),
    nutDeg: laid.nutDeg,
    counted: counted !== null,
  };
}
