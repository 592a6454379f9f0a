import { computed, inject, Injectable, signal } from '@angular/core';
import { toInstrument } from '@gold-peg/contract/register';
import { firstLaidOut } from '@gold-peg/craft/gauges';
import { setsFor, type StringProperties, type StringSet } from '@gold-peg/craft/strings';
import { retune, retuneAsLogged, type Tuned } from '@gold-peg/craft/tuning';
import type { Metres } from '@gold-peg/craft/units';
import { logString, specOf, type LoggedString, type SetChosen } from '@gold-peg/craft/worksheet';
import { Shelf } from '../../shelf/shelf';
import { StringTable } from '../../string-table/string-table';
import { computable, isSetOf, logTuning } from './chosen-set';
import { InHand } from './in-hand';
import { JobLog } from './job-log';
import { measuredOfStrings } from './measured-of-strings';

/** A set made for one job: strings of the table, most of them from one set perhaps. */
export interface OwnSet {
  set: StringSet;
  from: StringSet | null;
}

/** Where the strings of a job of some strings come from: singles of the shelf, or a set that is opened and whose others are kept. */
export type Source = 'singles' | 'set';

/** What is on the instrument, what is laid out for it, and which of its strings the job is about. */
@Injectable()
export class LaidOut {
  private readonly log = inject(JobLog);
  private readonly inHand = inject(InHand);
  private readonly table = inject(StringTable);
  private readonly shelf = inject(Shelf);

  /** The set laid out for choosing, by id; null until somebody looks at another. */
  readonly candidateId = signal<string | null>(null);
  /** A tuning tried at Choose; null while nobody has. */
  readonly triedTuning = signal<Tuned | null>(null);
  /** A set made at Choose, from the solver for instance; it is a candidate beside those of the table. */
  readonly ownSet = signal<OwnSet | null>(null);
  /** Lanes picked at Choose, zero-based; null until somebody picks. */
  private readonly picked = signal<readonly number[] | null>(null);
  private readonly wantedSource = signal<Source | null>(null);

  private readonly geometry = computed(() => {
    const file = this.log.file();
    return file === null ? null : toInstrument(file.passport.geometry);
  });
  /** The instrument in the tuning that its present strings bear. */
  readonly asItCame = computed(() => {
    const geometry = this.geometry();
    return geometry === null ? null : retuneAsLogged(geometry, this.log.file()?.passport.current?.tuning);
  });
  /** The instrument in the tuning that it is to have. */
  readonly instrument = computed(() => {
    const tried = this.triedTuning();
    const instrument = this.asItCame();
    if (instrument === null) return null;
    if (tried !== null && this.inHand.stage() === 'choose') return retune(instrument, tried);
    return retuneAsLogged(instrument, this.log.sheet().chosen?.payload.tuning);
  });
  /** Nut slots that were measured, at this job or before; null where one never was. */
  readonly slots = computed<readonly (Metres | null)[]>(() => {
    const file = this.log.file();
    return file === null ? [] : measuredOfStrings('slot-width', file.passport, this.log.sheet());
  });
  /** The same of the saddle under each string. */
  readonly saddles = computed<readonly (Metres | null)[]>(() => {
    const file = this.log.file();
    return file === null ? [] : measuredOfStrings('saddle-height', file.passport, this.log.sheet());
  });

  /** What was chosen, where it is no set of the table: strings of several sets, for instance. */
  private readonly chosenSet = computed<StringSet | null>(() => {
    const chosen = this.log.sheet().chosen;
    if (chosen === null || isSetOf(chosen.payload, this.table.sets())) return null;
    if (chosen.payload.only !== undefined && this.table.sets().some(({ name }) => name === chosen.payload.name)) return null;
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
  /** The set that is chosen, or the one being looked at: what was on it, else what fits the nut and lies on the shelf. */
  readonly candidate = computed<StringSet | null>(() => {
    const wanted = this.candidateId();
    const before = this.log.file()?.passport.current?.setName;
    const find = (is: (set: StringSet) => boolean) => this.sets().find(is);
    return find(({ id }) => id === wanted) ?? find((set) => this.isChosen(set)) ?? find(({ name }) => name === before) ?? this.first();
  });
  private readonly first = computed(() => {
    const slots = this.slots();
    const widths = (this.asItCame()?.strings ?? []).map(({ slotWidth }, index) => slots[index] ?? slotWidth);
    return firstLaidOut(this.sets(), widths, ({ id }) => this.shelf.free()?.sets.get(id) ?? 0);
  });

  /** Whether each string is part of the job, as it is picked or was chosen. */
  readonly inJob = computed<readonly boolean[]>(() => {
    const picked = this.picked();
    const sheet = this.log.sheet();
    return picked === null || this.inHand.stage() !== 'choose' ? sheet.inJob : sheet.inJob.map((_, index) => picked.includes(index));
  });
  /** Strings the job is about, zero-based; null where it is all of them. */
  readonly only = computed<readonly number[] | null>(() => {
    const inJob = this.inJob();
    return inJob.includes(false) ? inJob.flatMap((is, index) => (is ? [index] : [])) : null;
  });
  readonly source = computed<Source>(() => {
    const chosen = this.log.sheet().chosen?.payload;
    if (chosen?.only !== undefined) return this.wantedSource() ?? (chosen.setId == null ? 'singles' : 'set');
    return this.wantedSource() ?? 'singles';
  });

  /** Takes a lane into the job, or out of it: from all of them to this one alone, and back to all when none would be left. */
  togglePick(lane: number): void {
    if (this.log.closed()) return;
    const now = this.only();
    const next = now === null ? [lane] : now.includes(lane) ? now.filter((each) => each !== lane) : [...now, lane].sort((a, b) => a - b);
    this.picked.set(next.length === 0 ? this.inJob().map((_, index) => index) : next);
  }

  takeFrom(source: Source): void {
    this.wantedSource.set(source);
  }

  /** Strings that are on it now; null where one is not known. */
  readonly oldStrings = computed(() => {
    const current = this.log.file()?.passport.current ?? null;
    if (current === null) return null;
    return (this.geometry()?.strings ?? []).map((_, index) => {
      const logged = current.strings.find(({ string }) => string === index + 1);
      return logged === undefined ? null : this.propertiesOf(logged);
    });
  });
  /** Strings that will be on it: those chosen, or those of the candidate while nothing is; what is no part of the job stays. */
  readonly strings = computed<readonly (StringProperties | null)[]>(() => {
    const chosen = this.log.sheet().chosen?.payload.strings;
    if (this.inHand.stage() !== 'choose' && chosen !== undefined) return chosen.map((string) => this.propertiesOf(string));
    const old = this.oldStrings();
    return (this.candidate()?.strings ?? []).map((string, index) =>
      this.inJob()[index] === false ? (old?.[index] ?? computable(string)) : computable(string),
    );
  });

  /** What the log keeps when the set that is laid out is taken; null where there is none. */
  choice(): SetChosen | null {
    const set = this.candidate();
    if (set === null) return null;
    const tried = this.triedTuning();
    const tuning = tried === null ? this.log.sheet().chosen?.payload.tuning : logTuning(tried);
    const only = this.only();
    return {
      name: set.name,
      family: set.family,
      strings: set.strings.map((string, index) => this.stays(index) ?? logString(string)),
      setId: only !== null && this.source() === 'singles' ? null : this.setIdOf(set),
      ...(tuning !== undefined && { tuning }),
      ...(only !== null && { only: only.map((index) => index + 1) }),
    };
  }

  /** The string that stays on, as the passport has it; null where it is replaced, or nothing is known of it. */
  private stays(index: number): LoggedString | null {
    if (this.inJob()[index] !== false) return null;
    const now = this.log.file()?.passport.current?.strings.find(({ string }) => string === index + 1);
    if (now === undefined) return null;
    const { string: _number, turns: _turns, slackMm: _slack, dropsCents: _drops, fittedAt: _at, setName: _set, ...logged } = now;
    return logged;
  }

  private setIdOf(set: StringSet): string | null | undefined {
    const own = this.ownSet();
    if (set === own?.set) return own.from?.id ?? null;
    return set === this.chosenSet() ? this.log.sheet().chosen?.payload.setId : set.id;
  }

  /** Whether these are the strings that were chosen; by name where the log does not say which they were. */
  isChosen(set: StringSet): boolean {
    const chosen = this.log.sheet().chosen?.payload;
    if (chosen === undefined) return false;
    if (chosen.strings.some(({ stringId }) => stringId === undefined) || chosen.only !== undefined) return chosen.name === set.name;
    return (
      chosen.strings.length === set.strings.length && chosen.strings.every(({ stringId }, index) => stringId === set.strings[index]?.id)
    );
  }

  /** Whether what is laid out, for these lanes, is what was chosen. */
  readonly isTaken = computed(() => {
    const [set, chosen] = [this.candidate(), this.log.sheet().chosen?.payload];
    if (set === null || chosen === undefined || this.triedTuning() !== null || !this.isChosen(set)) return false;
    const sameLanes = (chosen.only ?? []).join() === (this.only() ?? []).map((index) => index + 1).join();
    return sameLanes && (chosen.only === undefined || (chosen.setId == null) === (this.source() === 'singles'));
  });

  private propertiesOf(logged: LoggedString): StringProperties | null {
    const family = this.asItCame()?.family;
    return family === undefined ? null : computable(specOf(family, logged));
  }
}
