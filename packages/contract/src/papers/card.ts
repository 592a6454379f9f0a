import { advise, FINDINGS, measureOf, type Finding } from '@gold-peg/craft/findings';
import { isSoft, tuningWays, type MethodChoices } from '@gold-peg/craft/methods';
import { pitchOf, type Instrument } from '@gold-peg/craft/instrument';
import { expectedDrift, retunesOf, type Moving, type Retunes } from '@gold-peg/craft/settle';
import { printGauge, stringProperties } from '@gold-peg/craft/strings';
import { tensionFor } from '@gold-peg/craft/tension';
import { fromMillimetres } from '@gold-peg/craft/units';
import { nameTuning, retuneAsLogged } from '@gold-peg/craft/tuning';
import { dueOf, type Wear } from '@gold-peg/craft/wear';
import { asItCame, driftOf, foldWorksheet, passed, pulledSince, specOf, type BenchEvent, type Worksheet } from '@gold-peg/craft/worksheet';
import type { WorksheetFile } from '../jobs/index.js';
import { pullOf } from '../pulls/index.js';
import { ANCHOR_NAMES, geometrySchema, toInstrument } from '../register/index.js';
import type { Moves } from './drawings.js';

/** One string on a hand-over card. */
export interface CardString {
  number: number;
  note: string;
  gauge: string;
  kind: string;
  /** "2½", "clamped", "as it was". */
  turns: string;
  /** N; null where it cannot be computed. */
  pull: number | null;
  /** It was no part of the job. */
  stays: boolean;
}

/** A measure as the instrument came, and as it goes home, mm; null where it was not taken. */
export interface CardMeasure {
  name: string;
  before: number | null;
  after: number | null;
}

/** All that a player is told when an instrument goes home: SI and millimetres; words are made where it is set. */
export interface HandOverCard {
  name: string;
  owner: string | null;
  passport: number;
  /** When it was handed over; now, where it was not yet. */
  at: string;
  by: string;
  set: string;
  tuning: string;
  anchor: string;
  /** Most strings that were off at the same time. */
  offAtOnce: number;
  strings: readonly CardString[];
  /** Every string of the job passed Trim: its tail is cut. */
  trimmed: boolean;
  /** N, all strings; before: of what was on it. Null where not every string is known. */
  pull: number | null;
  pullBefore: number | null;
  /** By how much that may be off, %. */
  pullBand: number;
  measures: readonly CardMeasure[];
  /** What was found, with what is advised. */
  findings: readonly { finding: Finding; name: string; advice: string; refer: boolean }[];
  retunes: Retunes | null;
  /** How the first of them goes on moving; null where none does. */
  moves: Moves | null;
  /** As it stands, to be drawn. */
  instrument: Instrument;
  /** Strings move for a day and more. */
  soft: boolean;
  remark: string;
  notes: readonly string[];
  /** Null where nothing is known of its strings. */
  due: { string: number; wear: Wear; weeklyHours: number | null } | null;
}

/** The card of a job as its log stands; null while nothing is chosen. `technician`: ways of who asks; `now`: milliseconds since 1970. */
export function handOverCard(file: WorksheetFile, technician: MethodChoices, now: number): HandOverCard | null {
  const { passport, events, house, people } = file;
  const noted = toInstrument(geometrySchema.parse(passport.geometry));
  const sheet = foldWorksheet(
    noted.strings.length,
    events.map(({ event }) => event),
  );
  const chosen = sheet.chosen?.payload;
  if (chosen === undefined) return null;
  const instrument = retuneAsLogged(noted, chosen.tuning);
  const at = sheet.handedOver?.at ?? new Date(now).toISOString();
  const earlier = passport.setups.filter(({ jobId, fittedAt }) => jobId !== file.job.id && Date.parse(fittedAt) < Date.parse(at));
  const before = earlier[0] ?? null;
  const known = chosen.strings.map((string) => stringProperties(specOf(instrument.family, string)));
  const strings = chosen.strings.map((string, index): CardString => {
    const [properties, place] = [known[index], instrument.strings[index]];
    const stays = sheet.inJob[index] === false;
    return {
      number: index + 1,
      note: place?.note ?? '',
      gauge: printGauge(fromMillimetres(string.gaugeMm)),
      kind: string.construction,
      turns: stays ? 'as it was' : turnsOf(sheet, index, place?.post.style === 'clamp'),
      pull:
        properties?.ok === true && place !== undefined ? tensionFor(pitchOf(instrument, place), place.scaleLength, properties.value) : null,
      stays,
    };
  });
  const softs = known.map((properties) => properties.ok && isSoft(properties.value));
  const pulls = strings.flatMap(({ pull }) => pull ?? []);
  const ways = tuningWays({ house, technician, instrument: passport.methods });
  const moving = softs.flatMap((soft, index) => {
    const since = pulledSince(sheet, index);
    const properties = known[index];
    if (!soft || properties?.ok !== true || since === null || sheet.inJob[index] === false) return [];
    const expected = expectedDrift(driftOf(sheet, index), ways.hold, properties.value.creep);
    return [{ number: index + 1, since: Date.parse(since), expected }];
  });
  const retunes = retunesOf(moving);
  return {
    name: passport.name,
    owner: passport.ownerName,
    passport: passport.passport,
    at,
    by: people.find(({ id }) => id === sheet.handedOver?.personId)?.name ?? '',
    set: chosen.only === undefined ? chosen.name : `string ${chosen.only.join(', ')} of ${chosen.name}`,
    tuning: nameTuning(instrument.strings.map(({ note }) => note)),
    anchor: ANCHOR_NAMES[instrument.bridge.anchor],
    offAtOnce: mostOff(sheet.standing),
    trimmed: passed(sheet, 'trim').every(Boolean),
    strings,
    pull: pulls.length === strings.length ? pulls.reduce((sum, each) => sum + each, 0) : null,
    pullBefore: before === null ? null : pullOf(passport.geometry, before),
    pullBand: Math.max(0, ...known.flatMap((properties) => (properties.ok ? [properties.value.bandPercent] : []))),
    measures: measuresOf(sheet, before?.measurements ?? []),
    findings: sheet.findings.map(({ payload }) => {
      const { says, refer } = advise(payload);
      return {
        finding: payload,
        name: nameOf(payload),
        advice: [says, payload.text].filter((part) => part !== '').join(' '),
        refer: refer !== null,
      };
    }),
    retunes,
    moves:
      retunes === null
        ? null
        : { ...retunes, home: Date.parse(at), since: sinceOf(moving, retunes), limit: ways.hold.cents, withinHours: ways.hold.hours },
    instrument,
    soft: softs.some((soft, index) => soft && sheet.inJob[index] !== false),
    remark: sheet.handedOver?.payload.remark ?? '',
    notes: sheet.notes.map(({ payload }) => payload.text),
    due: dueAfter(file, { at, now, earlier, only: chosen.only, strings: chosen.strings }),
  };
}

/** How many strings were off together at most: that is how the neck and a loose bridge were kept. */
function mostOff(events: readonly BenchEvent[]): number {
  let [off, most] = [0, 0];
  for (const { kind } of events) {
    if (kind === 'string-off') off++;
    else if (kind === 'wound' && off > 0) off--;
    most = Math.max(most, off);
  }
  return most;
}

/** When the string that has to be tuned first began to bear pull. */
const sinceOf = (moving: readonly Moving[], { times }: Retunes): number =>
  moving.find(({ since, expected }) => since + (expected.retunes[0]?.likely ?? Infinity) * 3_600_000 === times[0])?.since ??
  moving[0]?.since ??
  0;

/** Quarters of a turn, as they are counted. */
const QUARTERS = ['', '¼', '½', '¾'];
function turnsOf(sheet: Worksheet, index: number, clamped: boolean): string {
  if (clamped) return 'clamped';
  const turns = sheet.counted[index]?.payload.turns ?? sheet.wound[index]?.payload.turns ?? null;
  if (turns === null) return '–';
  const quarters = Math.round(turns * 4);
  const [whole, part] = [Math.floor(quarters / 4), QUARTERS[quarters % 4] ?? ''];
  return whole === 0 && part !== '' ? part : `${whole}${part}`;
}

/** 'groove at fret 3, string 2'. */
const nameOf = ({ what, string, fret }: Finding): string =>
  `${FINDINGS[what].name}${fret === null ? '' : ` at fret ${fret}`}${string === null ? '' : `, string ${string}`}`;

const ON_A_CARD = ['relief', 'action-treble', 'action-bass'] as const;

/** As it came, or as it went home last time where nobody measured; and as it goes home now. */
function measuresOf(sheet: Worksheet, last: NonNullable<WorksheetFile['passport']['current']>['measurements']): CardMeasure[] {
  return ON_A_CARD.flatMap((what): CardMeasure[] => {
    const own = sheet.measurements.filter(({ payload }) => payload.what === what);
    const came = own.findLast((event) => asItCame(sheet, event))?.payload.valueMm;
    const left = own.findLast((event) => !asItCame(sheet, event))?.payload.valueMm;
    const earlier = last.findLast((each) => each.what === what)?.valueMm;
    const [before, after] = [came ?? earlier ?? null, left ?? null];
    return before === null && after === null ? [] : [{ name: measureOf(what).name, before, after }];
  });
}

interface Fitted {
  at: string;
  earlier: WorksheetFile['passport']['setups'];
  now: number;
  only: number[] | undefined;
  strings: NonNullable<Worksheet['chosen']>['payload']['strings'];
}

/** When it should come back, with what this job fitted. */
function dueAfter({ passport }: WorksheetFile, { at, now, earlier, only, strings }: Fitted): HandOverCard['due'] {
  const kept = earlier[0];
  const fitted = strings.map(({ construction }, index) => {
    const stays = only !== undefined && !only.includes(index + 1);
    const old = kept?.strings.find(({ string }) => string === index + 1);
    const since = stays ? (old?.fittedAt ?? kept?.fittedAt) : undefined;
    return { string: index + 1, construction, ...(since !== undefined && { fittedAt: since }) };
  });
  const hours = passport.hours === null ? null : { weeklyHours: passport.hours.weeklyHours, askedAt: Date.parse(passport.hours.askedAt) };
  const setup = { fittedAt: at, ...(only !== undefined && { only: { strings: only } }), strings: fitted };
  const due = dueOf({ family: passport.geometry.family, setups: [setup, ...earlier], hours }, Math.max(now, Date.parse(at)));
  const wear = due?.wear.get(due.string);
  return due === null || wear === undefined ? null : { string: due.string, wear, weeklyHours: hours?.weeklyHours ?? null };
}

/** Lengths of a card are drawn from here to there, mm: where both ends of a measure lie well inside. */
export function cardScale({ before, after }: CardMeasure): { from: number; to: number } {
  const values = [before, after].flatMap((each) => each ?? []);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const step = high > 1 ? 1 : 0.2;
  return { from: Math.floor(low / step) * step, to: (Math.floor(high / step) + 1) * step };
}

/** 'one string at a time'. */
export const sayOff = ({ offAtOnce, strings }: Pick<HandOverCard, 'offAtOnce' | 'strings'>): string =>
  offAtOnce <= 1 ? 'one string at a time' : offAtOnce >= strings.length ? 'all strings off together' : `${offAtOnce} strings off at a time`;
