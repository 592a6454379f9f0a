import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatChipsModule, type MatChipSelectionChange } from '@angular/material/chips';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { neckReadings } from '@gold-peg/contract/pulls';
import { expectedEffort } from '@gold-peg/craft/day';
import { compareOn, confusables } from '@gold-peg/craft/gauges';
import { listGauges, printGauge } from '@gold-peg/craft/strings';
import { nameStrung, strungOf, tunedAs, tuningsFor } from '@gold-peg/craft/tuning';
import { CONCERT_A4, toKilogramsForce } from '@gold-peg/craft/units';
import { CompareLanes, consequencesOf, signed } from '../../compare';
import { Measures, say } from '../../preferences/measures';
import { Shelf } from '../../shelf/shelf';
import { type AnswerRow, BenchDialogs } from '../../solver';
import { StringTable } from '../../string-table/string-table';
import type { TuningData } from '../../tuning';
import { Caution } from '../../ui/caution';
import { sayPromise } from '../../promise/promise-words';
import { BenchActions } from '../actions';
import { StageClock, WorksheetDesk } from '../desk';
import { HangSet } from './hang-set';

/** What is on it, what goes on, and what follows. */
@Component({
  selector: 'peg-choose',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Caution, CompareLanes, HangSet, MatButtonModule, MatChipsModule, MatInputModule, MatSelectModule],
  templateUrl: './choose.html',
  styleUrl: './choose.scss',
})
export class Choose {
  protected readonly desk = inject(WorksheetDesk);
  protected readonly actions = inject(BenchActions);
  private readonly measures = inject(Measures);
  private readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);
  private readonly dialogs = inject(BenchDialogs);
  private readonly clock = inject(StageClock);

  private readonly strung = computed(() => {
    const instrument = this.desk.instrument();
    return instrument === null ? null : strungOf(instrument, this.desk.laidOut.slots());
  });
  /** The strings that are on it, in the tuning they bear; null where one of them is not known. */
  private readonly old = computed(() => {
    const instrument = this.desk.asItCame();
    const strings = (this.desk.oldStrings() ?? []).flatMap((string) => (string === null ? [] : [string]));
    return instrument === null || strings.length !== instrument.strings.length ? null : { strung: strungOf(instrument), strings };
  });
  private readonly strings = computed(() => {
    const strings = this.desk.strings().flatMap((string) => (string === null ? [] : [string]));
    return strings.length === this.strung()?.seats.length ? strings : null;
  });
  /** How the neck of this instrument gave whenever it was measured. */
  private readonly neck = computed(() => {
    const passport = this.desk.file()?.passport;
    return passport === undefined ? [] : neckReadings(passport.geometry, passport.setups);
  });
  protected readonly comparison = computed(() => {
    const strung = this.strung();
    const strings = this.strings();
    return strung === null || strings === null ? null : compareOn({ strung, strings }, this.old(), this.neck());
  });

  protected readonly a4 = computed(() => this.strung()?.a4 ?? CONCERT_A4);
  protected readonly oldName = computed(() => this.desk.file()?.passport.current?.setName ?? null);
  protected readonly isTaken = this.desk.laidOut.isTaken;
  protected readonly options = computed(() =>
    this.desk.laidOut
      .sets()
      .map((set) => ({ set, gauges: listGauges(set.strings), line: this.table.lineNames().get(set.lineId ?? '') ?? 'made for this job' })),
  );

  protected readonly totals = computed(() => {
    const comparison = this.comparison();
    if (comparison === null) return null;
    const { change, total, bandPercent, strings } = comparison;
    return {
      before: change === null ? null : this.measures.pull(change.total.before),
      after: this.measures.pull(total),
      change: change === null ? '' : signed(change.total.percent, 1, ' %'),
      kgf: `${toKilogramsForce(total).toFixed(1)} kgf`,
      band: bandPercent,
      unsure: strings.some(({ after }) => after.string.construction === 'wound')
        ? 'cores of wound strings are not published'
        : 'how far a string stretches differs from line to line',
      count: strings.length,
    };
  });

  protected readonly follows = computed(() => {
    const comparison = this.comparison();
    const strung = this.strung();
    if (comparison === null || strung === null) return [];
    return consequencesOf(strung, comparison, (length, digits) => say(this.measures.length(length, digits)), this.neck().length);
  });
  protected readonly unsafe = computed(() => this.comparison()?.strings.some(({ after }) => after.load.semitonesToSafe < 0) === true);
  /** Strings of the set that are easily taken for one another. */
  protected readonly alike = computed(() =>
    confusables(this.desk.candidate()?.strings ?? [])
      .slice(0, 3)
      .map(({ first, second, apart }) => `${first + 1} and ${second + 1} by ${printGauge(apart)}`)
      .join(', '),
  );
  protected readonly marks = computed(() =>
    (this.desk.candidate()?.strings ?? []).flatMap(({ mark }, index) => (mark === null ? [] : [`${index + 1} ${mark}`])).join(', '),
  );
  protected readonly standing = computed(() => {
    const set = this.desk.candidate();
    const { ownSet, only, source } = this.desk.laidOut;
    const own = ownSet();
    if (set === null) return null;
    const lanes = only();
    if (lanes !== null && source() === 'singles') {
      const singles = set.strings.filter((_, index) => lanes.includes(index));
      return this.shelf.proposal(null, singles);
    }
    return set === own?.set ? this.shelf.proposal(own.from, set.strings) : this.shelf.proposal(set, set.strings);
  });
  /** The strings of the job, as chips that can be taken in and out. */
  protected readonly chips = computed(() =>
    this.desk.lanes().map(({ index, number }) => ({ index, number, on: this.desk.inJob()[index] !== false })),
  );
  protected toggle({ isUserInput, source }: MatChipSelectionChange, lane: number): void {
    if (!isUserInput) return;
    this.desk.laidOut.togglePick(lane);
    // the first that is picked leaves all others on, and the last that is taken out brings them back
    source.selected = this.desk.inJob()[lane] !== false;
  }

  protected readonly what = computed(() => {
    const [set, only] = [this.desk.candidate(), this.desk.laidOut.only()];
    if (set === null) return '';
    return only === null ? set.name : `string ${only.map((lane) => lane + 1).join(', ')}`;
  });
  /** Where settling cannot keep the promise of this job. */
  protected readonly promise = computed(() => {
    const job = this.desk.file()?.job;
    const family = this.desk.instrument()?.family;
    if (job === undefined || family === undefined || this.desk.closed()) return null;
    const inJob = this.desk.inJob();
    const constructions = this.desk
      .strings()
      .flatMap((string, index) => (string === null || inJob[index] === false ? [] : [string.construction]));
    const effort = expectedEffort(family, constructions, this.desk.sheet().balances);
    return sayPromise(job.promisedAt, this.clock.now(), { ...effort, settlingHours: Math.max(0, effort.settlingHours - this.hungFor()) });
  });
  /** Hours that all strings of the job hang under their pull by now. */
  private hungFor(): number {
    const { hung, inJob } = this.desk.sheet();
    const since = hung.filter((_, index) => inJob[index] !== false).map((event) => (event === null ? Infinity : Date.parse(event.at)));
    return Math.max(0, (this.clock.now() - Math.max(...since)) / 3_600_000);
  }
  protected readonly tuning = computed(() => {
    const strung = this.strung();
    return strung === null ? '' : `${nameStrung(strung)}, A = ${this.a4()} Hz`;
  });

  constructor() {
    void this.shelf.load();
  }

  /** A set that was picked gives the keys back to the lanes. */
  protected letGo(open: boolean): void {
    if (!open) (document.activeElement as HTMLElement | null)?.blur();
  }

  protected tune(): void {
    const instrument = this.desk.instrument();
    const strung = this.strung();
    if (instrument === null || strung === null) return;
    const data: TuningData = {
      title: this.desk.file()?.passport.name ?? '',
      strung,
      tuned: tunedAs(instrument),
      strings: this.strings(),
      tunings: tuningsFor(strung.family, strung.seats.length, this.table.tunings()),
      scales: false,
    };
    this.dialogs.tune(data).subscribe((neck) => {
      if (neck !== undefined) this.desk.laidOut.triedTuning.set(neck.tuned);
    });
  }

  protected find(): void {
    const strung = this.strung();
    if (strung === null) return;
    const bench = { strung, old: this.old(), strings: this.table.strings(), sets: this.table.sets(), shelf: this.shelf.free() };
    this.dialogs.find({ title: this.desk.file()?.passport.name ?? '', bench }).subscribe((row) => {
      if (row !== undefined) this.takeAnswer(row);
    });
  }

  private takeAnswer({ name, answer: { set, singles, strings } }: AnswerRow): void {
    if (set !== null && singles === 0) return this.desk.laidOut.candidateId.set(set.id);
    const family = this.strung()?.family ?? 'electric';
    this.desk.laidOut.ownSet.set({ set: { id: 'own', lineId: null, name, family, strings }, from: set });
    this.desk.laidOut.candidateId.set('own');
  }
}
