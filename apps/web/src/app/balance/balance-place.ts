import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { toInstrument, type Passport } from '@gold-peg/contract/register';
import { archetype } from '@gold-peg/craft/archetypes';
import { bridgeChange, levelClaw, screwLead, tryBridge, usualSprings, type SpringFacts } from '@gold-peg/craft/balance';
import { bridgeStrung } from '@gold-peg/craft/gauges';
import { isVibrato } from '@gold-peg/craft/instrument';
import { setsFor, type StringSet } from '@gold-peg/craft/strings';
import { nameStrung, rescale, retuneSeats, strungKind, strungOf, tuningsFor, type Strung, type Tuned } from '@gold-peg/craft/tuning';
import { hertz, metres, newtons, toMillimetres, type Hertz, type Metres } from '@gold-peg/craft/units';
import { ArmPanel, BridgePicture, BridgeSolver, clawWithin, sayObstacle, sayTooMany, spanFor } from '../bridge';
import { NeckPick } from '../neck';
import { Measures, say } from '../preferences/measures';
import { Api } from '../server/api';
import { sayProblem } from '../server/server-problem';
import { BenchDialogs, stringingOf } from '../solver';
import { StringTable } from '../string-table/string-table';
import type { TuningData } from '../tuning';
import { NECK_CHOICES } from '../ui/neck-choices';
import { OneOf, type Choice } from '../ui/one-of';
import { PlaceHeader } from '../ui/place-header';
import { Trouble } from '../ui/trouble';
import { UnderWay } from '../ui/under-way';
import { sayChange } from './change-words';
import { triedBands } from './tried-bands';
import { TriedLanes, type TriedRow } from './tried-lanes';

type After = 'again' | 'stay';
const AFTER: readonly Choice<After>[] = [
  { value: 'again', label: 'all tuned again' },
  { value: 'stay', label: 'strings as they are' },
];
const KINDS = NECK_CHOICES.filter(({ id }) => isVibrato(strungKind(id)));
const FIRST = KINDS.find(({ id }) => id === 'electric-in-line-locking') ?? KINDS[0];
const KIND_SPRINGS = usualSprings;

/** What would a bridge that moves do: another set, another tuning, fewer springs, the claw in or out. Nothing of it is taken down. */
@Component({
  selector: 'peg-balance-place',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ArmPanel,
    BridgePicture,
    MatButtonModule,
    MatFormFieldModule,
    MatSelectModule,
    NeckPick,
    OneOf,
    PlaceHeader,
    RouterLink,
    TriedLanes,
    Trouble,
    UnderWay,
  ],
  templateUrl: './balance-place.html',
  styleUrl: './balance-place.scss',
})
export class BalancePlace {
  /** An instrument of the register or a kind, from the address. */
  readonly on = input<string>();

  private readonly api = inject(Api);
  private readonly dialogs = inject(BenchDialogs);
  private readonly measures = inject(Measures);
  protected readonly table = inject(StringTable);

  protected readonly KINDS = KINDS;
  protected readonly AFTER = AFTER;
  protected readonly neckId = signal(FIRST?.id ?? '');
  /** The passport of an instrument of the register; null for a kind. */
  protected readonly passport = signal<Passport | null>(null);
  protected readonly trouble = signal<string | null>(null);
  private readonly bare = signal<Strung>(strungKind(FIRST?.id ?? ''));
  private readonly tuned = signal<Tuned | null>(null);
  private readonly known = signal<SpringFacts>(KIND_SPRINGS);
  /** Sets that somebody chose; null for the one that is on it. */
  protected readonly firstId = signal<string | null>(null);
  protected readonly secondId = signal<string | null>(null);

  protected readonly springs = signal<number>(KIND_SPRINGS.count);
  private readonly travel = signal<Metres>(metres(0));
  private readonly pitches = signal<readonly { string: number; sounds: Hertz }[]>([]);
  protected readonly after = signal<After>('again');
  protected readonly lane = signal(0);

  protected readonly moves = computed(() => isVibrato(this.bare()));
  private readonly strung = computed(() => {
    const tuned = this.tuned();
    return tuned === null ? this.bare() : retuneSeats(this.bare(), tuned);
  });
  protected readonly choices = computed(() => setsFor(this.bare().family, this.bare().seats.length, this.table.sets()));
  private readonly current = computed(() => this.choices().find(({ name }) => name === this.passport()?.current?.setName));
  protected readonly first = computed(
    () => this.choices().find(({ id }) => id === this.firstId()) ?? this.current() ?? this.choices()[1] ?? this.choices()[0] ?? null,
  );
  protected readonly second = computed(() => this.choices().find(({ id }) => id === this.secondId()) ?? this.first());
  protected readonly tuning = computed(() => `${nameStrung(this.strung())}, A = ${this.strung().a4} Hz`);

  private readonly before = computed(() => this.bridgeWith(this.bare(), this.first(), this.known()));
  private readonly then = computed(() => this.bridgeWith(this.strung(), this.second(), this.known()));
  private readonly outcome = computed(() => {
    const [before, after] = [this.before(), this.then()];
    if (before === null || after === null) return null;
    const tried = { springs: this.springs(), travel: this.travel(), pitches: this.pitches(), tunedAgain: this.after() === 'again' };
    return tryBridge(before, after, tried);
  });
  protected readonly now = computed(() => {
    const outcome = this.outcome();
    return outcome?.ok === true ? outcome.value : null;
  });
  protected readonly bands = triedBands(inject(BridgeSolver), {
    before: () => this.before(),
    now: () => this.now(),
    springs: () => learnedOn(this.passport()),
  });
  protected readonly cannot = computed(() => {
    if (!this.moves()) return 'The bridge of this instrument does not move: there is nothing to balance.';
    const outcome = this.outcome();
    if (outcome === null) return 'A string of this set is not known well enough to say what it pulls.';
    return outcome.ok ? sayObstacle(outcome.value) : sayTooMany(outcome.problem);
  });
  protected readonly isTried = computed(
    () => this.travel() !== 0 || this.pitches().length > 0 || this.springs() !== this.known().count || this.tuned() !== null,
  );
  protected readonly rows = computed<TriedRow[]>(() => {
    const [now, set] = [this.now(), this.second()];
    if (now === null) return [];
    const { span } = spanFor(now.off);
    return this.strung().seats.map((seat, index) => ({
      index,
      note: seat.note,
      gauge: this.measures.gauge(1000 * (set?.strings[index]?.gauge ?? 0)),
      off: now.off[index] ?? null,
      span,
    }));
  });
  protected readonly order = computed(() => this.rows().map(({ index }) => index));
  protected readonly follows = computed(() => {
    const [before, after] = [this.before(), this.then()];
    if (before === null || after === null) return [];
    const withSprings = { ...after, springs: { ...after.springs, count: this.springs() } };
    const change = bridgeChange(before, withSprings);
    const level = levelClaw(withSprings);
    const stood = levelClaw(before);
    const turned = this.travel() / screwLead;
    const left = level.ok && stood.ok ? (level.value - stood.value) / screwLead - turned : null;
    return change === null ? [] : sayChange(change, { turned, left }, (length, digits) => say(this.measures.length(length, digits)));
  });
  /** Where it can be used: the worksheet of this instrument, if it is in the workshop. */
  protected readonly worksheet = computed(() => {
    const [job, set] = [this.passport()?.openJobId ?? null, this.second()];
    if (job === null || set === null) return null;
    const springs = this.springs() === this.known().count ? {} : { springs: this.springs() };
    const claw = this.travel() === 0 ? {} : { claw: toMillimetres(this.travel()).toFixed(2) };
    return { link: ['/worksheet', job, 'choose'], query: { set: set.id, ...springs, ...claw } };
  });

  constructor() {
    void this.table.load();
    effect(() => {
      const on = this.on();
      if (on !== undefined) untracked(() => void this.pick(on));
    });
  }

  protected async pick(id: string): Promise<void> {
    this.neckId.set(id);
    this.trouble.set(null);
    this.firstId.set(null);
    this.secondId.set(null);
    try {
      const kind = archetype(id) !== undefined;
      const passport = kind ? null : await this.api.call('passport', { params: { id } });
      if (this.neckId() !== id) return; // another was picked meanwhile
      this.passport.set(passport);
      this.bare.set(passport === null ? strungKind(id) : strungOf(toInstrument(passport.geometry)));
      this.known.set(springsOf(passport));
      this.letBe();
    } catch (error) {
      if (this.neckId() === id) this.trouble.set(sayProblem(error));
    }
  }

  /** As it was before anything was tried. */
  protected letBe(): void {
    this.tuned.set(null);
    this.springs.set(this.known().count);
    this.travel.set(metres(0));
    this.pitches.set([]);
  }

  protected tryClaw(claw: Metres): void {
    const now = this.now();
    if (now !== null) this.travel.set(metres(this.travel() + claw - now.claw));
  }

  /** From where it is at this moment: keys come faster than the picture. */
  protected nudgeClaw(by: Metres): void {
    const now = this.now();
    if (now !== null) this.tryClaw(clawWithin(now.bridge, metres(now.claw + by)));
  }

  protected tryPitch({ index, cents }: { index: number; cents: number }): void {
    const pitch = this.now()?.bridge.strings[index]?.pitch;
    if (pitch === undefined) return;
    this.lane.set(index);
    this.pitches.set([{ string: index, sounds: hertz(pitch * 2 ** (cents / 1200)) }]);
  }

  protected nudgePitch({ index, by }: { index: number; by: number }): void {
    const off = this.now()?.off[index] ?? null;
    if (off !== null) this.tryPitch({ index, cents: off + by });
  }

  protected tune(): void {
    const strung = this.strung();
    const data: TuningData = {
      title: 'this instrument',
      strung,
      tuned: this.tuned() ?? { a4: strung.a4, notes: strung.seats.map(({ note }) => ({ note, frequency: null })) },
      strings: stringingOf(strung, this.second()?.strings ?? [])?.strings ?? null,
      tunings: tuningsFor(strung.family, strung.seats.length, this.table.tunings()),
      scales: false,
    };
    this.dialogs.tune(data).subscribe((neck) => {
      if (neck === undefined) return;
      this.tuned.set(neck.tuned);
      this.bare.set(rescale(this.bare(), neck.scales));
      this.pitches.set([]);
    });
  }

  private bridgeWith(strung: Strung, set: StringSet | null, springs: SpringFacts) {
    const stringing = set === null ? null : stringingOf(strung, set.strings);
    return stringing === null ? null : bridgeStrung(stringing, springs);
  }
}

/** As they were learned on this instrument; usual ones where nobody tried them. */
function springsOf(passport: Passport | null): SpringFacts {
  const known = learnedOn(passport);
  if (known === null) return KIND_SPRINGS;
  return { count: known.count, rate: known.rate.likely, initial: newtons(known.initial.likely) };
}

/** What trials on this instrument found of its springs, N/m and N; null where nobody made one. */
function learnedOn(passport: Passport | null) {
  const known = passport?.current?.springs ?? null;
  if (known === null) return null;
  const { low, likely, high } = known.rateNPerMm;
  return { count: known.count, rate: { low: 1000 * low, likely: 1000 * likely, high: 1000 * high }, initial: known.initialN };
}
