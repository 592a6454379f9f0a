import { computed, DestroyRef, effect, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { HEARING } from '@gold-peg/craft/constants';
import { pitchOf } from '@gold-peg/craft/instrument';
import { LOGGED_WITHIN, offsetFor, tuningWays } from '@gold-peg/craft/methods';
import { whichString, type Moment, type Plucked, type Which } from '@gold-peg/craft/pitch';
import { hertz, type Hertz } from '@gold-peg/craft/units';
import { Subject, type Subscription } from 'rxjs';
import { BROKE_OFF, Listener, Microphone, SoundFault, type SoundSource } from '../../ear';
import { Session } from '../../session/session';
import { BenchActions } from '../actions';
import { BridgeDesk } from '../bridge';
import { WorksheetDesk } from '../desk';
import { aimOf, hasArrived, isThere, type Aim } from './aim';
import { SimulatedInstrument } from './simulated-instrument';
import { lastHeard, standsAt } from './stands-at';

/** `off`: somebody reads their own tuner. */
export type Source = 'off' | 'simulated' | 'microphone' | 'recording';

/** What is heard of the strings of this job: where each stands, which one was plucked, and what follows from it without a hand. */
@Injectable()
export class Listening {
  private readonly desk = inject(WorksheetDesk);
  private readonly actions = inject(BenchActions);
  private readonly bridge = inject(BridgeDesk);
  private readonly listener = inject(Listener);
  private readonly microphone = inject(Microphone);
  private readonly simulated = inject(SimulatedInstrument);
  private listens: Subscription | null = null;

  readonly source = signal<Source>('off');
  /** What is listened to wherever it is heard; nobody needs a microphone to try it. */
  private wanted: Source = inject(Session).demoSignIn() === null ? 'off' : 'simulated';
  readonly moment = signal<Moment | null>(null);
  readonly fault = signal<string | null>(null);
  /** The string that sounds, or was plucked last, and how sure that is; null where it was none of these. */
  readonly which = signal<Which | null>(null);
  /** Where strings were while they sounded, by lane: a peg is turned faster than plucks are logged. */
  private readonly heardAt = signal<ReadonlyMap<number, Hertz>>(new Map());
  /** Where a string that is at pitch was heard last, cents from its note; null once that was taken down. */
  readonly reading = signal<{ lane: number; cents: number } | null>(null);
  /** The same, one by one. */
  readonly readings = new Subject<{ lane: number; cents: number; sure: number }>();
  /** A string that is heard at its place is ticked without a hand. */
  readonly ticksItself = signal(true);
  /** Since when the string in hand sounds where it is brought, s of listening; null where it does not. */
  private readonly heldFrom = signal<number | null>(null);
  /** For how long that is, s. */
  readonly held = computed(() => {
    const [from, moment] = [this.heldFrom(), this.moment()];
    return from === null || moment === null ? null : moment.time - from;
  });
  /** A lane that was logged at its place and is still to be heard there for a while. */
  private waits: number | null = null;
  /** Lanes whose step was taken back: they are not ticked again before they were elsewhere. */
  private readonly takenBack = new Set<number>();

  /** Where each string is tuned: its note, and beside it where somebody wants that. */
  readonly targets = computed<readonly Hertz[]>(() => {
    const instrument = this.desk.instrument();
    if (instrument === null) return [];
    const beside = (number: number) => 2 ** (offsetFor(this.desk.choices(), number) / 1200);
    return this.desk.lanes().map(({ place, number }) => hertz(pitchOf(instrument, place) * beside(number)));
  });
  /** Where each string stood last on its way up, cents from its note, heard or read; null where nobody knows. */
  readonly last = computed(() =>
    this.targets().map((target, index) => {
      const heard = this.heardAt().get(index);
      return heard === undefined ? lastHeard(this.desk.sheet(), index) : 1200 * Math.log2(heard / target);
    }),
  );
  /** Where the string in hand is brought now. */
  readonly aim = computed<Aim>(() =>
    aimOf({
      firstPass: this.desk.stepInHand()?.firstPass ?? false,
      together: this.desk.comesUpTogether(),
      tolerance: tuningWays(this.desk.choices()).tolerance,
    }),
  );
  readonly hasArrived = computed(() =>
    hasArrived(
      (this.desk.sheet().heard[this.desk.lane()] ?? []).map(({ payload }) => payload.cents),
      this.aim(),
    ),
  );
  /** Where each string stands on a bridge that moves: it was moved since most were heard. Cents from its note. */
  private readonly onBridge = computed(() => (this.desk.stage() === 'balance' ? (this.bridge.now()?.off ?? []) : []));
  /** Where strings are set to there. */
  private readonly marks = computed(() => {
    const steps = this.desk.stage() === 'balance' ? (this.bridge.marks()?.steps ?? []) : [];
    return new Map(steps.map(({ string, target }) => [string, target]));
  });
  /** Where each string stands as far as is known: an old one that is still on at its note, and what was ticked without the ear near where it was to be. */
  private readonly candidates = computed(() =>
    this.targets().map((target, index) => {
      const where = { together: this.desk.comesUpTogether(), inJob: this.desk.inJob()[index] !== false };
      const reckoned = this.onBridge()[index] ?? -Infinity;
      const mark = this.marks().get(index);
      const cents = (Number.isFinite(reckoned) ? reckoned : this.last()[index]) ?? standsAt(this.desk.sheet(), index, where);
      return {
        target,
        last: cents === null ? null : hertz(target * 2 ** (cents / 1200)),
        goal: mark === undefined ? null : hertz(target * 2 ** (mark / 1200)),
        breaks: this.desk.plans()[index]?.load.breakingPitch ?? null,
      };
    }),
  );
  private readonly expected = computed(() => {
    const { target, last } = this.candidates()[this.desk.lane()] ?? { target: null, last: null };
    return last ?? (target === null ? null : hertz(target / 2));
  });
  private readonly expects = toObservable(this.expected);
  /** Where the string in hand stands now, cents from its note; null where it does not sound. */
  readonly live = computed(() => {
    const [heard, target] = [this.moment()?.live ?? null, this.targets()[this.desk.lane()]];
    if (heard === null || target === undefined || this.which()?.string !== this.desk.lane()) return null;
    return 1200 * Math.log2(heard.frequency / target);
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.listens?.unsubscribe());
    let before: readonly number[] = [];
    effect(() => {
      const { done, tensioned } = this.desk.sheet();
      const passes = tensioned.map((up, lane) => Number(up !== null) + Number((done['bring-up'][lane] ?? null) !== null));
      passes.forEach((passed, lane) => passed < (before[lane] ?? 0) && this.takenBack.add(lane));
      before = passes;
    });
  }

  /** Listens as was wanted last. */
  begin(): void {
    this.listenTo(this.wanted);
  }

  /** Lets go of the source: where nothing is heard the microphone is off. */
  rest(): void {
    const { wanted } = this;
    this.listenTo('off');
    this.wanted = wanted;
  }

  listenTo(source: Source): void {
    this.wanted = source;
    this.listens?.unsubscribe();
    this.listens = null;
    this.moment.set(null);
    this.which.set(null);
    this.heardAt.set(new Map());
    this.fault.set(null);
    this.source.set(source);
    if (source === 'off' || source === 'recording') return;
    const from: SoundSource = source === 'microphone' ? this.microphone : this.simulated;
    this.listens = this.listener.listen(from, this.expects).subscribe({
      next: (moment) => this.hear(moment),
      error: (error: unknown) => {
        this.listenTo('off');
        this.fault.set(error instanceof SoundFault ? error.message : BROKE_OFF);
      },
    });
  }

  /** Takes down where the string in hand stands, as somebody's own tuner says. */
  async type(cents: number): Promise<void> {
    await this.takeDown(this.desk.lane(), cents, { sure: null, mayTick: true });
  }

  /** Takes down a pluck of a take that was recorded, at the string that somebody says it is. */
  takeAt(which: Pick<Which, 'string' | 'probability'>, pluck: Plucked): Promise<void> {
    return this.logAt(which, pluck);
  }

  private hear(moment: Moment): void {
    this.moment.set(moment);
    if (moment.live !== null) this.follow(moment.live.frequency);
    const live = this.live();
    if (live === null || !isThere(live, this.aim())) this.heldFrom.set(null);
    else if (this.heldFrom() === null) this.heldFrom.set(moment.time);
    if (this.waits !== null) void this.tickOnceHeld(this.waits);
    if (moment.plucked !== null) void this.log(moment.plucked);
  }

  private follow(frequency: Hertz): void {
    const which = this.whichOf(frequency);
    this.which.set(which);
    if (which?.string === this.desk.lane()) this.heardAt.update((known) => new Map(known).set(which.string, frequency));
  }

  /** Two strings of a course pass one another on the way: where it may be either, it is the one in hand. */
  whichOf(frequency: Hertz): Which | null {
    const which = whichString(frequency, this.candidates(), this.desk.lane());
    if (which === null || which.probability >= HEARING.sure.value || which.inHand < HEARING.mayBe.value) return which;
    return { ...which, string: this.desk.lane(), probability: which.inHand };
  }

  /** Whether it is heard so surely as this string that it may be ticked; strings of one course cannot be told apart. */
  private isSureOf(lane: number, frequency: Hertz): boolean {
    const which = whichString(frequency, this.candidates(), this.desk.lane());
    const courseOf = (index: number) => this.desk.lanes()[index]?.place.course;
    const shares = (which?.each ?? []).filter((_, index) => courseOf(index) === courseOf(lane));
    return shares.reduce((sum, share) => sum + share, 0) >= HEARING.sure.value;
  }

  private async log(pluck: Plucked): Promise<void> {
    const which = this.whichOf(pluck.frequency);
    this.which.set(which);
    if (which !== null && which.string !== this.desk.lane() && which.probability < HEARING.sure.value) return; // it is said, and not followed
    if (which !== null) await this.logAt(which, pluck);
  }

  private async logAt(which: Pick<Which, 'string' | 'probability'>, { frequency, confidence }: Plucked): Promise<void> {
    const target = this.targets()[which.string];
    if (target === undefined || this.desk.closed()) return;
    const cents = Math.round(10 * 1200 * Math.log2(frequency / target)) / 10;
    // a step that ticks itself goes on to the next string: what is plucked there is that one's
    if (which.string !== this.desk.lane()) this.desk.lane.set(which.string);
    const mayTick = this.isSureOf(which.string, frequency);
    const sure = Math.round(100 * confidence * which.probability) / 100;
    if (this.desk.stage() !== 'bring-up') {
      this.reading.set({ lane: which.string, cents });
      return this.readings.next({ lane: which.string, cents, sure });
    }
    await this.takeDown(which.string, cents, { sure, mayTick });
  }

  private async takeDown(lane: number, cents: number, { sure, mayTick }: { sure: number | null; mayTick: boolean }): Promise<void> {
    const source = this.source();
    const by = sure === null || source === 'off' ? 'typed' : source;
    this.heardAt.update((known) => new Map([...known].filter(([each]) => each !== lane))); // the log knows it now
    await this.desk.happens({ kind: 'heard', string: lane + 1, payload: { cents, sure, by } });
    if (lane === this.desk.lane() && !isThere(cents, this.aim())) this.takenBack.delete(lane);
    if (!mayTick) return;
    if (sure === null) await this.tick(lane);
    else await this.tickOnceHeld(lane);
  }

  /** What is logged was heard for a while; a house that asks for more is waited for, as long as the string stays there. */
  private async tickOnceHeld(lane: number): Promise<void> {
    const wanted = tuningWays(this.desk.choices()).held;
    const goesOn = lane === this.desk.lane() && this.heldFrom() !== null;
    const isHeld = wanted <= LOGGED_WITHIN || (goesOn && (this.held() ?? 0) >= wanted);
    this.waits = goesOn && !isHeld ? lane : null;
    if (isHeld) await this.tick(lane);
  }

  private async tick(lane: number): Promise<void> {
    const wanted = this.ticksItself() && !this.takenBack.has(lane) && this.desk.stage() === 'bring-up' && lane === this.desk.lane();
    if (wanted && !this.desk.inHandIsDone() && this.desk.heldUp() === null && this.hasArrived()) await this.actions.markDone();
  }
}
