import { computed, inject, Injectable, signal } from '@angular/core';
import {
  backEdge,
  AT_THEIR_NOTES,
  bridgeNow,
  bridgeUnder,
  fineTuners,
  happeningsOf,
  judgeReturn,
  levelClaw,
  marksAt,
  nextAtBridge,
  returnOf,
  screwLead,
  skewOf,
  skewTravel,
  trialsIn,
  USUAL_SPRINGS,
  type BridgeHappening,
  type BridgeStep,
  type FloatingBridge,
  type SpringsLearned,
} from '@gold-peg/craft/balance';
import { stringOrder } from '@gold-peg/craft/bench-run';
import { FLOATING } from '@gold-peg/craft/constants';
import { offsetFor, tuningWays } from '@gold-peg/craft/methods';
import { hertz, metres, newtons, type Metres } from '@gold-peg/craft/units';
import { asItCame } from '@gold-peg/craft/worksheet';
import { answering, BENT, BridgeSolver, latestAnswer, soundsOf } from '../../bridge';
import { WorksheetDesk } from '../desk';

/** What is foreseen waits until nothing was changed for so long, ms. */
const QUIET_MS = 250;
/** Screws are turned by eighths. */
const LEAST_TURN = 1 / 8;
/** What is next says a mark, or turns, that are as good as what is known of the springs. */
const BY_SPRINGS: ReadonlySet<BridgeStep['kind']> = new Set(['set', 'claw', 'block', 'unclamp']);

/** The bridge of the instrument on the bench, as its log tells it: where it stands, what its springs are, and what is next. */
@Injectable()
export class BridgeDesk {
  private readonly desk = inject(WorksheetDesk);
  private readonly solver = inject(BridgeSolver);

  /** What is tried by dragging, after all that happened: nothing of it is taken down. */
  readonly tried = signal<readonly BridgeHappening[]>([]);
  /** Somebody looks at what each way home takes. */
  readonly comparing = signal(false);
  /** A string is lowered to learn from the others. */
  readonly learning = signal(false);

  /** What jobs before found of these springs; null where nobody tried them. */
  readonly before = computed(() => this.desk.file()?.passport.current?.springs ?? null);
  private readonly prior = computed<Pick<SpringsLearned, 'rate' | 'initial'>>(() => {
    const known = this.before();
    if (known === null) return USUAL_SPRINGS;
    const { low, likely, high } = known.rateNPerMm;
    return { rate: { low: 1000 * low, likely: 1000 * likely, high: 1000 * high }, initial: known.initialN };
  });
  /** The bridge under the strings of this job, springs as they were taken to be before it; null where it does not move or a string is not known. */
  private readonly taken = computed(() => this.bridgeWith(this.desk.instrument(), this.desk.strings(), this.prior()));
  private readonly levelMm = computed(() => {
    const sheet = this.desk.sheet();
    const noted = sheet.measurements.find((event) => event.payload.what === 'bridge-level' && asItCame(sheet, event));
    const before = this.desk.measuredBefore().find(({ what }) => what === 'bridge-level');
    return noted?.payload.valueMm ?? before?.valueMm ?? null;
  });
  /** Whether somebody noted how high it stands where it is level. */
  readonly levelIsNoted = computed(() => this.levelMm() !== null);
  private readonly happenings = computed(() => {
    const [bridge, sheet] = [this.taken(), this.desk.sheet()];
    if (bridge === null) return [];
    // before the new strings are up it stands as it came
    const events = sheet.onBridge.filter((event) => event.kind !== 'measured' || !asItCame(sheet, event));
    return happeningsOf(bridge, events, { lead: screwLead, edge: backEdge, levelMm: this.levelMm() });
  });
  readonly trials = computed(() => trialsIn(this.desk.lanes().length, this.happenings()));

  private readonly learned = answering<'learned'>(
    this.solver,
    computed(() => {
      const [bridge, trials] = [this.taken(), this.trials()];
      if (bridge === null) return null;
      // it was level under the strings that came off
      const old = this.bridgeWith(this.desk.asItCame(), this.desk.oldStrings() ?? [], this.prior());
      return { kind: 'learn', bridge, claw: old === null ? null : { levelUnder: old }, trials, before: this.prior() };
    }),
    0,
  );
  /** What is known of the springs by now: null while it is reckoned for the first time. */
  readonly springs = computed(() => this.learned.latest()?.springs ?? null);
  /** What was heard last may say something of its springs, and is not reckoned yet: marks and turns would be those of the springs before. */
  readonly reckons = this.learned.asking;
  readonly bridge = computed<FloatingBridge | null>(() => {
    const [bridge, springs] = [this.taken(), this.springs()];
    if (bridge === null || springs === null) return bridge;
    return {
      ...bridge,
      springs: { ...bridge.springs, rate: springs.rate.likely, initial: newtons(springs.initial.likely) },
    };
  });
  /** Where the claw stood before anything was turned: there the bridge was level under the strings that were on it. */
  private readonly clawBefore = computed<Metres | null>(() => {
    const bridge = this.bridge();
    if (bridge === null) return null;
    const springs = { rate: { likely: bridge.springs.rate }, initial: { likely: bridge.springs.initial } };
    const old = this.bridgeWith(this.desk.asItCame(), this.desk.oldStrings() ?? [], springs);
    const level = levelClaw(old ?? bridge);
    return level.ok ? level.value : bridge.springs.free;
  });

  /** As it stands by all that happened, and by what is tried. */
  readonly asTaken = computed(() => this.nowWith(this.happenings()));
  readonly now = computed(() => (this.tried().length === 0 ? this.asTaken() : this.nowWith([...this.happenings(), ...this.tried()])));
  /** Its nut is clamped in the end, and fine tuners finish it. */
  readonly locks = computed(() => this.desk.instrument()?.bridge.anchor === 'double-locking');
  readonly tolerance = computed(() => tuningWays(this.desk.choices()).tolerance);
  readonly order = computed(() => stringOrder(this.desk.run()?.schools.order.value ?? 'low-first', this.desk.lanes().length));
  readonly next = computed(() => {
    const now = this.asTaken();
    const ways = { order: this.order(), tolerance: this.tolerance(), locks: this.locks(), lead: screwLead };
    const next = now === null ? null : nextAtBridge(now, ways);
    if (next !== null && this.reckons() && BY_SPRINGS.has(next.kind)) return { kind: 'reckon' as const };
    // in tune and yet skew: the screws once more, against each other
    return next?.kind === 'done' && Math.abs(this.skewTurns()) >= LEAST_TURN
      ? { kind: 'claw' as const, turns: 0, travel: metres(0) }
      : next;
  });
  /** How far the bass screw of the claw goes in beyond what levels the whole, and the treble screw out: zero where nobody measured both ends. */
  readonly skewTurns = computed(() => {
    const [now, sheet] = [this.asTaken(), this.desk.sheet()];
    const skew = skewOf(sheet.onBridge.filter((event) => event.kind !== 'measured' || !asItCame(sheet, event)));
    const travel = now === null || skew === null ? null : skewTravel(now, skew, backEdge);
    return (travel ?? 0) / screwLead;
  });
  /** Where the fine tuner of each string is; null while the nut is open, or has none. */
  readonly fineTuners = computed(() => {
    const now = this.now();
    return now === null ? [] : fineTuners(now);
  });
  /** How the bridge and its strings came back after the arm was moved; null where that was not tried, or nothing was heard since. */
  readonly returned = computed(() => {
    const [now, read] = [this.asTaken(), returnOf(this.desk.lanes().length, this.desk.sheet().onBridge)];
    if (now === null || read === null || (read.down ?? read.up) === null) return null;
    return { read, judged: judgeReturn(now.bridge, now.claw, read) };
  });
  /** The bridge as it stands, and what is known of it; null until its springs were reckoned. */
  private readonly asKnown = computed(() => {
    const [now, springs] = [this.now(), this.springs()];
    if (now === null || springs === null) return null;
    const tried = springs.count > 0 || this.before() !== null;
    return { bridge: now.bridge, claw: now.claw, heard: soundsOf(now), samples: springs.samples, tried, measured: [] };
  });
  /** What is left of the pass: marks, and how far the claw goes in after it. */
  private readonly pass = computed(() => {
    const now = this.now();
    return now === null ? null : marksAt(now, { order: this.order(), lead: screwLead });
  });
  /** The same for who sets strings: null while springs are reckoned. */
  readonly marks = computed(() => (this.reckons() ? null : this.pass()));
  readonly foreseen = latestAnswer<'foreseen'>(
    this.solver,
    computed(() => {
      const [known, marks] = [this.asKnown(), this.pass()];
      if (known === null || marks === null) return null;
      const { steps, leaves, unsafe } = marks;
      const safe = steps.length > 0 && unsafe === null;
      const pass = safe ? { order: steps.map(({ string }) => string), ...leaves } : { order: this.order(), ...AT_THEIR_NOTES };
      return { kind: 'foresee', ...known, ...pass };
    }),
    QUIET_MS,
  );
  /** Bands of what it bears and does as it stands. */
  readonly spread = latestAnswer<'spread'>(
    this.solver,
    computed(() => {
      const known = this.asKnown();
      return known === null ? null : { kind: 'spread', ...known, bent: BENT };
    }),
    QUIET_MS,
  );

  readonly schools = latestAnswer<'compared'>(
    this.solver,
    computed(() => {
      const [now, springs] = [this.now(), this.springs()];
      if (!this.comparing() || now === null || springs === null) return null;
      const { low, high } = springs.rate;
      return { kind: 'schools', now, rate: { low, high }, order: this.order(), tolerance: this.tolerance() };
    }),
    QUIET_MS,
  );

  private nowWith(happenings: readonly BridgeHappening[]) {
    const [bridge, claw] = [this.bridge(), this.clawBefore()];
    return bridge === null || claw === null ? null : bridgeNow(bridge, claw, happenings);
  }

  private bridgeWith(
    instrument: ReturnType<WorksheetDesk['instrument']>,
    strings: ReturnType<WorksheetDesk['strings']>,
    { rate, initial }: { rate: { likely: number }; initial: { likely: number } },
  ): FloatingBridge | null {
    if (instrument === null) return null;
    const count = this.before()?.count ?? FLOATING.springs.value;
    const bridge = bridgeUnder(instrument, strings, { count, rate: rate.likely, initial: newtons(initial.likely) });
    if (bridge === null) return null;
    // a string that is wanted beside its note rests there
    return {
      ...bridge,
      strings: bridge.strings.map((string, index) => ({
        ...string,
        pitch: hertz(string.pitch * 2 ** (offsetFor(this.desk.choices(), index + 1) / 1200)),
      })),
    };
  }
}
