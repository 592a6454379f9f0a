import type { DataSource } from 'typeorm';
import type { AskedJob } from '@gold-peg/contract/day';
import type { Passport } from '@gold-peg/contract/register';
import { MINUTES } from '@gold-peg/craft/constants';
import { plannedMinutes } from '@gold-peg/craft/day';
import { isSoft } from '@gold-peg/craft/methods';
import { setsFor, stringProperties, type StringProperties, type StringSpec } from '@gold-peg/craft/strings';
import { specOf } from '@gold-peg/craft/worksheet';
import { readHouse } from '../house/index.js';
import { readPassport } from '../register/index.js';
import { atHand } from './at-hand.js';
import { timesOfHouse } from './house-pace.js';
import { rackJob } from './rack-job.js';
import { longestOf, rackOf } from './rack.js';

const MINUTE_MS = 60_000;

/** What an instrument would take if it was taken in now, beside the day as it is. */
export async function askedFor(
  store: DataSource,
  at: Date,
  { askedBy, instrumentId }: { askedBy: string; instrumentId: string },
): Promise<AskedJob> {
  const [day, passport, { methods }] = await Promise.all([rackOf(store, at, askedBy), readPassport(store, instrumentId), readHouse(store)]);
  const { now, origin, hours, people, open } = day;
  const times = await timesOfHouse(store, [passport.family]);
  const longest = longestOf(people);
  const jobWith = (other: { strings?: readonly StringProperties[]; hung?: Date } = {}) => {
    const told = { passport, events: [], house: methods, ...other };
    const known = atHand(told, { times, fits: (piece) => plannedMinutes(piece, hours) <= longest, at });
    const hangs = known.hangsUntil === null ? null : Math.round((known.hangsUntil.getTime() - Date.parse(origin)) / MINUTE_MS);
    return rackJob(passport, known, {
      ...{ id: passport.id, reason: '', state: 'waiting', stage: 'choose', promisedAt: null, ready: now, hours, now, waits: null, hangs },
      due: Math.max(now, ...open.map(([, until]) => until)),
    });
  };
  const job = jobWith();
  const least = job.moves ? leastMoving(passport) : null;
  const hung = new Date(at.getTime() + MINUTES.hang.value * MINUTE_MS);
  return {
    day,
    job,
    hung: job.moves ? jobWith({ hung }) : null,
    movesLess: least === null ? null : { set: least.name, job: jobWith({ strings: least.strings }) },
  };
}

const propertiesOf = (specs: readonly StringSpec[]): StringProperties[] =>
  specs.flatMap((spec) => {
    const properties = stringProperties(spec);
    return properties.ok ? [properties.value] : [];
  });
/** How far the string of a set that creeps most creeps. */
const creepOf = (strings: readonly StringProperties[]) => Math.max(0, ...strings.filter(isSoft).map(({ creep }) => creep));

const isGut = ({ construction }: { construction: string }) => construction === 'gut';

/** The set of its kind that moves least, if it moves less than what is on it, or than the first of its kind where nobody knows that. Gut is fitted to those who ask for it. */
function leastMoving({ family, stringCount, current }: Passport): { name: string; strings: StringProperties[] } | null {
  const sets = setsFor(family, stringCount).map(({ name, strings }) => ({ name, strings: propertiesOf(strings) }));
  const now = current === null ? (sets[0]?.strings ?? []) : propertiesOf(current.strings.map((logged) => specOf(family, logged)));
  const [least] = sets
    .filter(({ strings }) => !strings.some(isGut) || now.some(isGut))
    .sort((a, b) => creepOf(a.strings) - creepOf(b.strings));
  return least !== undefined && creepOf(least.strings) < creepOf(now) ? least : null;
}
