import { instrumentOf } from '@gold-peg/craft/archetypes';
import { WEAR } from '@gold-peg/craft/constants';
import type { Finding, MeasureKind } from '@gold-peg/craft/findings';
import { pitchOf, type Instrument } from '@gold-peg/craft/instrument';
import { actionChange, reliefChange } from '@gold-peg/craft/neck';
import { chanceFrom, handStrength } from '@gold-peg/craft/simulated';
import { madeOf, setsFor, type StringSet } from '@gold-peg/craft/strings';
import { tensionFor, totalPull } from '@gold-peg/craft/tension';
import { newtons, toMillimetres, type Newtons } from '@gold-peg/craft/units';
import { playedUntilWorn } from '@gold-peg/craft/wear';
import type { PastRestring, RackEntry } from './rack.js';

/** What else comes and goes in the harbour: instruments that hang at home and come back when they are due. */
interface AtHome {
  passport: number;
  name: string;
  archetypeId: string;
  owner: string;
  weeklyHours: number;
  hand?: 'left';
  remark?: string;
  /** A string that broke between two sets. */
  broke?: number;
  job?: NonNullable<RackEntry['job']>;
}

const home = (
  passport: number,
  name: string,
  archetypeId: string,
  owner: string,
  weeklyHours: number,
  more: Partial<AtHome> = {},
): AtHome => ({
  passport,
  name,
  archetypeId,
  owner,
  weeklyHours,
  ...more,
});

const AT_HOME: readonly AtHome[] = [
  home(71, 'Heron grand, spruce', 'acoustic-large', 'Perrin Saltash-Gow', 6, { broke: 1 }),
  home(72, 'Almery classical, cypress', 'classical', 'Odile Fennimarsh', 7),
  home(74, 'Longshore four, tar', 'bass-in-line', 'Rafe Tollgate', 4, { remark: 'Likes them old.' }),
  home(75, 'Brindle six, oyster', 'electric-split', 'Rafe Tollgate', 5, { broke: 3 }),
  home(77, 'Cutwater mandolin, scroll', 'mandolin', 'Bram Isleworthy', 8),
  home(79, 'Drumlin tenor banjo', 'banjo-tenor', 'The Lantern Ceilidh Band', 5),
  home(80, 'Pipit tenor ukulele, koa brown', 'ukulele-tenor', 'Jessamy Roke', 3),
  home(82, 'Heron slotted, maple', 'acoustic-slotted', 'Tamsel Orre', 4),
  home(83, 'Gannet baritone, rust', 'electric-baritone', 'Perrin Saltash-Gow', 2.5),
  home(85, 'Longshore short, driftwood', 'bass-short', 'Quillhaven School', 1.5),
  home(86, 'Brindle wrap, lead', 'electric-wrap-around', 'Isolde Marrack', 6),
  home(88, 'Almery classical, spruce', 'classical', 'Isolde Marrack', 9, {
    job: { reason: 'Recital on Sunday, basses dull', takenInHoursAgo: 8, promisedInHours: 70 },
  }),
  home(89, 'Pipit soprano, plum', 'ukulele-soprano', 'Quillhaven School', 2),
  home(91, 'Longshore headless, pewter', 'bass-headless', 'Rafe Tollgate', 3),
  home(92, 'Gannet eight, basalt', 'electric-eight', 'Bram Isleworthy', 2),
  home(94, 'Cutwater mandolin, flat', 'mandolin', 'Quillhaven School', 1.5, {
    job: { reason: 'Rusty; wanted for the school stall', takenInHoursAgo: 4, promisedInHours: 56 },
  }),
  home(95, 'Heron twelve, ash', 'acoustic-twelve', 'Isolde Marrack', 3),
  home(96, 'Brindle six, moss', 'electric-in-line', 'Odile Fennimarsh', 4, {
    broke: 1,
    job: { reason: 'Broke string 1 again', takenInHoursAgo: 5, promisedInHours: 30 },
  }),
  home(166, 'Pipit six, pear', 'ukulele-six', 'Jessamy Roke', 2),
  home(168, 'Longshore six, slate', 'bass-six', 'The Lantern Ceilidh Band', 5, {
    job: { reason: 'New set before the opening concert', takenInHoursAgo: 7, promisedInHours: 50 },
  }),
  home(171, 'Heron parlour, plane', 'acoustic-parlour', 'Isolde Marrack', 5, { hand: 'left' }),
  home(173, 'Gannet double-lock, foam', 'electric-double-locking', 'Rafe Tollgate', 4, {
    job: { reason: 'Dull, arm comes back sharp', takenInHoursAgo: 9, promisedInHours: 73 },
  }),
  home(175, 'Almery classical, larch', 'classical', 'Quillhaven School', 2),
];

const DAYS_BACK = 730;
/** A spread of a logarithm: how far one instrument lasts longer than the other. */
const OWN = 0.3;
const SEASON_MM = 0.05;

/** Two years of each, the same for the same day of the year: when it came, by how strings wear; what was on it; and how its neck stood under what they pulled. */
export function atHome(now: Date): RackEntry[] {
  return AT_HOME.map(({ weeklyHours, broke, hand, remark = '', ...entry }, nth) => {
    const chance = chanceFrom(7100 + nth);
    const instrument = instrumentOf(entry.archetypeId);
    const past = history({ instrument, weeklyHours, broke: broke ?? null, chance, now });
    return { ...entry, ...(hand !== undefined && { hand }), remark, weeklyHours, past };
  });
}

interface Lived {
  instrument: Instrument;
  weeklyHours: number;
  broke: number | null;
  chance: () => number;
  now: Date;
}

function history({ instrument, weeklyHours, broke, chance, now }: Lived): PastRestring[] {
  const { family, strings } = instrument;
  const sets = setsFor(family, strings.length);
  const usual = Math.min(sets.length - 1, Math.floor(chance() * Math.min(3, sets.length)));
  const lasts = lastsDays(instrument, weeklyHours) * handStrength(chance, OWN);
  const [relief, bass, treble] = [0.12 + 0.12 * chance(), 1.9 + 0.6 * chance(), 1.5 + 0.4 * chance()];
  const pullFirst = pullWith(instrument, sets[usual]);
  const past: PastRestring[] = [];
  let on = sets[usual];
  let groove = false;
  for (let daysAgo = DAYS_BACK - Math.floor(60 * chance()); daysAgo > 12;) {
    const tries = chance() < 0.18 && sets.length > 1;
    const next = tries ? sets[usual === 0 ? 1 : usual - 1] : sets[usual];
    if (next === undefined) break;
    const stands = (set: StringSet | undefined, at: number) => {
      const more = reliefChange(newtons(pullWith(instrument, set) - pullFirst));
      const season = SEASON_MM * Math.cos((2 * Math.PI * dayOfYear(now, at)) / 365);
      const high = (mm: number) => round(mm + toMillimetres(actionChange(more).likely) + 2 * season);
      return { relief: round(relief + toMillimetres(more.likely) + season), 'action-bass': high(bass), 'action-treble': high(treble) };
    };
    const measures = chance() < 0.75;
    groove ||= chance() < 0.12;
    past.push({
      daysAgo,
      set: next.name,
      remark: tries ? 'Tried other gauges.' : '',
      ...(measures && { measured: keep(instrument, stands(on, daysAgo)), left: keep(instrument, stands(next, daysAgo)) }),
      ...found(instrument, groove, dayOfYear(now, daysAgo)),
    });
    on = next;
    const until = lasts * handStrength(chance, WEAR.fromSetToSet.value);
    if (broke !== null && past.length === 2 && daysAgo - 0.4 * until > 12)
      past.push({ daysAgo: Math.round(daysAgo - 0.4 * until), set: next.name, remark: 'Broke at rehearsal.', only: [broke] });
    daysAgo = Math.round(daysAgo - Math.max(20, until));
  }
  return past;
}

/** Basses and banjos are not measured for relief here; the others are. */
const keep = ({ family }: Instrument, measured: Partial<Record<MeasureKind, number>>) => {
  const { relief, ...actions } = measured;
  return family === 'classical' || family === 'ukulele' || relief === undefined ? actions : { relief, ...actions };
};

function found({ family }: Instrument, groove: boolean, day: number): Pick<PastRestring, 'found'> {
  const dry = day < 70 || day > 340;
  const findings: (Partial<Finding> & Pick<Finding, 'what'>)[] = [
    ...(groove ? [{ what: 'groove' as const, severity: 'watch' as const, string: 2, fret: 3 }] : []),
    ...(dry && family !== 'banjo' ? [{ what: 'board-dry' as const, severity: 'watch' as const, wood: 'rosewood' as const }] : []),
  ];
  return findings.length === 0 ? {} : { found: findings };
}

/** As its wound strings last, or those that it has. */
function lastsDays({ family, strings }: Instrument, weeklyHours: number): number {
  const play = playedUntilWorn(family, family === 'ukulele' && strings.length <= 4 ? 'nylon' : 'wound').value;
  return 1 / (weeklyHours / 7 / play + 1 / WEAR.unplayed.value);
}

function pullWith(instrument: Instrument, set: StringSet | undefined): Newtons {
  const made = set === undefined ? [] : madeOf(set);
  const pulls = instrument.strings.flatMap((place, index) => {
    const string = made[index];
    return string === undefined ? [] : [tensionFor(pitchOf(instrument, place), place.scaleLength, string)];
  });
  return totalPull(pulls);
}

/** Days since the year began, so many days ago. */
const dayOfYear = (now: Date, daysAgo: number): number => {
  const at = new Date(now.getTime() - daysAgo * 86_400_000);
  return (at.getTime() - Date.UTC(at.getUTCFullYear(), 0, 1)) / 86_400_000;
};

const round = (mm: number): number => Math.round(mm * 100) / 100;
